import { DIRECTIONS } from "../curl/directions";
import { DIAMETER_CLASSES } from "../lash/diameterClasses";
import { DENSITIES, OWN_CURLS } from "./classes";
import { interpolateMonotone } from "./interpolate";
import type { EyeSurvey } from "./survey";

/** The usual natural lash at a place of the lash line, numbers filled in between the surveyed places. */
export type NaturalLash = {
  readonly lengthMm: number;
  readonly spreadMm: number;
  readonly diameterMm: number;
  readonly lashesPerMm: number;
  /** Growth angle above level, degrees. */
  readonly angleDeg: number;
  /** Turn of the lash over its own length, degrees. */
  readonly ownCurlDeg: number;
  /** Rows there, of the nearest surveyed place. */
  readonly rows: number;
  /** Share that are baby lashes, 0..1. */
  readonly babyShare: number;
};

/**
 * Natural lashes along the line, from the survey: a function of the place (0 inner .. 1 outer).
 * Between places every quantity runs smoothly; beyond the first and last it stays.
 */
export function naturalLashAt(eye: Pick<EyeSurvey, "points">): (at: number) => NaturalLash {
  const known = curves.get(eye.points);
  if (known) return known;
  const made = makeCurves(eye);
  curves.set(eye.points, made);
  return made;
}

/** The curves of a survey are asked for by every zone; they are made once. */
const curves = new WeakMap<EyeSurvey["points"], (at: number) => NaturalLash>();

function makeCurves(eye: Pick<EyeSurvey, "points">): (at: number) => NaturalLash {
  const xs = eye.points.map((p) => p.at);
  const along = (of: (p: EyeSurvey["points"][number]) => number) => interpolateMonotone(xs, eye.points.map(of));
  const length = along((p) => p.lengthMm);
  const spread = along((p) => p.spreadMm);
  const diameter = along((p) => DIAMETER_CLASSES[p.diameter].diameterMm);
  const density = along((p) => DENSITIES[p.density].lashesPerMm * (1 - p.gapShare));
  const angle = along((p) => DIRECTIONS[p.direction].angleDeg);
  const ownCurl = along((p) => OWN_CURLS[p.ownCurl].turnDeg);
  const baby = along((p) => p.babyShare);
  const nearest = (at: number) => eye.points.reduce((a, b) => (Math.abs(b.at - at) < Math.abs(a.at - at) ? b : a));
  return (at) => ({
    rows: nearest(at).rows,
    babyShare: baby(at),
    lengthMm: length(at),
    spreadMm: spread(at),
    diameterMm: diameter(at),
    lashesPerMm: density(at),
    angleDeg: angle(at),
    ownCurlDeg: ownCurl(at),
  });
}
