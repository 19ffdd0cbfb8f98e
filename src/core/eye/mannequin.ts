import type { EyeSurvey, Survey } from "./survey";
import { usualSurvey } from "./usualSurvey";

/** Lashes of a mannequin head, as they come on a strip: cut alike along it, straight, two rows, none of them young. A model of this product. */
const STRIP = { lengthMm: 10, spreadMm: 0.3, ownCurl: "straight", rows: 2, babyShare: 0 } as const;

/** What a survey is begun from: an ordinary pair of eyes, or a mannequin head's. `seed` 0 .. MOST_SEED. */
export function firstSurvey(mannequin: boolean, seed: number): Survey {
  const usual = usualSurvey(seed);
  if (!mannequin) return usual;
  const onStrip = (eye: EyeSurvey): EyeSurvey => ({ ...eye, points: eye.points.map((point) => ({ ...point, ...STRIP })) });
  return { ...usual, mannequin: true, eyes: { right: onStrip(usual.eyes.right), left: onStrip(usual.eyes.left) } };
}

/** Whose lashes a survey tells of must be who it is kept for: why it is not theirs, in words; null where it is. */
export function notOfThese(survey: Pick<Survey, "mannequin">, mannequin: boolean): string | null {
  if ((survey.mannequin ?? false) === mannequin) return null;
  return mannequin
    ? "This survey is of a client's lashes; this is a mannequin head."
    : "This survey is of a mannequin head's lashes; a client's own are looked at.";
}
