import { mostCount, type Fibre } from "../lash";
import { loadIndex } from "../load";
import { GROWING_ALLOWANCE } from "../map";
import type { Policy } from "../policy";

/**
 * How far out an attachment must have moved for the load of its fibre to be one to stop at on a growing lash, mm: red, raised
 * for growing lashes. 0 where it is one to stop at even at rest; null where no growth that is left reaches it.
 * The moment rises evenly with the lever, so that one line finds it.
 */
export function stopsAtMm(
  fibre: Pick<Fibre, "lengthMm" | "diameterMm" | "shape" | "count" | "countTo">,
  naturalDiameterMm: number,
  growthLeftMm: number,
  { attachmentOffsetMm, loadRed }: Pick<Policy, "attachmentOffsetMm" | "loadRed">,
): number | null {
  const heaviest = { ...fibre, count: mostCount(fibre) };
  const load = (movedMm: number) => loadIndex(heaviest, naturalDiameterMm, attachmentOffsetMm + movedMm);
  const resting = load(0);
  if (resting >= loadRed) return 0;
  const at = Math.max(0, (loadRed * GROWING_ALLOWANCE - resting) / (load(1) - resting));
  return at <= growthLeftMm ? at : null;
}
