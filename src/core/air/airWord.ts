import type { Air } from "./schema";

/** Where most adhesives' windows lie. Common practice; a bottle's own window is what counts. */
const USUAL_WINDOW = { low: 0.35, high: 0.6 } as const;

/** Air in a word, before any bottle is asked. */
export function airWord({ relativeHumidity }: Pick<Air, "relativeHumidity">): "dry" | "fair" | "damp" {
  if (relativeHumidity < USUAL_WINDOW.low) return "dry";
  return relativeHumidity > USUAL_WINDOW.high ? "damp" : "fair";
}
