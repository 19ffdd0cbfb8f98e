import { SHAPES, SPACINGS, lashCount, type Survey } from "@/core/eye";
import { DIAMETER_CLASSES } from "@/core/lash";
import { DIRECTIONS } from "@/core/curl";
import { OWN_CURLS } from "@/core/eye";

/** A survey in a few lines of words, taken from the middle of the right eye. */
export function surveyWords(survey: Survey): string[] {
  const eye = survey.eyes.right;
  const middle = eye.points[Math.floor(eye.points.length / 2)]!;
  const lengths = eye.points.map((p) => Math.round(p.lengthMm * 10) / 10).join(", ");
  return [
    `${SHAPES[eye.shape]} eyes, ${survey.spacing === "average" ? "average spacing" : SPACINGS[survey.spacing]}`,
    `${DIAMETER_CLASSES[middle.diameter].label} lashes, ${OWN_CURLS[middle.ownCurl].label}, ${DIRECTIONS[middle.direction].label}`,
    `${lengths} mm from inner to outer, about ${lashCount(eye)} an eye`,
    ...(survey.oilyLids ? ["oily lids"] : []),
  ];
}
