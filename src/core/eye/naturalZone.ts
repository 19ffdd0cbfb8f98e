import { naturalLashAt, type NaturalLash } from "./naturalLash";
import { normalCdf } from "./normal";
import type { EyeSurvey } from "./survey";

/** The natural lashes of one stretch of the lash line, taken together. */
export type NaturalZone = {
  readonly widthMm: number;
  /** Lashes that can carry an extension: baby lashes left out. */
  readonly lashes: number;
  /** All its lashes, baby ones too. */
  readonly allLashes: number;
  /** Share of all its lashes that are baby ones, 0..1. */
  readonly babyShare: number;
  /** Rows of lashes, the mean over the stretch. */
  readonly rows: number;
  readonly meanMm: number;
  readonly diameterMm: number;
  readonly angleDeg: number;
  readonly ownCurlDeg: number;
  /** Length that a share `p` of its lashes stay below, mm. `quantileMm(0.25)`: the shorter quarter ends here. */
  readonly quantileMm: (p: number) => number;
  /** Share of its lashes at least this long, 0..1. */
  readonly shareAtLeast: (lengthMm: number) => number;
};

const SAMPLES = 9;

/**
 * Sums a stretch `from`..`to` (0 inner .. 1 outer) up: a mixture of the normal spreads found along it, weighted by
 * how many lashes that can carry an extension grow there (baby lashes are left alone or get a short fine fibre). Throws RangeError when the stretch has no width.
 */
export function naturalZone(eye: EyeSurvey, from: number, to: number): NaturalZone {
  if (!(to > from)) throw new RangeError("A zone needs some width.");
  let known = zones.get(eye);
  // A dragged zone line leaves a zone for every place it passed: begin again before they pile up.
  if (!known || known.size > 400) zones.set(eye, (known = new Map()));
  const key = `${from} ${to}`;
  let zone = known.get(key);
  if (!zone) known.set(key, (zone = sumUp(eye, from, to)));
  return zone;
}

/** A stretch is asked for by the planner, the rules and every drawing; it is summed up once. */
const zones = new WeakMap<EyeSurvey, Map<string, NaturalZone>>();

function sumUp(eye: EyeSurvey, from: number, to: number): NaturalZone {
  const quantiles = new Map<number, number>();
  const lashAt = naturalLashAt(eye);
  const lashes: NaturalLash[] = Array.from({ length: SAMPLES }, (_, i) => lashAt(from + ((i + 0.5) / SAMPLES) * (to - from)));
  const usable = (lash: NaturalLash) => lash.lashesPerMm * (1 - lash.babyShare);
  const weight = lashes.reduce((sum, lash) => sum + usable(lash), 0);
  const all = lashes.reduce((sum, lash) => sum + lash.lashesPerMm, 0);
  const mean = (of: (lash: NaturalLash) => number) => lashes.reduce((sum, lash) => sum + of(lash) * usable(lash), 0) / weight;
  const cdf = (lengthMm: number) => mean((lash) => normalCdf((lengthMm - lash.lengthMm) / lash.spreadMm));
  const widthMm = (to - from) * eye.lashLineMm;
  return {
    widthMm,
    lashes: Math.round((weight / SAMPLES) * widthMm),
    allLashes: Math.round((all / SAMPLES) * widthMm),
    babyShare: 1 - weight / all,
    rows: mean((lash) => lash.rows),
    meanMm: mean((lash) => lash.lengthMm),
    diameterMm: mean((lash) => lash.diameterMm),
    angleDeg: mean((lash) => lash.angleDeg),
    ownCurlDeg: mean((lash) => lash.ownCurlDeg),
    shareAtLeast: (lengthMm) => 1 - cdf(lengthMm),
    quantileMm: (p) => {
      const known = quantiles.get(p);
      if (known !== undefined) return known;
      let low = Math.min(...lashes.map((lash) => lash.lengthMm - 4 * lash.spreadMm));
      let high = Math.max(...lashes.map((lash) => lash.lengthMm + 4 * lash.spreadMm));
      for (let i = 0; i < 24; i++) {
        const middle = (low + high) / 2;
        if (cdf(middle) < p) low = middle;
        else high = middle;
      }
      quantiles.set(p, (low + high) / 2);
      return (low + high) / 2;
    },
  };
}
