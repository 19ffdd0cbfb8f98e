import { CURLS, curlPath, curlSegments } from "../curl";
import { degToRad, mulberry32 } from "../units";
import type { Fibre } from "../lash";
import { lidOutline } from "./lidOutline";
import { naturalLashAt } from "./naturalLash";
import type { EyeSurvey } from "./survey";

/** One lash as it is seen from the front: points in the outline's millimetres, base first. */
export type DrawnLash = {
  readonly at: number;
  readonly kind: "natural" | "extension";
  readonly widthMm: number;
  readonly points: readonly (readonly [x: number, y: number])[];
};

/** How far lashes fan sideways at the corners, degrees from straight ahead. A model of this product. */
const SPLAY_DEG = { inner: -26, outer: 42 } as const;

/**
 * Lashes of one eye as they will fall, seen from the front at true proportion: a lash leaves the lid at its growth
 * angle, follows its curl in a plane turned by the splay of the lash line, and is seen foreshortened.
 * `fibreAt` gives the extension worn at a place, or null where it is bare. Same seed, same lashes.
 */
export function drawnLashes(
  eye: EyeSurvey,
  fibreAt: (at: number) => Fibre | null,
  options: { readonly seed: number; readonly every?: number },
): DrawnLash[] {
  const random = mulberry32(options.seed);
  const lid = lidOutline(eye);
  const lashAt = naturalLashAt(eye);
  const lashes: DrawnLash[] = [];
  let at = 0.012;
  while (at < 0.988) {
    const natural = lashAt(at);
    const [tilt, fan, size] = [random() - 0.5, random() - 0.5, random() - 0.5];
    const splay = degToRad(SPLAY_DEG.inner + (SPLAY_DEG.outer - SPLAY_DEG.inner) * at + fan * 5);
    const [x0, y0] = lid.pointAt(at);
    const draw = (kind: DrawnLash["kind"], path: ReturnType<typeof curlPath>, widthMm: number): DrawnLash => ({
      at,
      kind,
      widthMm,
      points: path.map(({ reachMm, liftMm }) => [x0 + reachMm * Math.sin(splay), y0 + liftMm] as const),
    });
    const angle = natural.angleDeg + tilt * 5;
    const naturalLength = natural.lengthMm + size * natural.spreadMm;
    const ownCurve = [{ lengthMm: naturalLength, curvaturePerMm: degToRad(natural.ownCurlDeg) / naturalLength }];
    lashes.push(draw("natural", curlPath(ownCurve, angle, 6), natural.diameterMm));
    const fibre = fibreAt(at);
    if (fibre) {
      const path = curlPath(curlSegments(CURLS[fibre.curl], fibre.lengthMm), angle, 8);
      lashes.push(draw("extension", path, fibre.diameterMm));
    }
    at += ((options.every ?? 1) / (natural.lashesPerMm * eye.lashLineMm)) * (1 + (random() - 0.5) * 0.3);
  }
  return lashes;
}
