import type { Page } from "@playwright/test";
import { axeFinds, database, expect, keysAreHeard, test } from "./support";

// The list of clients and whole records, as they are used: found, archived, doubled, merged, read in, handed out, erased.

test.describe.configure({ mode: "serial" });

const lines = (page: Page) => page.locator("main li");
const search = (page: Page) => page.getByRole("searchbox");

async function addClient(page: Page, name: string, more: { phone?: string; email?: string } = {}): Promise<string> {
  await page.goto("/clients/new");
  await page.getByLabel("Name").fill(name);
  if (more.phone) await page.getByLabel("Telephone").fill(more.phone);
  if (more.email) await page.getByLabel("E-mail").fill(more.email);
  await page.getByRole("button", { name: "Add client" }).click();
  await expect(page.getByRole("heading", { level: 1, name })).toBeVisible();
  return page.url().split("/").at(-1)!;
}

test("the list follows what is typed, accents or not; a filter chosen meanwhile holds for what is typed after it", async ({ page }) => {
  await page.goto("/clients");
  await search(page).pressSequentially("leila", { delay: 30 });
  await expect(lines(page).filter({ hasText: "Leïla Oystercatcher" })).toBeVisible();
  await expect(lines(page).filter({ hasText: "Ottilie" })).toHaveCount(0);
  await expect(page).toHaveURL(/find=leila$/);
  await page.getByRole("link", { name: "Archived" }).click();
  await search(page).fill("lucja");
  await expect(page).toHaveURL(/find=lucja&show=archived/);
  await expect(lines(page).filter({ hasText: "Łucja Żółkiewna" })).toBeVisible();
  await search(page).fill("zzz");
  await expect(page.getByText("Nobody found by “zzz”")).toBeVisible();
  await page.goBack();
  await expect(search(page)).toHaveValue("leila");
  // A name that the note alone has: the line says where.
  await search(page).fill("hurry");
  await expect(lines(page).filter({ hasText: "Leila Oystercatcher" })).toContainText("Wrote down at the door, in a hurry.");
});

test("more than a page: the pages lead on to all of them", async ({ page }) => {
  await database((db) =>
    db.query(
      "insert into studio.client (studio_id, id, name) select studio_id, gen_random_uuid(), 'Paged ' || lpad(i::text, 3, '0') from studio.studio, generate_series(1, 130) i",
    ),
  );
  await page.goto("/clients?find=paged");
  await expect(page.getByText("1 to 60 of 130")).toBeVisible();
  await page.getByRole("link", { name: "After these" }).click();
  await expect(page.getByText("61 to 120 of 130")).toBeVisible();
  await page.getByRole("link", { name: "After these" }).click();
  await expect(lines(page)).toHaveCount(10);
  await expect(lines(page).last()).toContainText("Paged 130");
  await expect(page.getByRole("link", { name: "After these" })).toHaveCount(0);
  await page.getByRole("link", { name: "Before these" }).click();
  await expect(page.getByText("61 to 120 of 130")).toBeVisible();
  await database((db) => db.query("delete from studio.client where name like 'Paged %'"));
});

test("archived by one tap, taken back by the next; and brought back from where archived ones are", async ({ page }) => {
  await addClient(page, "Wilhelmina Strandfield");
  await page.getByRole("button", { name: "Archive" }).click();
  await expect(page.getByText("Wilhelmina Strandfield is archived.")).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByText("Wilhelmina Strandfield is among the clients again.")).toBeVisible();
  await expect(page.getByRole("button", { name: "Archive" })).toBeVisible();
  await page.getByRole("button", { name: "Archive" }).click();
  await expect(page.getByRole("button", { name: "Bring back" })).toBeVisible();
  await page.goto("/clients?find=wilhelmina");
  await page.getByRole("link", { name: "Look among the archived" }).click();
  await lines(page).filter({ hasText: "Wilhelmina" }).getByRole("button", { name: "Bring back" }).click();
  await expect(page.getByText("Nobody found by “wilhelmina”")).toBeVisible();
  await page.getByRole("link", { name: "Look among all" }).click();
  await expect(lines(page).filter({ hasText: "Wilhelmina Strandfield" })).toBeVisible();
});

