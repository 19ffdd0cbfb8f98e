import { SIDES, type Side } from "../eye";
import { meanCount } from "../lash";
import type { PlacementPlan } from "./placementPlan";
import { spotKey, type PlacingWork } from "./work";

export type UsedOnEye = { readonly extensions: number; readonly strips: number };

/**
 * What was taken from the strips for each eye, what was set anew along with it: who evens eyes by counting compares these.
 * `perStrip` is how many fibres of a diameter (mm) stand on one strip.
 */
export function usedPerEye(
  plan: PlacementPlan,
  { lashes, redone }: Pick<PlacingWork, "lashes" | "redone">,
  perStrip: (diameterMm: number) => number,
): Readonly<Record<Side, UsedOnEye>> {
  const fibres = new Map(plan.spots.map((spot) => [spotKey(spot), spot.fibre]));
  const of = (side: Side): UsedOnEye =>
    [...lashes, ...redone].reduce(
      (sum, taken) => {
        if (taken.side !== side) return sum;
        const fibre = fibres.get(spotKey(taken));
        const strips = fibre ? (taken.n * meanCount(fibre)) / perStrip(fibre.diameterMm) : 0;
        return { extensions: sum.extensions + taken.n, strips: sum.strips + strips };
      },
      { extensions: 0, strips: 0 },
    );
  const [right, left] = SIDES.map(of) as [UsedOnEye, UsedOnEye];
  return { right, left };
}
