import { curlPath, curlSegments, type Curl } from "../curl";
import type { FieldLash } from "../eye";
import { closedFanWidth, FAN_OPENINGS, meanCount, type Fibre } from "../lash";
import { degToRad } from "../units";

/**
 * A hair in its lash's own plane, mm from the root of the natural lash: how far it reaches before the lid, how high it
 * lifts over its root, and how far aside of the plane it stands (outwards above 0), base first.
 */
export type InPlane = {
  readonly widthMm: number;
  readonly points: readonly (readonly [reachMm: number, liftMm: number, asideMm: number])[];
};

const NATURAL_STEPS = 6;
const FIBRE_STEPS = 12;
const FAN_STEPS = 7;

/** What of a natural lash its shape in its plane follows from. */
export type LashShape = Pick<FieldLash, "lengthMm" | "diameterMm" | "angleDeg" | "ownCurlDeg">;

const naturalPath = (lash: LashShape, lengthMm: number, steps: number) => {
  const curvaturePerMm = degToRad(lash.ownCurlDeg) / lash.lengthMm;
  return curlPath([{ lengthMm, curvaturePerMm }], lash.angleDeg, steps);
};

/** The natural lash itself: it leaves the lid by its growth angle and follows its own curl. */
export function naturalInPlane(lash: LashShape, steps = NATURAL_STEPS): InPlane {
  return {
    widthMm: lash.diameterMm,
    points: naturalPath(lash, lash.lengthMm, steps).map(({ reachMm, liftMm }) => [reachMm, liftMm, 0] as const),
  };
}

export type Attached = {
  readonly lash: LashShape;
  readonly fibre: Pick<Fibre, "lengthMm" | "diameterMm" | "count" | "countTo" | "opening">;
  readonly curl: Curl;
  /** Where it was set, mm along the natural lash from the lid. */
  readonly offsetMm: number;
  /** How far the lash has carried it outwards since, mm. */
  readonly grownMm?: number;
  /** Stretches a fibre is drawn in; by default as many as an eye on a screen needs. */
  readonly steps?: number;
};

/**
 * An extension, fibre by fibre. It begins where it is attached, along the natural lash, by the angle the lash grows in;
 * carried outwards it turns with the lash. A fan's fibres open across the plane from that one place, each as far from it
 * as the plane's own would be; closed they lie on each other, one blade as thick as the bundle.
 */
export function attachedInPlane({ lash, fibre, curl, offsetMm, grownMm = 0, steps }: Attached): InPlane[] {
  const held = Math.min(offsetMm + grownMm, lash.lengthMm);
  const base = held > 0 ? naturalPath(lash, held, 1)[1]! : { reachMm: 0, liftMm: 0 };
  const turnedDeg = lash.lengthMm > 0 ? (lash.ownCurlDeg * Math.max(0, held - Math.min(offsetMm, lash.lengthMm))) / lash.lengthMm : 0;
  const count = Math.max(1, Math.round(meanCount(fibre)));
  const openingDeg = count > 1 ? FAN_OPENINGS[fibre.opening ?? "usual"].angleDeg : 0;
  const path = curlPath(curlSegments(curl, fibre.lengthMm), lash.angleDeg + turnedDeg, steps ?? (openingDeg > 0 ? FAN_STEPS : FIBRE_STEPS));
  if (openingDeg === 0)
    return [
      {
        widthMm: fibre.diameterMm * closedFanWidth(count),
        points: path.map(({ reachMm, liftMm }) => [base.reachMm + reachMm, base.liftMm + liftMm, 0] as const),
      },
    ];
  return Array.from({ length: count }, (_, i) => {
    const angle = degToRad((i / (count - 1) - 0.5) * openingDeg);
    const [along, aside] = [Math.cos(angle), Math.sin(angle)];
    return {
      widthMm: fibre.diameterMm,
      points: path.map(({ reachMm, liftMm }) => {
        const far = Math.hypot(reachMm, liftMm);
        return [base.reachMm + reachMm * along, base.liftMm + liftMm * along, far * aside] as const;
      }),
    };
  });
}
