import type { Landmarks, Side, Survey } from "../eye";
import type { LashMap } from "./schema";

/** The landmarks a map stands on: taken anew for it, or else the survey's. */
export function landmarksOf(map: Pick<LashMap, "landmarks">, survey: Survey, side: Side): Landmarks {
  return map.landmarks?.[side] ?? survey.eyes[side].landmarks;
}
