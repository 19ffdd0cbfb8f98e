import { usualSurvey, type EyeSurvey, type Survey } from "@/core/eye";
import { mulberry32 } from "@/core/units";

/**
 * Surveys as they come through a door, drawn from a seed: a longer middle, shorter corners, outer lashes now and then as
 * long as the middle; a quarter fine and a quarter coarse; every second client with eyes that differ. Invented.
 */
export function randomSurveys(count: number, seed: number): Survey[] {
  const random = mulberry32(seed);
  const between = (low: number, high: number) => low + random() * (high - low);
  const oneOf = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)]!;
  const tenth = (mm: number) => Math.round(mm * 10) / 10;
  const anEye = (): EyeSurvey => {
    const middle = between(8, 11.5);
    const lengths = [middle - between(1, 3.2), middle, middle - between(-0.3, 2.2)];
    const pupil = between(0.44, 0.52);
    const all = {
      spreadMm: between(0.4, 1.1),
      diameter: oneOf(["fine", "medium", "medium", "coarse"] as const),
      density: oneOf(["sparse", "usual", "dense"] as const),
      direction: oneOf(["down", "level", "up"] as const),
      ownCurl: "slight" as const,
      twist: "none" as const,
      babyShare: between(0, 0.2),
      gapShare: 0,
    };
    return {
      lashLineMm: between(25, 32),
      shape: "almond",
      landmarks: { irisInner: pupil - 0.17, pupil, irisOuter: pupil + 0.16, browPeak: pupil + between(0.18, 0.28) },
      points: lengths.map((mm, i) => ({ ...all, at: [0.08, 0.5, 0.92][i]!, lengthMm: tenth(mm), rows: i === 0 ? 1 : 2 })),
    };
  };
  return Array.from({ length: count }, (_, i) => {
    const right = anEye();
    const apart = right.points.map((point) => ({ ...point, lengthMm: tenth(point.lengthMm + between(-0.4, 0.4)) }));
    return {
      ...usualSurvey(seed * 1000 + i),
      eyes: { right, left: i % 2 ? right : { ...right, points: apart } },
    };
  });
}
