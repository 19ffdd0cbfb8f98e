import type { EyeSurvey, Survey } from "./survey";
import { usualSurvey } from "./usualSurvey";
import { SIDES } from "./sides";

const APART = 0.05;

/**
 * Was anything of these lashes measured? A survey left at what the form begins with says nothing of the client, unless
 * whoever took it says that it is so (`measured`). Habits and the drawing's seed are no measure of a lash. A
 * mannequin head's lashes are as its strip comes.
 */
export function isMeasured(survey: Survey): boolean {
  if (survey.measured || survey.mannequin) return true;
  const usual = usualSurvey();
  return SIDES.some((side) => !isUsual(survey.eyes[side], usual.eyes[side]));
}

function isUsual(eye: EyeSurvey, usual: EyeSurvey): boolean {
  const near = (a: number, b: number) => Math.abs(a - b) < APART;
  const marks = Object.keys(usual.landmarks) as (keyof EyeSurvey["landmarks"])[];
  return (
    near(eye.lashLineMm, usual.lashLineMm) &&
    eye.shape === usual.shape &&
    // Landmarks are typed in tenths of a millimetre.
    marks.every((mark) => near(eye.landmarks[mark] * eye.lashLineMm, usual.landmarks[mark] * usual.lashLineMm)) &&
    eye.points.length === usual.points.length &&
    eye.points.every((point, i) => {
      const other = usual.points[i]!;
      const same = (["diameter", "density", "direction", "ownCurl", "twist", "rows", "splayDeg"] as const).every(
        (key) => point[key] === other[key],
      );
      return (
        same && (["at", "lengthMm", "spreadMm", "babyShare", "gapShare"] as const).every((key) => Math.abs(point[key] - other[key]) < 0.005)
      );
    })
  );
}