test("who is likely here already is told while it is typed; two entries are made one, and two again", async ({ page }) => {
  const first = await addClient(page, "Perpétua Lightship", { phone: "+44 171 555 0144" });
  await page.goto("/clients/new");
  await page.getByLabel("Name").fill("perpetua lightship");
  await expect(page.getByText("Maybe here already")).toBeVisible();
  await expect(page.getByRole("status").getByRole("link", { name: "Perpétua Lightship" })).toHaveAttribute("href", `/clients/${first}`);
  await page.getByLabel("E-mail").fill("perpetua at post");
  await page.getByRole("button", { name: "Add client" }).click();
  await expect(page.getByText("An e-mail address, as name@place.example.")).toBeVisible();
  await page.getByLabel("E-mail").fill("perpetua@post.example");
  await page.getByRole("button", { name: "Add client" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "perpetua lightship" })).toBeVisible();
  const second = page.url().split("/").at(-1)!;

  await page.goto(`/clients/${first}`);
  await page.getByRole("link", { name: "Compare and merge" }).click();
  await expect(page.getByRole("heading", { name: "Two entries, one person?" })).toBeVisible();
  await page.getByRole("button", { name: "Merge into one" }).click();
  await expect(page.getByText("Perpétua Lightship is one entry now.")).toBeVisible();
  await expect(page).toHaveURL(new RegExp(`/clients/${first}$`));
  await expect(page.getByRole("link", { name: "perpetua@post.example" })).toBeVisible();
  // An old link leads on to the one that is kept.
  await page.goto(`/clients/${second}/map`);
  await expect(page).toHaveURL(new RegExp(`/clients/${first}$`));
  await page.getByText("The whole record").click();
  await expect(page.getByText(/perpetua lightship.*was merged into this on/)).toBeVisible();
  await page.getByRole("button", { name: "Take apart" }).click();
  await expect(page.getByText("perpetua lightship is an entry of its own again.")).toBeVisible();
  await expect(page.getByRole("link", { name: "perpetua@post.example" })).toHaveCount(0);
  await page.getByRole("button", { name: "Two people" }).click();
  await expect(page.getByText("Maybe the same person")).toHaveCount(0);
  await page.goto(`/clients/${second}`);
  await expect(page.getByRole("heading", { level: 1, name: "perpetua lightship" })).toBeVisible();
  await expect(page.getByText("Maybe the same person")).toHaveCount(0);
});

