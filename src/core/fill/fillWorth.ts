import type { Side } from "../eye";
import type { Policy } from "../policy";
import type { GapPlan } from "./gapPlan";

/** What is left is worked as a fill, or so little is left that it is planned, timed and priced as a new set. */
export const fillOrNewSet = (
  { left, worn }: { readonly left: number; readonly worn: number },
  { newSetBelowPercent }: Pick<Policy, "newSetBelowPercent">,
): "fill" | "newSet" => (worn > 0 && left < (worn * newSetBelowPercent) / 100 ? "newSet" : "fill");

/** Minutes a fill takes: extensions taken off, and its gaps placed at a hand's own pace, seconds a lash on that eye. */
export function fillMinutes(
  gaps: Pick<GapPlan, "spots">,
  toTakeOff: number,
  pace: (side: Side, isFan: boolean) => number,
  { removalSeconds }: Pick<Policy, "removalSeconds">,
): { readonly off: number; readonly place: number } {
  const placeS = gaps.spots.reduce((sum, { side, isFan, planned }) => sum + planned * pace(side, isFan), 0);
  return { off: Math.round((toTakeOff * removalSeconds) / 60), place: Math.round(placeS / 60) };
}
