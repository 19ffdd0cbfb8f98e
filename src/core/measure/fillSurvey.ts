import { SIDES, type EyeSurvey, type Side, type Survey } from "../eye";
import type { MeasuredClosed } from "./measureClosed";
import type { MeasuredOpen } from "./measureOpen";

export type Measured = Readonly<Record<Side, { readonly open?: MeasuredOpen; readonly closed?: MeasuredClosed }>>;

const SPREAD = { least: 0.1, most: 3 } as const;

/**
 * A survey with what pictures measured put in: lash line and lengths from the closed eye with their spread, landmarks and
 * outline from the open one. What no picture shows (thickness, density, direction) is taken from the nearest surveyed place.
 */
export function fillSurvey(survey: Survey, measured: Measured): Survey {
  const eye = (side: Side): EyeSurvey => {
    const known = survey.eyes[side];
    const { open, closed } = measured[side];
    const nearest = (at: number) => known.points.reduce((a, b) => (Math.abs(b.at - at) < Math.abs(a.at - at) ? b : a));
    const places = closed?.places ?? [];
    return {
      ...known,
      // Seen from the front an open lid is shortened by its own curve: the closed eye's line comes first.
      lashLineMm: round(closed?.lashLineMm ?? open?.lidMm ?? known.lashLineMm),
      // A fold hides from an outline: what a person called hooded or deep-set stays so.
      shape: open && ["almond", "round", "downturned", "upturned"].includes(known.shape) ? open.shape : known.shape,
      landmarks: open?.landmarks ?? known.landmarks,
      points:
        places.length >= 2
          ? places.map((place) => ({
              ...nearest(place.at),
              at: place.at,
              lengthMm: round(place.lengthMm),
              spreadMm: round(Math.min(SPREAD.most, Math.max(SPREAD.least, place.spreadMm))),
            }))
          : known.points,
    };
  };
  const [right, left] = SIDES.map(eye);
  return { ...survey, eyes: { right: right!, left: left! } };
}

const round = (mm: number) => Math.round(mm * 10) / 10;
