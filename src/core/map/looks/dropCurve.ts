import { interpolateMonotone } from "../../eye/interpolate";
import type { Landmarks } from "../../eye/survey";
import type { Look } from "./look";

/**
 * The look on one eye: mm below the longest fibre at a place of the lash line. Handles are put in order of place, so
 * that unusual landmarks (a brow peak past a fixed handle) still give a curve.
 */
export function dropCurve(look: Pick<Look, "handles">, landmarks: Landmarks): (at: number) => number {
  const handles = lookHandles(look, landmarks);
  return interpolateMonotone(
    handles.map((handle) => handle.at),
    handles.map((handle) => handle.dropMm),
  );
}

/** The handles of a look on one eye, in order of place: what is bent when a look is bent by hand. */
export function lookHandles({ handles }: Pick<Look, "handles">, landmarks: Landmarks): { at: number; dropMm: number }[] {
  return handles
    .map(({ at, dropMm }) => ({ at: typeof at === "number" ? at : landmarks[at], dropMm }))
    .sort((a, b) => a.at - b.at)
    .filter((handle, i, all) => i === 0 || handle.at - (all[i - 1]?.at ?? 0) > 1e-6);
}
