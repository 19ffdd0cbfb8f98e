import { meanCount } from "./fans";
import type { Fibre } from "./fibre";

/** How a hand is timed: placing one fibre, or opening a fan and placing it. */
export const TECHNIQUES = ["single", "fan"] as const;
export type Technique = (typeof TECHNIQUES)[number];
export const TECHNIQUE_LABELS: Readonly<Record<Technique, string>> = { single: "singles", fan: "fans" };

/** What placing this fibre asks of the hand. */
export const techniqueOf = (fibre: Pick<Fibre, "count" | "countTo">): Technique => (meanCount(fibre) > 1 ? "fan" : "single");
