import { USUAL_BABY_SHARE } from "./classes";
import type { EyeSurvey, Survey } from "./survey";

/** Where the three places of the quick form lie on the lash line: inner, middle, outer. */
export const quickPositions = [0.08, 0.5, 0.92] as const;

/** Spread taken when only a quick look was had, mm. A model of this product. */
export const QUICK_SPREAD_MM = 0.7;

/** An ordinary pair of eyes to start the form from: every value is there to be changed. Common practice figures. `seed` 0 .. MOST_SEED. */
export function usualSurvey(seed = 11): Survey {
  const eye = (): EyeSurvey => ({
    lashLineMm: 28,
    shape: "almond",
    landmarks: { irisInner: 0.31, pupil: 0.48, irisOuter: 0.64, browPeak: 0.72 },
    points: [7, 9.5, 8.5].map((lengthMm, i) => ({
      at: quickPositions[i] ?? 0,
      lengthMm,
      spreadMm: QUICK_SPREAD_MM,
      diameter: "medium" as const,
      density: "usual" as const,
      direction: "level" as const,
      ownCurl: "slight" as const,
      twist: "none" as const,
      rows: i === 0 ? 1 : 2,
      babyShare: USUAL_BABY_SHARE,
      gapShare: 0,
    })),
  });
  return {
    version: 3,
    spacing: "average",
    oilyLids: false,
    serum: false,
    sleepsOn: "unknown",
    washesPerWeek: null,
    seed,
    eyes: { right: eye(), left: eye() },
  };
}
