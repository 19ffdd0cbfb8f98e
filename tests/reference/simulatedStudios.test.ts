import { tallyStudios, type Truth } from "../support/simulatedStudio";

// Studios drawn by the model, the truth known: what is told must hold, and where nothing matters nothing is to be found.
// The long form, with more studios, is `npm run bench -- retention`.
const STUDIOS = 40;
const EFFECTS = { humidity: { dry: 0.55 }, bottleAge: { old: 0.4 }, sleepsOn: { side: 0.5 } };
const studios = (truth: Omit<Truth, "seed" | "cycleDays">) => tallyStudios(truth, STUDIOS);

test("120 fills of 30 clients, visits with a noise of their own: intervals hold, what matters is found, little is false", () => {
  const { visit, client, found, falsely, foundOf } = studios({ fills: 120, clients: 30, effects: EFFECTS, clientSd: 0.35, visitSd: 0.2 });
  const [told, held] = [visit.told + client.told, visit.held + client.held];
  expect(told).toBeGreaterThan(600);
  // About 900 intervals: 95 % of them, three standard deviations either way, and as clients' columns of one studio go together.
  expect(held / told).toBeGreaterThan(0.92);
  expect(held / told).toBeLessThan(0.98);
  expect(foundOf.get("humidity")).toBeGreaterThan(0.95 * STUDIOS);
  expect(foundOf.get("bottleAge")).toBeGreaterThan(0.9 * STUDIOS);
  expect(falsely / found).toBeLessThan(0.15);
});
test("nothing matters: hardly a studio in which anything is found", () => {
  const { anything } = studios({ fills: 120, clients: 30, effects: {}, clientSd: 0.35, visitSd: 0.2 });
  expect(anything).toBeLessThanOrEqual(0.2 * STUDIOS);
});
