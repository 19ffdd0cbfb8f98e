/**
 * Depth of hair in ten steps from black to palest, as hair is commonly graded; colours are working values of ours for
 * drawing, not a standard.
 */
export const DEPTHS = [
  { depth: 1, label: "black", hex: "#1a1614" },
  { depth: 2, label: "darkest brown", hex: "#2a1f1a" },
  { depth: 3, label: "dark brown", hex: "#3a2a21" },
  { depth: 4, label: "brown", hex: "#4d3728" },
  { depth: 5, label: "light brown", hex: "#634831" },
  { depth: 6, label: "darkest blond", hex: "#7c5d3e" },
  { depth: 7, label: "dark blond", hex: "#97754f" },
  { depth: 8, label: "blond", hex: "#b39064" },
  { depth: 9, label: "light blond", hex: "#cdae82" },
  { depth: 10, label: "palest", hex: "#e2cba4" },
] as const;
export const LEAST_DEPTH = 1;
export const MOST_DEPTH = 10;

/** The drawn colour of a depth, 1..10; between two steps the nearer one. */
export function hairColour(depth: number): string {
  return DEPTHS[Math.min(DEPTHS.length, Math.max(1, Math.round(depth))) - 1]!.hex;
}
export const depthWords = (depth: number): string => DEPTHS[Math.min(DEPTHS.length, Math.max(1, Math.round(depth))) - 1]!.label;
