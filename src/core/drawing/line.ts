import type { Ink, Point2, Shape } from "./shapes";

/** A line of one ink and width. */
export const line = (points: readonly Point2[], ink: Ink, widthMm: number, opacity = 1): Shape => ({
  kind: "line",
  points,
  ink,
  widthMm,
  opacity,
});
