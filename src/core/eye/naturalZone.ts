import { naturalLashAt, type NaturalLash } from "./naturalLash";
import { normalCdf } from "./normal";
import type { EyeSurvey } from "./survey";

/** The natural lashes of one stretch of the lash line, taken together. */
export type NaturalZone = {
  readonly widthMm: number;
  readonly lashes: number;
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
 * how many lashes grow there. Throws RangeError when the stretch has no width.
 */
export function naturalZone(eye: EyeSurvey, from: number, to: number): NaturalZone {
  if (!(to > from)) throw new RangeError("A zone needs some width.");
  const lashAt = naturalLashAt(eye);
  const found: NaturalLash[] = Array.from({ length: SAMPLES }, (_, i) => lashAt(from + ((i + 0.5) / SAMPLES) * (to - from)));
  const weight = found.reduce((sum, lash) => sum + lash.lashesPerMm, 0);
  const mean = (of: (lash: NaturalLash) => number) => found.reduce((sum, lash) => sum + of(lash) * lash.lashesPerMm, 0) / weight;
  const cdf = (lengthMm: number) => mean((lash) => normalCdf((lengthMm - lash.lengthMm) / lash.spreadMm));
  const widthMm = (to - from) * eye.lashLineMm;
  return {
    widthMm,
    lashes: Math.round((weight / SAMPLES) * widthMm),
    meanMm: mean((lash) => lash.lengthMm),
    diameterMm: mean((lash) => lash.diameterMm),
    angleDeg: mean((lash) => lash.angleDeg),
    ownCurlDeg: mean((lash) => lash.ownCurlDeg),
    shareAtLeast: (lengthMm) => 1 - cdf(lengthMm),
    quantileMm: (p) => {
      let low = Math.min(...found.map((lash) => lash.lengthMm - 4 * lash.spreadMm));
      let high = Math.max(...found.map((lash) => lash.lengthMm + 4 * lash.spreadMm));
      for (let i = 0; i < 24; i++) {
        const middle = (low + high) / 2;
        if (cdf(middle) < p) low = middle;
        else high = middle;
      }
      return (low + high) / 2;
    },
  };
}
