import { naturalZone } from "./naturalZone";
import type { EyeSurvey } from "./survey";

/** How many natural lashes the survey finds on one upper lid, baby lashes too. */
export function lashCount(eye: EyeSurvey): number {
  return naturalZone(eye, 0, 1).allLashes;
}
