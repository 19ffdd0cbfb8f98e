import { defaultPolicy } from "@/core/policy";
import type { VisitEvent } from "@/core/visit";
import { actAs, acting } from "../support/memberAs";
import { makeStudio, pointAppAtTests, type TestStudio, urls, withClient } from "../support/studios";

jest.mock("@/server/member", () => jest.requireActual("../support/memberAs"));
jest.mock("next/cache", () => ({ refresh: () => undefined }));
pointAppAtTests();

/**
 * When eyes may open, as every screen is told it by the server. At 22 °C and 50 % four minutes by the studio's policy
 * (common practice: three to five); at 25 % twice as long (a model of this product).
 */
let studio: TestStudio;
const MINUTE = 60_000;
const DRY = { temperatureC: 22, relativeHumidity: 0.25 };

beforeEach(async () => {
  studio = await makeStudio("cure");
  actAs(studio.member("technician"));
});
const read = (minutesAgo: readonly number[], air = DRY) =>
  withClient(urls().owner, async (db) => {
    for (const minutes of minutesAgo)
      await db.query(
        "insert into studio.reading (studio_id, sensor_id, room_id, taken_at, temperature_c, relative_humidity) values ($1, $2, $3, $4, $5, $6)",
        [
          studio.ids.studioId,
          studio.ids.sensor,
          studio.ids.room,
          new Date(Date.now() - minutes * MINUTE),
          air.temperatureC,
          air.relativeHumidity,
        ],
      );
  });
const everyMinute = Array.from({ length: 30 }, (_, i) => i + 0.5);
/** A tap so many minutes ago. */
const tap = async (minutesAgo: number, type: VisitEvent["type"], payload: unknown) => {
  const id = crypto.randomUUID();
  await withClient(urls().owner, (db) =>
    db.query(
      "insert into studio.visit_event (studio_id, visit_id, id, at, clock, type, payload, member_id) values ($1, $2, $3, $4, 'checked', $5, $6, $7)",
      [
        studio.ids.studioId,
        studio.ids.visit,
        id,
        new Date(Date.now() - minutesAgo * MINUTE),
        type,
        JSON.stringify(payload),
        studio.ids.technician,
      ],
    ),
  );
  return id;
};
const bead = (minutesAgo: number) => tap(minutesAgo, "beadPlaced", { lifeS: 900, air: DRY, bottleId: studio.ids.bottle });
/** Minutes from now until the server lets the eyes be opened; null where it says nothing. */
const leftMinutes = async () => {
  const { GET } = await import("@/app/api/visits/running/route");
  const { visits } = (await (await GET(new Request("http://127.0.0.1/x"))).json()) as {
    visits: { id: string; eyesMayAtMs: number | null }[];
  };
  const at = visits.find(({ id }) => id === studio.ids.visit)!.eyesMayAtMs;
  return at === null ? null : (at - Date.now()) / MINUTE;
};

test("in dry air twice the studio's four minutes from the last lash; at reference four", async () => {
  await read(everyMinute);
  await bead(20);
  await tap(3, "beadWiped", {});
  expect(await leftMinutes()).toBeCloseTo(5, 1);
  const other = await makeStudio("cure at reference");
  studio = other;
  actAs(studio.member("technician"));
  await read(everyMinute, { temperatureC: 22, relativeHumidity: 0.5 });
  await bead(20);
  await tap(3.5, "beadWiped", {});
  expect(await leftMinutes()).toBeCloseTo(0.5, 1);
});

test("nothing is said while a bead is out, or before the first", async () => {
  await read(everyMinute);
  expect(await leftMinutes()).toBeNull();
  await bead(20);
  expect(await leftMinutes()).toBeNull();
  const wiped = await tap(3, "beadWiped", {});
  expect(await leftMinutes()).not.toBeNull();
  await tap(2, "undone", { eventId: wiped });
  expect(await leftMinutes()).toBeNull();
});

test("a finish shortens it by its maker's figure", async () => {
  await read(everyMinute);
  await bead(20);
  await tap(3, "beadWiped", {});
  const without = (await leftMinutes())!;
  await tap(2.9, "finishApplied", { method: "mist" });
  expect(without).toBeGreaterThan(4);
  expect(await leftMinutes()).toBeCloseTo(defaultPolicy.mistEyesMinutes - 2.9, 1);
});

test("a hygrometer that fell silent keeps them shut longer", async () => {
  await read(everyMinute);
  await bead(20);
  await tap(6, "beadWiped", {});
  const heard = (await leftMinutes())!;
  await withClient(urls().owner, (db) =>
    db.query("delete from studio.reading where studio_id = $1 and taken_at > now() - interval '20 minutes'", [studio.ids.studioId]),
  );
  expect(await leftMinutes()).toBeGreaterThan(heard + 0.2);
});

test("the visit's page is given every minute of air since a little before its start, and the law its tests have taught", async () => {
  await read(everyMinute);
  await bead(20);
  const { visitPage } = await import("@/features/chair/page");
  const { adhesiveInUse } = await import("@/features/visit/adhesiveInUse");
  const page = (await visitPage(acting(), studio.ids.visit, new Date()))!;
  const begun = page.visit.state.head.startedAtMs!;
  expect(page.readings.every(({ atMs }) => atMs >= begun - 15 * MINUTE)).toBe(true);
  expect(page.readings.length).toBeGreaterThanOrEqual(15);
  expect(page.bottlesUsed.map(({ id }) => id)).toEqual([studio.ids.bottle]);
  // One test at reference humidity says nothing of how it follows dryness: the usual law stands.
  const { law, waterHours, adhesive } = adhesiveInUse(page, studio.ids.bottle);
  expect(law.m).toBeCloseTo(1, 6);
  expect([waterHours, adhesive?.name]).toEqual([undefined, "cure glue"]);
  expect(adhesiveInUse(page, null).adhesive).toBeNull();
});
