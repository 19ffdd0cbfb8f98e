import { closedEye } from "@/core/drawing";
import type { Side, Survey } from "@/core/eye";
import type { LashMap } from "@/core/map";
import { drawnTo } from "@/core/placing";
import type { PictureOf } from "@/features/drawing/EyesPicture";
import type { EyePlace, Plate } from "@/features/drawing/plate";

/** Whose set is drawn on the pads. */
export type SetOnPads = PictureOf & { readonly map: LashMap };

/** Canvases lie over each other on a plate, and take no touch. */
export const onPlate = "pointer-events-none absolute left-0 top-0";

/** How far tape draws each inner corner sideways now, mm; 0 where it does not. */
export type Stretch = Readonly<Record<Side, number>>;

/** Where things of a pad stand on the screen, px: by their share along the lash line and how far out of it they are, mm. */
export function pointsOnPad(survey: Survey, place: EyePlace, stretchMm: number) {
  const closed = closedEye(survey.eyes[place.side]);
  return (share: number, outMm: number): readonly [number, number] =>
    place.point(closed.point(drawnTo(share, closed.lashLineMm, stretchMm), outMm));
}

/** Of the lid below the line so much is shown, in lash lines: the brow says nothing at the bed. */
const LID_SHOWN = 0.2;

/** From the pads' upper edge to a little under the lash line. */
export function shownHeight({ eyes, eyeBottom }: Plate, survey: Survey): number {
  return Math.min(
    eyeBottom,
    ...eyes.map(({ side, point, pxPerMm }) => point([0, 0])[1] + survey.eyes[side].lashLineMm * LID_SHOWN * pxPerMm),
  );
}
