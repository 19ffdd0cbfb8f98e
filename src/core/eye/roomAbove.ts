import { CURL_IDS, CURLS, liftAndReach } from "../curl";
import { drawnNaturals } from "./drawnLash";
import { fieldOf } from "./lashField";
import { lidOutline } from "./lidOutline";
import { SIDES } from "./sides";
import type { Survey } from "./survey";

/** Room is kept for fibres as long as this, mm, in the curl that lifts them highest. */
const LONGEST_MM = 14;
const CLEAR_MM = 0.6;

/**
 * How far lid and lashes reach above the corners of the eyes, mm: the natural ones as they are drawn (`bare`), or the
 * longest extensions. It does not depend on what is worn, so that a drawing keeps its height while a map is changed.
 */
export function roomAboveMm(survey: Survey, bare = false): number {
  const tops = SIDES.flatMap((side) => {
    const lid = lidOutline(survey.eyes[side]);
    const field = fieldOf(survey, side);
    const fold = lid.crease.map(([, y]) => y);
    if (bare) return [...fold, ...drawnNaturals(field, lid).flatMap(({ points }) => points.map(([, y]) => y))];
    const steepest = field.length ? Math.max(...field.map(({ angleDeg }) => angleDeg)) : 0;
    const lift = Math.max(...CURL_IDS.map((id) => liftAndReach(CURLS[id], LONGEST_MM, steepest).liftMm));
    return [...fold, ...lid.upper.map(([, y]) => y + lift)];
  });
  return Math.max(0, ...tops) + CLEAR_MM;
}
