import { DIAMETER_CLASSES } from "../lash/diameterClasses";
import { naturalLashAt } from "./naturalLash";
import type { EyeSurvey } from "./survey";

const between = (a: keyof typeof DIAMETER_CLASSES, b: keyof typeof DIAMETER_CLASSES) =>
  (DIAMETER_CLASSES[a].diameterMm + DIAMETER_CLASSES[b].diameterMm) / 2;

/** How coarse the lashes in the middle of the line are, parted halfway between the diameter classes; medium where no survey was taken. */
export function hairClass(eye: EyeSurvey | null): "fine" | "medium" | "coarse" {
  if (!eye) return "medium";
  const { diameterMm } = naturalLashAt(eye)(0.5);
  return diameterMm < between("fine", "medium") ? "fine" : diameterMm > between("medium", "coarse") ? "coarse" : "medium";
}
