import { studioRetention } from "@/core/retention/studioRetention";
import { simulatedFills, type Truth } from "../support/simulatedStudio";

// Studios drawn by the model, the truth known: what is told must hold, and where nothing matters nothing is to be found.
// The long form, with more studios, is `npm run bench -- retention`.
const SUPPOSED = { cycle: { mean: 90, sd: 5 }, bareBelowSd: 4 };
const STUDIOS = 40;
const EFFECTS = { humidity: { dry: 0.55 }, bottleAge: { old: 0.4 }, sleepsOn: { side: 0.5 } };

function studios(truth: Omit<Truth, "seed" | "cycleDays">) {
  const sum = { told: 0, held: 0, found: 0, falsely: 0, anything: 0, foundOf: new Map<string, number>() };
  for (let seed = 1; seed <= STUDIOS; seed++) {
    const { factors } = studioRetention(simulatedFills({ ...truth, cycleDays: null, seed: seed * 7919 }), {
      supposed: SUPPOSED,
      nameOf: (_, id) => id,
    });
    let here = 0;
    for (const one of factors) {
      if (one.kind === "silent") continue;
      const { id } = one.factor;
      for (const { level, low, high } of one.effects) {
        const of = (levelId: string) => truth.effects[id]?.[levelId] ?? 0;
        const ratio = Math.exp(of(level.id) - of(one.reference.id));
        sum.told += 1;
        if (low <= ratio && ratio <= high) sum.held += 1;
      }
      if (!one.isFound) continue;
      here += 1;
      sum.foundOf.set(id, (sum.foundOf.get(id) ?? 0) + 1);
      if (!truth.effects[id]) sum.falsely += 1;
    }
    sum.found += here;
    if (here > 0) sum.anything += 1;
  }
  return sum;
}

test("120 fills of 30 clients, visits with a noise of their own: intervals hold, what matters is found, little is false", () => {
  const { told, held, found, falsely, foundOf } = studios({ fills: 120, clients: 30, effects: EFFECTS, clientSd: 0.35, visitSd: 0.2 });
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
