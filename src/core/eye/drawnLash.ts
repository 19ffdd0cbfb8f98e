import { curlPath, curlSegments, type Curl, type PathPoint } from "../curl";
import { FAN_OPENINGS, meanCount, type Fibre } from "../lash";
import { degToRad } from "../units";
import type { FieldLash } from "./lashField";
import type { LidOutline } from "./lidOutline";

/** One fibre or lash as it is seen from the front: points in the outline's millimetres, base first. */
export type DrawnLash = { readonly widthMm: number; readonly points: readonly (readonly [x: number, y: number])[] };

/** How far lashes fan sideways at the corners, degrees from straight ahead. A model of this product. */
export const SPLAY_DEG = { inner: -26, outer: 42 } as const;
const LEAN_DEG = 5;
/** A fan is drawn with so many fibres at most; they stand for all of them. */
const DRAWN_FIBRES = 6;
const NATURAL_STEPS = 5;
const FIBRE_STEPS = 6;

const splayOf = (lash: FieldLash) => SPLAY_DEG.inner + (SPLAY_DEG.outer - SPLAY_DEG.inner) * lash.at + lash.lean * LEAN_DEG;

const seen = (path: readonly PathPoint[], [x0, y0]: readonly [number, number], splayDeg: number) => {
  const across = Math.sin(degToRad(splayDeg));
  return path.map(({ reachMm, liftMm }) => [x0 + reachMm * across, y0 + liftMm] as const);
};

/** A natural lash from the front: it leaves the lid at its growth angle and follows its own curl. `root` on the lid. */
function drawnNatural(lash: FieldLash, root: readonly [number, number]): DrawnLash {
  const segments = [{ lengthMm: lash.lengthMm, curvaturePerMm: degToRad(lash.ownCurlDeg) / lash.lengthMm }];
  return { widthMm: lash.diameterMm, points: seen(curlPath(segments, lash.angleDeg, NATURAL_STEPS), root, splayOf(lash)) };
}

/** The natural lashes of an eye from the front, mm of the lid's outline. */
export function drawnNaturals(field: readonly FieldLash[], lid: Pick<LidOutline, "pointAt">): DrawnLash[] {
  return field.map((lash) => drawnNatural(lash, lid.pointAt(lash.at)));
}

/** The extension a lash wears, fibre by fibre: a fan is opened sideways about the lash. True proportion, foreshortened. */
export function drawnLash(lash: FieldLash, fibre: Fibre, curl: Curl, root: readonly [number, number]): DrawnLash[] {
  const path = curlPath(curlSegments(curl, fibre.lengthMm), lash.angleDeg, FIBRE_STEPS);
  const fibres = Math.max(1, Math.round(meanCount(fibre)));
  const drawn = Math.min(DRAWN_FIBRES, fibres);
  const opening = drawn > 1 ? FAN_OPENINGS[fibre.opening ?? "usual"].angleDeg : 0;
  // Closed, the fibres lie on each other: as thick as a bundle of them.
  if (opening === 0) return [{ widthMm: fibre.diameterMm * Math.sqrt(fibres), points: seen(path, root, splayOf(lash)) }];
  return Array.from({ length: drawn }, (_, i) => ({
    widthMm: (fibre.diameterMm * fibres) / drawn,
    points: seen(path, root, splayOf(lash) + (i / (drawn - 1) - 0.5) * opening),
  }));
}
