import { usualSurvey } from "../eye";
import { planCuts } from "./planCuts";
import type { Layer } from "./schema";

// When a look is said not to be there: models of this product, told at their edges.
const FIVE = [0, 0.2, 0.4, 0.6, 0.8, 1];
const fibre = { curl: "C", diameterMm: 0.15, shape: "round", count: 1 } as const;
type Planned = Parameters<typeof planCuts>[0];

/** Both eyes in five zones of these lengths, under a cat that lies so far below its longest at each; no corners. */
function lookSaid(lengths: readonly number[], drops: readonly number[]) {
  const layer: Layer = { role: "base", boundaries: [...FIVE], zones: lengths.map((lengthMm) => ({ ...fibre, lengthMm })) };
  const zones = FIVE.slice(1).map((to, i) => ({ from: FIVE[i]!, to, corner: false }));
  const planned = {
    survey: usualSurvey(),
    wish: { title: "", look: "cat", school: { id: "equal", zones: 5 }, fibre, longestMm: null, coupling: "mirrored" },
    zones: { right: zones, left: zones },
    layers: { right: [layer], left: [layer] },
    peak: { right: [], left: [] },
    dropOver: (_: unknown, from: number) => drops[FIVE.indexOf(from)]!,
  } as unknown as Planned;
  return planCuts(planned).find(({ wish }) => wish === "look") ?? null;
}

test("as long at a place as at its peak is a look not seen, once the look lies over 1.5 mm lower there", () => {
  expect(lookSaid([9, 11, 10, 11, 9], [3, 1.4, 1, 0, 2])).toBeNull();
  expect(lookSaid([9, 11, 10, 11, 9], [3, 1.6, 1, 0, 2])).toMatchObject({
    look: "cat",
    where: [
      { side: "right", zones: [1, 3] },
      { side: "left", zones: [1, 3] },
    ],
  });
});

test("the longest may lie beside the peak, up to a millimetre of the look below it", () => {
  expect(lookSaid([9, 9, 11, 10, 9], [3, 2, 0.9, 0, 2])).toBeNull();
  expect(lookSaid([9, 9, 11, 10, 9], [3, 2, 1.1, 0, 2])).toMatchObject({ where: [{ zones: [2] }, { zones: [2] }] });
});
