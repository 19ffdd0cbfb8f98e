import { database, expect, test } from "./support";

const DRY_BOTTLE = "DW 1184";

// The demo's agreed visits are of the day it was loaded; tests that run past midnight find them on the new one.
test.beforeAll(() =>
  database((db) =>
    db.query(`update studio.visit v set starts_at = starts_at + interval '1 day' where starts_at::date = current_date - 1
      and not exists (select from studio.visit_event e where e.visit_id = v.id)`),
  ),
);

test("each visit is told its bottle; drops are counted down through the day, whoever works", async ({ page }) => {
  // On a narrow screen the day is a list that says it all.
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto("/");
  const wishes = page.getByRole("list").getByTestId("wish");
  await expect(wishes.first()).toBeVisible();
  const drops = (await wishes.allInnerTexts()).flatMap((text) => {
    const match = /(\S+ \d+), (?:\d+ days? left, )?(\d+) drops/.exec(text);
    return match ? [{ lot: match[1]!, left: Number(match[2]) }] : [];
  });
  expect(drops.length).toBeGreaterThanOrEqual(3);
  for (const lot of new Set(drops.map((one) => one.lot))) {
    const left = drops.filter((one) => one.lot === lot).map((one) => one.left);
    expect(left).toEqual([...left].sort((a, b) => b - a));
    expect(new Set(left).size).toBe(left.length);
  }
});

test("a room too dry for every bottle: what to switch on when, or that its machines cannot", async ({ page }) => {
  const emptied = (on: string) => database((db) => db.query(`update studio.lot set emptied_on = ${on} where number = $1`, [DRY_BOTTLE]));
  // The back room has no humidifier; its air is read at 22 %.
  await database((db) =>
    db.query(
      `insert into studio.reading (studio_id, sensor_id, room_id, taken_at, temperature_c, relative_humidity)
       select s.studio_id, s.id, s.room_id, now(), 22, 0.22 from studio.sensor s where s.name = 'Trolley, back room'`,
    ),
  );
  // Her visit is now: hours ahead the room's own habit would speak, and the tests run at any hour.
  await database((db) =>
    db.query(`update studio.visit v set starts_at = now() from studio.client c where c.id = v.client_id and c.name like 'Rosalind%'
      and v.starts_at::date = current_date and not exists (select from studio.visit_event e where e.visit_id = v.id)`),
  );
  await emptied("current_date");
  try {
    await page.setViewportSize({ width: 390, height: 844 });
    await page.goto("/");
    const rosalind = page.getByRole("listitem").filter({ hasText: "Rosalind" });
    await expect(rosalind.getByTestId("wish")).toContainText("Out of this room's reach.");
    await expect(rosalind.getByTestId("wish")).toContainText(/22\s%\sat\s22\s°C is to be expected, \w+ wants \d+\s%/);
    // With a humidifier written down the same visit is given a time.
    await database((db) => db.query(`update studio.room set traits = traits || '{"humidifierGPerH": 400}' where name = 'Back room'`));
    await page.reload();
    await expect(rosalind.getByTestId("wish")).toContainText(/Humidifier on (now|at \d\d:\d\d)\./);
  } finally {
    await emptied("null");
    await database((db) => db.query(`update studio.room set traits = traits || '{"humidifierGPerH": 0}' where name = 'Back room'`));
  }
});
