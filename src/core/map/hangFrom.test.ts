import { hangFrom } from "./hangFrom";

type Args = Parameters<typeof hangFrom>;
const LIMITS: Args[2] = { stepMm: 5, outerDropMm: -Infinity };

/** What a squirrel hangs from over two zones of each eye: the first at its peak with 10 alone, the second so much lower with 11 too. */
function hung(secondDropMm: number) {
  const zone = (lengths: readonly number[]) => ({
    corner: false,
    byLash: false,
    weight: 1,
    limit: { usualMm: 8 },
    choices: lengths.map((lengthMm) => ({ lengthMm, belowMm: 0 })),
  });
  const zones = { right: [zone([10]), zone([10, 11])], left: [zone([10]), zone([10, 11])] };
  const drops = { right: [0, secondDropMm], left: [0, secondDropMm] };
  const wish = { look: "squirrel", school: { id: "equal", zones: 2 }, longestMm: null, coupling: "mirrored" };
  return hangFrom({ wish, drops, stocked: [10, 11] } as unknown as Args[0], zones as unknown as Args[1], LIMITS);
}

test("the peak is where the look lies within half a millimetre of its longest, and the look hangs from what is reached there (a model of this product)", () => {
  expect(hung(0.4)).toMatchObject({ longestMm: { right: 11, left: 11 }, peak: { right: [true, true] } });
  expect(hung(0.6)).toMatchObject({ longestMm: { right: 10, left: 10 }, peak: { right: [true, false] } });
});
