import { readFile } from "node:fs/promises";

async function openClient(page, name) {
  await page.goto("/clients");
  await page.getByRole("main").getByRole("link", { name }).click();
  await page.waitForURL(/\/clients\/[0-9a-f-]{36}$/);
}
async function openMap(page, name) {
  await openClient(page, name);
  await page.locator('main a[href*="/map/"]').first().click();
  await page.waitForURL(/\/map\//);
  await page.locator("[data-zone=right-1]").waitFor();
}
const settle = (page) => page.waitForTimeout(700);

/** A visit brought to the chair, begun a while ago, with its second bead out; taps are handed in as a tablet would. */
async function toTheChair(page, name) {
  await openMap(page, name);
  await page.getByRole("button", { name: "To the chair" }).click();
  await page.waitForURL(/\/visits\//);
  const visitId = page.url().split("/").pop();
  // Once the air is known the bottle that fits it stands chosen.
  await page
    .getByText(/Sets in \d/)
    .first()
    .waitFor();
  const bottleId = await page.getByLabel("Adhesive").inputValue();
  const air = { temperatureC: 21.6, relativeHumidity: 0.45 };
  const tap = (minutesAgo, type, payload) => ({
    id: crypto.randomUUID(),
    visitId,
    at: new Date(Date.now() - minutesAgo * 60_000).toISOString(),
    clock: "checked",
    type,
    payload,
  });
  const bead = { lifeS: 900, air, bottleId };
  const events = [tap(34, "started", { bottleId, air }), tap(19, "beadPlaced", bead), tap(4.3, "beadPlaced", bead)];
  const answer = await page.request.post("/api/visits/events", { data: { events } });
  if (!answer.ok()) throw new Error(`The taps were not kept: ${await answer.text()}`);
  await page.reload();
  await page.getByTestId("clock-bead").first().waitFor();
}

/** The pictures of docs/screenshots/: a name, who is signed in, and the way there. Returning a PDF pictures its page. */
export const shots = [
  {
    name: "today",
    take: async (page) => {
      await page.goto("/");
      await settle(page);
    },
  },
  {
    name: "client",
    take: async (page) => {
      await openClient(page, /Ottilie/);
      await settle(page);
    },
  },
  {
    name: "survey",
    take: async (page) => {
      await openClient(page, /Hesper/);
      await page
        .getByRole("link", { name: /survey/i })
        .first()
        .click();
      await page.waitForURL(/\/survey$/);
      await settle(page);
    },
  },
  {
    name: "map",
    take: async (page) => {
      await openMap(page, /Ottilie/);
      await page.locator("[data-zone=right-7]").click();
      await page.keyboard.press("ArrowUp");
      await page.keyboard.press("ArrowUp");
      await settle(page);
    },
  },
  {
    name: "map-bed-head",
    take: async (page) => {
      await openMap(page, /Bronagh/);
      await page.keyboard.press("b");
      await settle(page);
    },
  },
  {
    name: "measuring",
    take: async (page) => {
      await openClient(page, /Ottilie/);
      await page.goto(`${page.url()}/survey/pictures`);
      await page.getByTestId("board").waitFor();
      await settle(page);
    },
  },
  {
    name: "layers",
    take: async (page) => {
      await openMap(page, /Leïla/);
      await page.getByRole("radio", { name: "accents" }).click();
      await page.getByRole("radio", { name: "layers", exact: true }).click();
      await page.locator("[data-zone=right-3]").click();
      await settle(page);
    },
  },
  {
    name: "fibre",
    take: async (page) => {
      await openMap(page, /Ottilie/);
      await page.locator("[data-zone=right-6]").click();
      await page.getByRole("radio", { name: "fibre", exact: true }).click();
      await settle(page);
      await page.getByText("Weighs the same").scrollIntoViewIfNeeded();
      await settle(page);
    },
  },
  {
    name: "compare",
    take: async (page) => {
      await openMap(page, /Bronagh/);
      await page.getByRole("radio", { name: "doll" }).click();
      await page.waitForTimeout(400);
      await page.getByRole("radio", { name: "saves", exact: true }).click();
      await page.getByRole("button", { name: "Compare" }).first().click();
      await settle(page);
    },
  },
  {
    name: "brief",
    take: async (page) => {
      await openMap(page, /Leïla/);
      const [download] = await Promise.all([page.waitForEvent("download"), page.getByRole("button", { name: "Trolley brief" }).click()]);
      return readFile(await download.path());
    },
  },
  {
    name: "pad-strip",
    take: async (page) => {
      await openMap(page, /Ottilie/);
      await page.keyboard.press("b");
      const [download] = await Promise.all([page.waitForEvent("download"), page.getByRole("button", { name: "Pad strip" }).click()]);
      return readFile(await download.path());
    },
  },
  {
    name: "air",
    take: async (page) => {
      await page.goto("/air");
      await page.locator('[data-bottle="DW 1184"] button').first().click();
      await settle(page);
    },
  },
  {
    name: "air-history",
    take: async (page) => {
      await page.goto("/air?sheet=history");
      await page.locator('[data-panel="humidity"]').waitFor();
      await settle(page);
    },
  },
  {
    name: "set-times",
    take: async (page) => {
      await page.goto("/air?sheet=glue");
      await page.getByRole("region", { name: "Set times" }).waitFor();
      await settle(page);
    },
  },
  {
    name: "shelf",
    take: async (page) => {
      await page.goto("/shelf");
      await settle(page);
    },
  },
  {
    name: "studio",
    take: async (page) => {
      await page.goto("/studio");
      await settle(page);
    },
  },
  {
    name: "chair",
    theme: "lamp",
    take: async (page) => {
      await toTheChair(page, /Ottilie/);
      await settle(page);
    },
  },
  {
    name: "cure",
    theme: "lamp",
    take: async (page) => {
      await toTheChair(page, /Hesper/);
      await page.getByRole("button", { name: "Dry and finish" }).click();
      await page.getByTestId("eyes-clock").waitFor();
      await settle(page);
    },
  },
];