test("merged with an entry that is looked for, and undone from the words that tell of it", async ({ page }) => {
  await addClient(page, "Ignatia Spindrift");
  const kept = await addClient(page, "Ignace Spindrift");
  await page.getByText("The whole record").click();
  await page.getByRole("link", { name: "Merge with another" }).click();
  await page.getByLabel("Client").fill("ignatia");
  await page.getByRole("button", { name: "Ignatia Spindrift" }).click();
  await page.getByRole("radio", { name: "Ignatia Spindrift" }).check();
  await page.getByRole("button", { name: "Merge into one" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Ignatia Spindrift" })).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByText("They are two entries again.")).toBeVisible();
  await expect(page.getByRole("heading", { level: 1, name: "Ignace Spindrift" })).toBeVisible();
  expect(page.url()).toContain(kept);
});

test("a list is read in: shown, put right, doubles left out or added, taken back and brought back", async ({ page }) => {
  await addClient(page, "Hedda Foreland", { phone: "0555 0166 001" });
  await page.goto("/clients");
  await page.getByRole("link", { name: "Import from a CSV file" }).click();
  const file = `Customer;Tel.;DOB;Town
Hedda Foreland;0555 0166 001;03/04/1991;Saltmouth
Thorvald Kelp;0555 0166 002;05/06/1987;Sandgate
Juno Kelp;0555 0166 003;07/08/1999;
;0555 0166 004;;
`;
  await page.locator("input[type=file]").setInputFiles({ name: "their list.csv", mimeType: "text/csv", buffer: Buffer.from(file) });
  await expect(page.getByText("3 clients, 1 of them likely here already, 1 row wrong")).toBeVisible();
  await expect(page.getByText("Every date of birth can be read day first or month first.")).toBeVisible();
  const kept = page.getByRole("region", { name: "As they will be kept" });
  await expect(kept.getByRole("row", { name: /Thorvald/ })).toContainText("1987-06-05");
  await page.getByLabel("Dates are written").selectOption("month, day, year");
  await expect(kept.getByRole("row", { name: /Thorvald/ })).toContainText("1987-05-06");
  await page.getByLabel("Other columns").selectOption("left out");
  await expect(kept.getByRole("row", { name: /Thorvald/ })).not.toContainText("Sandgate");
  await expect(page.getByText("Row 5: No name in this row.")).toBeVisible();
  expect(await axeFinds(page)).toEqual([]);
  await page.getByRole("checkbox", { name: /Hedda Foreland/ }).check();
  await page.getByRole("button", { name: "Add 3 clients" }).click();
  await expect(page.getByText("3 clients added, 1 row without a name left out.")).toBeVisible();
  await page.getByRole("button", { name: "Take back their list.csv" }).click();
  await expect(page.getByText("3 taken back.")).toBeVisible();
  await page.goto("/clients?find=kelp");
  await expect(page.getByText("Nobody found by “kelp”")).toBeVisible();
  await page.goto("/clients/import");
  await page.getByRole("button", { name: "Bring back their list.csv" }).click();
  await expect(page.getByText("3 are among the clients again.")).toBeVisible();
  await page.goto("/clients?find=kelp");
  await expect(lines(page)).toHaveCount(2);
  await page.goto("/clients/import");
  await page.locator("input[type=file]").setInputFiles({ name: "picture.csv", mimeType: "text/csv", buffer: Buffer.from([0x50, 0, 1, 2]) });
  await expect(page.getByText("This is not a text file. Save it as CSV first.")).toBeVisible();
});

test("everything about a client is one file; erased, of them no word is left, and their visits still stand", async ({ page }) => {
  const id = await addClient(page, "Sabine Undertow", { phone: "0555 0188 001" });
  await database((db) =>
    db.query(
      `insert into studio.visit (studio_id, id, client_id, technician_id, room_id, chair_id, service, starts_at, minutes, keeps_time)
       select v.studio_id, gen_random_uuid(), $1, v.technician_id, v.room_id, v.chair_id, 'fill', now() - interval '30 days', 60, false from studio.visit v limit 1`,
      [id],
    ),
  );
  await page.reload();
  await page.getByText("The whole record").click();
  const [download] = await Promise.all([page.waitForEvent("download"), page.getByRole("link", { name: "Export everything" }).click()]);
  expect(download.suggestedFilename()).toMatch(/^client-record-\d{4}-\d\d-\d\d\.zip$/);
  await page.getByRole("button", { name: "Erase" }).click();
  const sheet = page.getByRole("dialog", { name: "Erase this client" });
  await expect(sheet.getByLabel("Type the name to erase it")).toBeFocused();
  await sheet.getByLabel("Type the name to erase it").fill("Sabine");
  await sheet.getByRole("button", { name: "Erase for good" }).click();
  await expect(sheet.getByText("That is not the name.")).toBeVisible();
  await sheet.getByLabel("Type the name to erase it").fill("sabine undertow");
  await sheet.getByRole("button", { name: "Erase for good" }).click();
  await expect(page.getByText("The client is erased.")).toBeVisible();
  await expect(page).toHaveURL(/\/clients$/);
  await page.goto(`/clients/${id}`);
  await expect(page.getByRole("heading", { level: 1, name: "Erased client" })).toBeVisible();
  await expect(page.getByText("What happened at the visits, and with which lots, is kept.")).toBeVisible();
  await expect(page.getByRole("list", { name: "Visits, oldest first" }).getByRole("listitem")).toHaveCount(1);
  for (const name of ["Edit", "New map", "Take a survey", "Place a patch test", "Archive"])
    await expect(page.getByText(name, { exact: true })).toHaveCount(0);
  expect(await axeFinds(page)).toEqual([]);
  await page.goto("/studio/audit?what=clients");
  await expect(page.getByRole("row", { name: /erased a client/ })).toContainText("a client who was erased");
});

test("the finder has the cursor in its field, by key and by button, and leads to clients, bottles, protocols, places and what is done", async ({
  page,
}) => {
  await page.goto("/");
  await keysAreHeard(page);
  const finder = page.getByRole("dialog", { name: "Find" });
  const field = finder.getByRole("combobox");
  const open = async () => {
    await page.getByRole("button", { name: "Find" }).click();
    await expect(field).toBeFocused();
  };
  await page.keyboard.press("/");
  await expect(field).toBeFocused();
  await page.keyboard.type("thandeka moor");
  await expect(finder.getByRole("option", { name: "Thandeka Moor" })).toHaveAttribute("aria-selected", "true");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { level: 1, name: "Thandeka Moor" })).toBeVisible();
  await open();
  await page.keyboard.type("slackwater");
  await finder
    .getByRole("option", { name: /Slackwater, lot/ })
    .first()
    .click();
  await expect(page).toHaveURL(/\/shelf#lot-/);
  await open();
  await page.keyboard.type("tint after release");
  await finder
    .getByRole("option", { name: /tint after release/ })
    .first()
    .click();
  await expect(page).toHaveURL(/\/colour\/protocols\//);
  await open();
  await page.keyboard.type("password");
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/\/profile$/);
  await open();
  await page.keyboard.type("book a vis");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("dialog", { name: "Book a visit" })).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(page).toHaveURL(/\/$/);
  await open();
  await page.keyboard.type("nothing called so");
  await expect(finder.getByText("Nobody and nothing by that name.")).toBeVisible();
});

test.describe("a trainee", () => {
  test.use({ who: "pim" });
  test("finds and adds clients, and archives, imports, exports, merges and erases none", async ({ page }) => {
    await page.goto("/clients?show=archived");
    await expect(lines(page).filter({ hasText: "Łucja" })).toBeVisible();
    for (const name of ["Bring back", "Import from a CSV file", "Export these as CSV"]) await expect(page.getByText(name)).toHaveCount(0);
    await page.goto("/clients/import");
    await expect(page.getByText("Clients are read in by a technician.")).toBeVisible();
    await page.goto("/clients?find=thandeka");
    await page.getByRole("link", { name: /Thandeka/ }).click();
    await expect(page.getByRole("heading", { level: 1, name: "Thandeka Moor" })).toBeVisible();
    for (const name of ["Archive", "The whole record"]) await expect(page.getByText(name, { exact: true })).toHaveCount(0);
  });
});
