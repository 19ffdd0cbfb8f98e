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
  // The link stood below the fold, and a page that is in view already is not scrolled to.
  await page.evaluate(() => window.scrollTo(0, 0));
}
const settle = (page) => page.waitForTimeout(700);

const tapAt = (visitId, minutesAgo, type, payload) => ({
  id: crypto.randomUUID(),
  visitId,
  at: new Date(Date.now() - minutesAgo * 60_000).toISOString(),
  clock: "checked",
  type,
  payload,
});

/** The last answers, confirmed for today. */
async function confirmAnswers(page) {
  await page.getByRole("button", { name: /nothing changed$/ }).click();
  await page.getByText(/^Answered today/).waitFor();
}

/** A visit brought to the chair, begun a while ago, with its second bead out; taps are handed in as a tablet would, `sinceMin` earlier. */
async function toTheChair(page, name, sinceMin = 0) {
  // What an earlier picture left running would hang over this one.
  const { visits } = await (await page.request.get("/api/visits/running")).json();
  for (const { id } of visits) await page.request.post("/api/visits/events", { data: { events: [tapAt(id, 0, "finished", {})] } });
  await openMap(page, name);
  await page.getByRole("button", { name: "To the chair" }).click();
  // Where something is booked at this hour, it is said first.
  const warned = page.getByRole("dialog").getByRole("button", { name: "To the chair" });
  await Promise.race([page.waitForURL(/\/visits\//), warned.click().then(() => page.waitForURL(/\/visits\//))]);
  await confirmAnswers(page);
  const visitId = page.url().split("/").pop();
  // Once the air is known the bottle that fits it stands chosen.
  await page
    .getByText(/Sets in \d/)
    .first()
    .waitFor();
  const bottleId = await page.getByLabel("Adhesive").inputValue();
  const air = { temperatureC: 21.6, relativeHumidity: 0.45 };
  const tap = (...of) => tapAt(visitId, ...of);
  const bead = { lifeS: 900, air, bottleId };
  const events = [
    tap(34 + sinceMin, "started", { bottleId, air }),
    tap(19 + sinceMin, "beadPlaced", bead),
    tap(4.3 + sinceMin, "beadPlaced", bead),
  ];
  const answer = await page.request.post("/api/visits/events", { data: { events } });
  if (!answer.ok()) throw new Error(`The taps were not kept: ${await answer.text()}`);
  await page.reload();
  await page.getByTestId("big-clock").first().waitFor();
}

const PACE_S = 21;
/** Lashes handed in one after the other as the screen at the bed proposes them, as if they had been placed at a steady pace until now. */
async function placeLashes(page, count) {
  const visitId = page.url().split("/").pop();
  const shown = () =>
    page.locator("[data-placed]").evaluateAll((zones) => zones.reduce((sum, zone) => sum + Number(zone.dataset.placed), 0));
  for (let i = 0; i < count; i++) {
    const [side, layer, zone, piece] = (await page.getByTestId("next-lash").getAttribute("data-spot")).split(" ");
    const spot = { side, layer: Number(layer), zone: Number(zone), piece: Number(piece), n: 1 };
    const event = tapAt(visitId, ((count - i) * PACE_S) / 60, "lashPlaced", spot);
    await page.request.post("/api/visits/events", { data: { events: [event] } });
    while ((await shown()) <= i) await page.waitForTimeout(20);
  }
}

async function openPlan(page, name) {
  await page.goto("/colour");
  await page.getByRole("link", { name }).first().click();
  await page.waitForURL(/\/visits\//);
  await page.getByRole("button", { name: "Go by this plan" }).waitFor();
}
/** A plan gone by, and taps handed in as a tablet would have made them. */
async function toTheRun(page, name, taps) {
  await openPlan(page, name);
  await confirmAnswers(page);
  const why = page.getByLabel("Why it goes ahead");
  if (await why.count()) await why.fill("lenses are out, in their case");
  await page.getByRole("button", { name: "Go by this plan" }).click();
  await page.getByTestId("run-now").waitFor();
  const visitId = page.url().split("/").pop();
  const answer = await page.request.post("/api/visits/events", { data: { events: taps((...tap) => tapAt(visitId, ...tap)) } });
  if (!answer.ok()) throw new Error(`The taps were not kept: ${await answer.text()}`);
  await page.reload();
  await page.getByTestId("run-now").waitFor();
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
    name: "consultation",
    width: 834,
    height: 1112,
    take: async (page) => {
      await page.goto("/");
      await page.getByRole("button", { name: /Petra/ }).first().click();
      await page.getByRole("dialog").getByRole("link", { name: "Open the visit" }).click();
      await page.getByRole("link", { name: "Hand it to the client" }).click();
      await page.getByRole("button", { name: "Hand it over" }).click();
      await page.waitForURL(/\/consult\//);
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
      await page.getByRole("radio", { name: "on the pad" }).click();
      await page.locator("[data-zone=right-3]").click();
      await settle(page);
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
    name: "clients",
    take: async (page) => {
      await page.goto("/clients?show=due");
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
    name: "people",
    take: async (page) => {
      await page.goto("/studio/people");
      await page.getByRole("button", { name: "Invite someone" }).click();
      await page.getByLabel("Name").fill("Wren Ashdown");
      await page.getByLabel(/^E-mail/).fill("wren@tideroom.example");
      await page.getByRole("button", { name: "Make the link" }).click();
      await page.getByRole("button", { name: "Done" }).click();
      await page.getByRole("button", { name: "Change Pim Arkwell" }).click();
      await page.getByRole("button", { name: "Deactivate…" }).click();
      await page.getByRole("button", { name: "Deactivate Pim Arkwell" }).click();
      await page.getByRole("region", { name: "Deactivated" }).waitFor();
      await settle(page);
    },
  },
  {
    name: "colour-plan",
    take: async (page) => {
      await openPlan(page, /Marigold/);
      await settle(page);
    },
  },
  {
    name: "colour-run-lamp",
    theme: "lamp",
    who: "jossa",
    take: async (page) => {
      await toTheRun(page, /Ysolde/, (tap) => [
        tap(9, "taskDone", { stepId: "cleanse" }),
        tap(6.5, "pasteMixed", {
          stepId: "lighten",
          lines: [{ productId: crypto.randomUUID(), batchId: crypto.randomUUID(), amount: 1, unit: "g", grams: 1 }],
          peroxide: { low: 0.02, mid: 0.02, high: 0.02, known: true },
          lifeS: 600,
          leftoverG: 0,
          cost: null,
        }),
        tap(6.2, "coated", { stepId: "lighten", area: "browRight" }),
        tap(5.6, "coated", { stepId: "lighten", area: "browLeft" }),
        tap(4.1, "looked", { stepId: "lighten", area: "browRight", depth: 3 }),
        tap(3.5, "looked", { stepId: "lighten", area: "browLeft", depth: 4 }),
        tap(2.0, "looked", { stepId: "lighten", area: "browRight", depth: 4 }),
      ]);
      await settle(page);
    },
  },
  {
    name: "placing",
    theme: "lamp",
    take: async (page) => {
      await toTheChair(page, /Ottilie/);
      await placeLashes(page, 88);
      await settle(page);
    },
  },
  {
    name: "fill",
    take: async (page) => {
      // Somebody whose visit of today no other picture takes.
      await openClient(page, /Calla/);
      await page.locator('a[href^="/visits/"]').last().click();
      await page.getByRole("button", { name: /last time/ }).click();
      await confirmAnswers(page);
      await page.getByRole("button", { name: "Begin the visit" }).click();
      const counts = page.getByRole("button", { name: /^What is left/ });
      await counts.waitFor();
      const left = page.getByRole("group", { name: "How many are left" }).getByRole("button");
      for (let i = 0; !/(\d+) of \1\b/.test(await counts.innerText()) && i < 60; i++) {
        if (i === 4) await page.getByRole("button", { name: "Of them twisted, one more" }).click();
        await left.nth(Math.round((await left.count()) * (0.5 + 0.2 * Math.abs(Math.sin(i))))).click();
        await page.waitForTimeout(120);
      }
      await page.getByRole("button", { name: /^The gaps/ }).click();
      await settle(page);
    },
  },
  {
    name: "retention",
    take: async (page) => {
      await page.goto("/retention");
      await page.getByRole("button", { name: /^Look at/ }).click();
      await page.getByRole("heading", { name: "In words" }).waitFor();
      await settle(page);
    },
  },
  {
    name: "cure",
    theme: "lamp",
    take: async (page) => {
      await toTheChair(page, /Hesper/);
      await page.getByRole("button", { name: "dry", exact: true }).click();
      await page.getByTestId("eyes-clock").waitFor();
      await settle(page);
    },
  },
  {
    name: "tidy",
    take: async (page) => {
      await toTheChair(page, /Imke/, 12);
      const visitId = page.url().split("/").pop();
      const tap = (...of) => tapAt(visitId, ...of);
      const looks = [
        ["mirror", null, 0],
        ["stickies", "right", 2],
        ["stickies", "left", 1],
        ...["freeOfPad", "bluntTool", "stuck"].flatMap((what) => ["right", "left"].map((side) => [what, side, 0])),
        ["sting", null, 0],
        ["word", null, 0],
      ].map(([what, side, found], i) => tap(10 - i / 2, "inspected", { what, side, found }));
      const steps = (minutesAgo, ...ids) => ids.map((stepId) => tap(minutesAgo, "stepDone", { stepId }));
      const events = [
        ...steps(33, "aired", "hands", "gloves", "lenses", "cleanse-lashes", "cleanse-below", "rinse"),
        ...steps(32, "pads", "lower-lashes", "in-the-eye", "eyes-closed", "map-on-pads", "in-the-eye-again"),
        tap(32, "workedWith", { of: "dip", is: "oneMm" }),
        tap(19, "checked", { off: null, of: null }),
        tap(14, "beadWiped", {}),
        tap(13.5, "checked", { off: 1, of: 30 }),
        tap(11, "finishApplied", { method: "fan" }),
        ...looks,
        ...steps(5, "pads-off"),
        tap(4.5, "finished", {}),
        ...steps(4, "card", "single-use", "linen"),
        tap(2.6, "soakStarted", { contactS: 600, batchId: null }),
      ];
      await page.request.post("/api/visits/events", { data: { events } });
      await page.reload();
      await page.getByRole("list", { name: "Order of work" }).waitFor();
      await settle(page);
      // With the next visit booked it stands there already.
      if ((await page.getByTestId("soak-clock").count()) === 0) await page.getByRole("button", { name: /^Tidy/ }).click();
      await page.getByTestId("soak-clock").waitFor();
      await settle(page);
    },
  },
];
