import { liftAndReach } from "../curl";
import { naturalLashAt, type Landmarks, type Side } from "../eye";
import type { MapFacts } from "./facts";
import { landmarksOf } from "./landmarksOf";
import { fibreAt } from "./layers";
import { fibreCurl } from "./stock";

/** How far above the lid the tips stand at a place of the lash line, mm; null where it is bare. */
export function seenLift({ map, survey, trays, policy }: MapFacts, side: Side, at: number): number | null {
  const fibre = fibreAt(map, side, at);
  if (!fibre) return null;
  return liftAndReach(fibreCurl(fibre, trays, policy), fibre.lengthMm, naturalLashAt(survey.eyes[side])(at).angleDeg).liftMm;
}

/** The lift seen on both eyes at each landmark, and how far they differ (right less left). */
export function liftAtLandmarks(facts: MapFacts): { landmark: keyof Landmarks; right: number | null; left: number | null }[] {
  return (["irisInner", "pupil", "irisOuter", "browPeak"] as const).map((landmark) => ({
    landmark,
    right: seenLift(facts, "right", landmarksOf(facts.map, facts.survey, "right")[landmark]),
    left: seenLift(facts, "left", landmarksOf(facts.map, facts.survey, "left")[landmark]),
  }));
}
