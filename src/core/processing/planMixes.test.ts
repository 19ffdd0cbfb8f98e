import type { Mix, Product, Recipe } from "../mixing";
import { defaultPolicy } from "../policy";
import { shippedProtocols } from "../protocol";
import { planMixes, type RunPlan } from ".";

const product = (over: Partial<Product> & Pick<Product, "kind" | "name">): Product => ({
  version: 1,
  colour: null,
  peroxide: null,
  densityGMl: 1,
  dropsPerGram: 20,
  nozzleMm: 5,
  ready: null,
  consistency: "cream",
  lifeAfterOpeningDays: null,
  packG: null,
  packPrice: null,
  ...over,
});
const shelf = new Map([
  ["shade", product({ kind: "tint", name: "shade", colour: "#332211" })],
  ["bleach", product({ kind: "lightener", name: "bleach" })],
  ["three", product({ kind: "developer", name: "three", peroxide: 0.03 })],
]);
const recipe = (over: Partial<Recipe> = {}): Recipe => ({
  colours: [{ productId: "shade", parts: 1 }],
  colourAmount: 1,
  colourUnit: "g",
  developers: [{ productId: "three", parts: 1 }],
  developerAmount: 2,
  developerUnit: "g",
  ...over,
});
const plan = (over: Partial<RunPlan> = {}): Pick<RunPlan, "protocol" | "areas" | "density" | "recipes"> => ({
  protocol: shippedProtocols.lashBrowTint(defaultPolicy),
  areas: ["lashRight", "lashLeft", "browRight", "browLeft"],
  density: "usual",
  recipes: { "tint-lashes": recipe(), "tint-brows": recipe() },
  ...over,
});
const objections = (over: Partial<RunPlan>, limit = 0.02) =>
  planMixes(plan(over), shelf, limit).map(({ stepId, objection }) => [stepId, objection]);

// Handbook of the trade: 3 % at 1:2 by weight is 2.0 % in the mix, the most for lashes; common practice, the regulation from memory.
test("at the lash limit it may be mixed, over it not, and the same on brows is the leaflet's business", () => {
  expect(objections({})).toEqual([
    ["tint-lashes", null],
    ["tint-brows", null],
  ]);
  const strong = recipe({ developerAmount: 2.5 });
  const [lashes, brows] = objections({ recipes: { "tint-lashes": strong, "tint-brows": strong } });
  expect(lashes![1]).toMatch(/: 2\.1\s% peroxide in the mix, over the 2\.0\s% for lashes/);
  expect(brows![1]).toBeNull();
});
test("the studio's own lower limit is the one that stops", () => {
  expect(objections({}, 0.015)[0]![1]).toMatch(/2\.0\s% peroxide in the mix, over the 1\.5\s%/);
});
test("lightener for lashes, and what is not on the shelf, are named with their step", () => {
  expect(objections({ recipes: { "tint-lashes": recipe({ colours: [{ productId: "bleach", parts: 1 }] }) } })[0]![1]).toMatch(
    /: Lightener is never mixed for lashes/,
  );
  expect(objections({ recipes: { "tint-brows": recipe({ developers: [{ productId: "gone", parts: 1 }] }) } })).toEqual([
    ["tint-brows", expect.stringMatching(/: A product of this recipe is no longer on the shelf/)],
  ]);
});
test("brows left out are not mixed for, and keep nobody from tinting lashes", () => {
  expect(objections({ areas: ["lashRight", "lashLeft"] })).toEqual([["tint-lashes", null]]);
  expect(objections({ areas: ["browLeft"] })).toEqual([["tint-brows", null]]);
});
test("each mix is scaled to its own areas: a brow left out takes its share away", () => {
  const grams = (areas: RunPlan["areas"]) =>
    planMixes(plan({ areas }), shelf, 0.02).map(({ mix }) => ("lines" in mix ? Math.round(mix.grams.mid * 100) / 100 : null));
  const [lashes, brows] = grams(["lashRight", "lashLeft", "browRight", "browLeft"]);
  expect(grams(["lashRight", "lashLeft", "browRight"])).toEqual([lashes, brows! / 2]);
});

test("a leaflet's figure for its mix counts only while no more developer goes in than each shade's leaflet says", () => {
  const ready = (developerParts: number) => ({ developerParts, peroxide: 0.015 });
  // Drops nobody has counted: only the leaflets can say what is in the mix.
  const products = new Map([
    ["one", product({ kind: "tint", name: "one", colour: "#332211", ready: ready(1) })],
    ["two", product({ kind: "tint", name: "two", colour: "#221100", ready: ready(2) })],
    ["three", product({ kind: "developer", name: "three", peroxide: 0.03, dropsPerGram: null })],
  ]);
  const known = (developerAmount: number) => {
    const typed = recipe({
      colours: [
        { productId: "one", parts: 1 },
        { productId: "two", parts: 1 },
      ],
      colourAmount: 2,
      developerAmount,
      developerUnit: "drops",
    });
    const [first] = planMixes(plan({ areas: ["lashRight", "lashLeft"], recipes: { "tint-lashes": typed } }), products, 0.02);
    return (first!.mix as Mix).peroxide.known;
  };
  // Twenty drops are about a gram: 1 part to 2 is under both leaflets, 3 to 2 over the first one's.
  expect([known(20), known(60)]).toEqual([true, false]);
});
