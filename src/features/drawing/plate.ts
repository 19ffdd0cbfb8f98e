import { lidOutline, roomAboveMm, type Side, type Survey } from "@/core/eye";
import { eyesInView, innerCornerOnRight, type View } from "@/core/map";

/** Where an eye stands on the plate, px, and which way its millimetres run. */
export type EyePlace = {
  readonly side: Side;
  /** Screen x of a place on the unrolled lash line, mm from the inner corner. */
  readonly lineX: (mm: number) => number;
  /** Screen point of a front-view millimetre point. */
  readonly point: (p: readonly [x: number, y: number]) => readonly [number, number];
  readonly from: number;
  readonly to: number;
};

/** One drawing sheet: both eyes (or one, where it is narrow) above a skyline, all at one scale. */
export type Plate = {
  readonly pxPerMm: number;
  readonly eyes: readonly EyePlace[];
  readonly eyeTop: number;
  readonly eyeBottom: number;
  readonly noseX: number | null;
};

const NOSE_MM = 9;
const MARGIN_MM = 6.5;
const BELOW_LID_MM = 4;

/** Lays the eyes out on a sheet of this width. `only` draws a single eye; `bare` ones need less room above. */
export function layPlate(survey: Survey, view: View, widthPx: number, only: Side | null, bare = false): Plate {
  const sides = only ? [only] : eyesInView(view);
  const lines = sides.map((side) => survey.eyes[side].lashLineMm);
  const totalMm = lines.reduce((sum, mm) => sum + mm, 0) + 2 * MARGIN_MM + (only ? 0 : NOSE_MM);
  const pxPerMm = widthPx / totalMm;
  const turned = view === "bedHead";
  const room = roomAboveMm(survey, bare);
  const [above, below] = turned ? [BELOW_LID_MM, room] : [room, BELOW_LID_MM];
  const baseline = above * pxPerMm;
  let left = MARGIN_MM;
  const eyes = sides.map((side, i): EyePlace => {
    const lineMm = lines[i]!;
    const innerRight = innerCornerOnRight(side, view);
    const innerMm = innerRight ? left + lineMm : left;
    const way = innerRight ? -1 : 1;
    // The lid is shorter across than its lash line is long: it stands over the middle of its line.
    const lid = lidOutline(survey.eyes[side]);
    const eyeInnerMm = innerMm + way * ((lineMm - lid.widthMm) / 2);
    const from = left * pxPerMm;
    const to = (left + lineMm) * pxPerMm;
    left += lineMm + NOSE_MM;
    return {
      side,
      lineX: (mm) => (innerMm + way * mm) * pxPerMm,
      point: ([x, y]) => [(eyeInnerMm + way * x) * pxPerMm, baseline + (turned ? y : -y) * pxPerMm],
      from,
      to,
    };
  });
  return {
    pxPerMm,
    eyes,
    eyeTop: 0,
    eyeBottom: (above + below) * pxPerMm,
    noseX: only ? null : (MARGIN_MM + lines[0]! + NOSE_MM / 2) * pxPerMm,
  };
}
