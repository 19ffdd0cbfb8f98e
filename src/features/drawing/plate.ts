import { CLOSED_ABOVE, openEye, roomOfOpenEyes, type Point2 } from "@/core/drawing";
import { eyesInView, innerCornerOnRight, onPaper, wayUp, type EyeView } from "@/core/map";
import type { Side, Survey } from "@/core/eye";

/** Where an eye stands on the plate, px, and which way its millimetres run. */
export type EyePlace = {
  readonly side: Side;
  /** Screen x of a place on the unrolled lash line, mm from the inner corner. */
  readonly lineX: (mm: number) => number;
  /** Screen point of the eye's own millimetres: of the open eye, or on the pad of the closed one. */
  readonly point: (p: Point2) => Point2;
  /** Scale the eye itself is drawn at. */
  readonly pxPerMm: number;
  readonly from: number;
  readonly to: number;
};

/** One drawing sheet: both eyes (or one, where it is narrow) above their lash lines unrolled. */
export type Plate = {
  readonly view: EyeView;
  readonly widthPx: number;
  /** Scale of the unrolled lash lines. */
  readonly pxPerMm: number;
  readonly eyes: readonly EyePlace[];
  readonly eyeBottom: number;
  /** Fibres a pad keeps room for, mm. */
  readonly longestMm: number;
  readonly noseX: number | null;
};

const NOSE_MM = 10;
const LEAST_MARGIN_MM = 6.5;
/** A pad is so deep over the longest fibre it has room for, and half as wide as this share of its depth and line. */
const PAD = { pastLongestMm: 11.2, halfWidth: 0.6 } as const;
const PAD_LONGEST_MM = 14;

export type PlateOptions = {
  /** Draws a single eye. */
  readonly only?: Side | null;
  /** The longest fibre a pad keeps room for, mm. */
  readonly longestMm?: number;
};

/** Lays the eyes out on a sheet of this width: open ones at the scale of their lash lines, pads as large as there is room. */
export function layPlate(
  survey: Survey,
  view: EyeView,
  widthPx: number,
  { only = null, longestMm = PAD_LONGEST_MM }: PlateOptions = {},
): Plate {
  const order = wayUp(view);
  const sides = only ? [only] : eyesInView(order);
  const lines = sides.map((side) => survey.eyes[side].lashLineMm);
  const { aboveMm, belowMm, asideMm } = roomOfOpenEyes(survey);
  // An eye is less wide than its line is long: that much of its margin it has already.
  const beside = sides.map((side, i) => (lines[i]! - openEye(survey.eyes[side]).widthMm) / 2);
  const marginMm = Math.max(LEAST_MARGIN_MM, asideMm - Math.min(...beside));
  const totalMm = lines.reduce((sum, mm) => sum + mm, 0) + 2 * marginMm + (only ? 0 : NOSE_MM);
  const pxPerMm = widthPx / totalMm;
  const padDeepMm = longestMm + PAD.pastLongestMm;
  const padHalfMm = (lineMm: number) => (lineMm / 1.117 + padDeepMm) * PAD.halfWidth;
  const padScale = Math.min(pxPerMm, ...lines.map((lineMm) => (widthPx / sides.length - (only ? 6 : 18)) / (2 * padHalfMm(lineMm))));
  const baseline = view === "pad" ? (padDeepMm + 1) * padScale : aboveMm * pxPerMm;
  const lidMm = Math.max(...lines.map((mm) => mm * CLOSED_ABOVE));
  // As high in every view, so that what stands below does not move when it is turned.
  const eyeBottom = Math.max((aboveMm + belowMm) * pxPerMm, (padDeepMm + 1 + lidMm) * padScale);
  let left = marginMm;
  const eyes = sides.map((side, i): EyePlace => {
    const lineMm = lines[i]!;
    const innerRight = innerCornerOnRight(side, order);
    const way = innerRight ? -1 : 1;
    const innerMm = innerRight ? left + lineMm : left;
    const middle = (left + lineMm / 2) * pxPerMm;
    const [from, to] = [left * pxPerMm, (left + lineMm) * pxPerMm];
    left += lineMm + NOSE_MM;
    // The lid is shorter across than its lash line is long: it stands over the middle of its line.
    const eyeInner = innerMm * pxPerMm + way * beside[i]! * pxPerMm;
    const turned = onPaper(side, "bedHead");
    // Pads are wider than their lines: each has its half of the sheet.
    const padX = only
      ? widthPx / 2
      : Math.min(Math.max(middle, padHalfMm(lineMm) * padScale + 3), widthPx - padHalfMm(lineMm) * padScale - 3);
    return {
      side,
      lineX: (mm) => (innerMm + way * mm) * pxPerMm,
      point:
        view === "pad"
          ? (p) => {
              const [x, y] = turned(p);
              return [padX + x * padScale, baseline + y * padScale];
            }
          : ([x, y]) => [eyeInner + way * x * pxPerMm, baseline - y * pxPerMm],
      pxPerMm: view === "pad" ? padScale : pxPerMm,
      from,
      to,
    };
  });
  return {
    view,
    widthPx,
    pxPerMm,
    longestMm,
    eyes,
    eyeBottom,
    noseX: only ? null : (marginMm + lines[0]! + NOSE_MM / 2) * pxPerMm,
  };
}
