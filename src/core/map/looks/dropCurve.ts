import { interpolateMonotone } from "../../eye/interpolate";
import { naturalLashAt } from "../../eye/naturalLash";
import type { EyeSurvey, Landmarks } from "../../eye/survey";
import type { Bend } from "../schema";
import type { Look } from "./look";

type Handles = Pick<Look, "handles" | "followsLashes">;

/**
 * The look on one eye: mm below the longest fibre at a place of the lash line. Handles are put in order of place, so
 * that unusual landmarks (a brow peak past a fixed handle) still give a curve.
 */
export function dropCurve(look: Handles, landmarks: Landmarks, eye: Pick<EyeSurvey, "points">): (at: number) => number {
  const handles = inOrder(look, landmarks);
  const drop = interpolateMonotone(
    handles.map((handle) => handle.at),
    handles.map((handle) => handle.dropMm),
  );
  if (!look.followsLashes) return drop;
  const below = belowLongestLash(eye);
  return (at) => drop(at) + below(at);
}

/** The handles of a look on one eye, in order of place: what is bent when a look is bent by hand. */
export function lookHandles(look: Handles, landmarks: Landmarks, eye: Pick<EyeSurvey, "points">): Bend {
  const below = look.followsLashes ? belowLongestLash(eye) : () => 0;
  return inOrder(look, landmarks).map(({ at, dropMm }) => ({ at, dropMm: Math.round((dropMm + below(at)) * 10) / 10 }));
}

function inOrder({ handles }: Handles, landmarks: Landmarks): Bend {
  return handles
    .map(({ at, dropMm }) => ({ at: typeof at === "number" ? at : landmarks[at], dropMm }))
    .sort((a, b) => a.at - b.at)
    .filter((handle, i, all) => i === 0 || handle.at - (all[i - 1]?.at ?? 0) > 1e-6);
}

const PLACES = 40;

/** How far the usual lash of a place lies below the longest usual one of the eye, mm. */
function belowLongestLash(eye: Pick<EyeSurvey, "points">): (at: number) => number {
  const lashAt = naturalLashAt(eye);
  const longest = Math.max(...Array.from({ length: PLACES + 1 }, (_, i) => lashAt(i / PLACES).lengthMm));
  return (at) => longest - lashAt(at).lengthMm;
}
