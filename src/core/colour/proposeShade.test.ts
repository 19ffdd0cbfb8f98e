import { proposeShade } from ".";

const colours: Record<string, string> = { night: "#17151f", brown: "#4a3222", grey: "#3c3d42" };
const last = [
  { productId: "night", parts: 7 },
  { productId: "brown", parts: 3 },
];
const next = (wished: number, came: number, shades = last) => proposeShade(shades, (id) => colours[id] ?? null, wished, came);

test("what came out as wished is mixed again", () => expect(next(2, 2)).toEqual({ colours: last, reason: "same" }));
test("too light: a part more of the darkest; too dark: of the lightest", () => {
  expect(next(2, 3)).toEqual({ colours: [{ productId: "night", parts: 8 }, last[1]], reason: "darker" });
  expect(next(3, 2)).toEqual({ colours: [last[0], { productId: "brown", parts: 4 }], reason: "lighter" });
});
test("one shade alone is not shifted, and no share grows without end", () => {
  expect(next(2, 4, [last[0]!])).toEqual({ colours: [last[0]], reason: "onlyOne" });
  expect(next(2, 4, [{ productId: "night", parts: 20 }, last[1]!]).colours[0]).toEqual({ productId: "night", parts: 20 });
});
