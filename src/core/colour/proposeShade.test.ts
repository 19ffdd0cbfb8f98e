import fc from "fast-check";
import { DEPTHS, PROCESS_PRIORS, blendShades, depthOf, hairColour, onHair, proposeShade, stillOff, type ShadeParts } from ".";

const shelf = new Map([
  ["night", "#17151f"],
  ["brown", "#4a3222"],
  ["grey", "#3c3d42"],
]);
const last = [
  { productId: "night", parts: 3 },
  { productId: "brown", parts: 3 },
];
const next = (off: number, shades: readonly ShadeParts[] = last, from: ReadonlyMap<string, string> = shelf) =>
  proposeShade(shades, from, { off, fromDepth: 5, taken: 0.9 });
const depth = (shades: readonly ShadeParts[], taken = 0.9) =>
  depthOf(onHair(blendShades(shades.map(({ productId, parts }) => ({ colour: shelf.get(productId)!, parts }))), hairColour(5), taken));

describe("where a colour lies on the scale of depth", () => {
  test("each drawn depth lies on its own step", () => {
    for (const { depth: step, hex } of DEPTHS) expect(depthOf(hex)).toBeCloseTo(step, 9);
  });
  test("darker is less, past both ends too, whatever the hue", () => {
    expect(depthOf("#000000")).toBeLessThan(1);
    expect(depthOf("#ffffff")).toBeGreaterThan(10);
    const hues = ["#102030", "#305070", "#6080a0", "#a0b0c0"].map(depthOf);
    expect([...hues].sort((a, b) => a - b)).toEqual(hues);
  });
});

test("what came out as wished, or near it, is mixed again", () => {
  for (const off of [0, 0.9, -0.9]) expect(next(off)).toEqual({ colours: last, reason: "same", change: null, movedBy: 0 });
});
test("too light: the blend gets darker by about what was missed; too dark: lighter", () => {
  const darker = next(1);
  expect(darker.reason).toBe("darker");
  expect(darker.movedBy).toBeCloseTo(depth(darker.colours) - depth(last), 9);
  expect(darker.movedBy).toBeLessThan(-0.25);
  const lighter = next(-1);
  expect(lighter.reason).toBe("lighter");
  expect(lighter.movedBy).toBeGreaterThan(0.25);
});
test("a shade alone is moved by another from the shelf; where the shelf has none that helps, that is said", () => {
  const brown = [{ productId: "brown", parts: 2 }];
  const { change, colours } = next(2, brown);
  expect(change).toMatchObject({ productId: "night", from: 0 });
  expect(colours).toHaveLength(2);
  expect(next(2, brown, new Map([["brown", "#4a3222"]]))).toMatchObject({ reason: "none", colours: brown });
  expect(next(3, [{ productId: "night", parts: 2 }])).toMatchObject({ reason: "none" });
});
test("always nearer the wish by its own model, within what a recipe may hold, and one shade changed", () => {
  const shades = fc
    .uniqueArray(fc.constantFrom("night", "brown", "grey"), { minLength: 1, maxLength: 3 })
    .chain((ids) =>
      fc.tuple(...ids.map((productId) => fc.record({ productId: fc.constant(productId), parts: fc.integer({ min: 1, max: 20 }) }))),
    );
  fc.assert(
    fc.property(shades, fc.double({ min: -4, max: 4, noNaN: true }), (was, off) => {
      const { colours, change, movedBy, reason } = next(off, was as ShadeParts[]);
      if (!change) return expect(colours).toEqual(was);
      expect(Math.abs(off + movedBy)).toBeLessThan(Math.abs(off));
      expect(reason).toBe(off > 0 ? "darker" : "lighter");
      expect(colours.length).toBeGreaterThan(0);
      expect(colours.every(({ parts }) => parts > 0 && parts <= 20)).toBe(true);
      const partsOf = (list: readonly ShadeParts[], id: string) => list.find(({ productId }) => productId === id)?.parts ?? 0;
      const changed = [...shelf.keys()].filter((id) => partsOf(colours, id) !== partsOf(was as ShadeParts[], id));
      expect(changed).toEqual([change.productId]);
    }),
    { seed: 21, numRuns: 60 },
  );
});

describe("what the same shades would miss", () => {
  const prior = PROCESS_PRIORS.tint;
  const last = { from: 6, came: 4, minutes: 5 };
  test("lying as long as last time it is what last time missed", () => {
    expect(stillOff(last, { from: 6, wished: 2, minutes: 5 }, prior)).toBeCloseTo(2, 12);
    expect(stillOff(last, { from: 6, wished: 4, minutes: 5 }, prior)).toBeCloseTo(0, 12);
  });
  test("longer takes more, by the curve of the product; what does not lie changes nothing", () => {
    // Derived: a share 1 − e^(−rate·t) is taken; two steps in 5 min are 2·(1 − e^(−10·rate))/(1 − e^(−5·rate)) in 10.
    const share = (minutes: number) => 1 - Math.exp(-prior.rate.median * minutes);
    expect(stillOff(last, { from: 6, wished: 2, minutes: 10 }, prior)).toBeCloseTo(4 - (2 * share(10)) / share(5), 12);
    expect(stillOff(last, { from: 6, wished: 2, minutes: 0 }, prior)).toBeCloseTo(4, 12);
    expect(stillOff({ ...last, minutes: 0 }, { from: 6, wished: 2, minutes: 9 }, prior)).toBeCloseTo(2, 12);
  });
  test("darker hair today comes out darker", () => expect(stillOff(last, { from: 5, wished: 2, minutes: 5 }, prior)).toBeCloseTo(1, 12));
});
