import type { Side } from "./sides";

/** Where a product lies. Right and left are the client's. */
export const AREAS = ["lashRight", "lashLeft", "browRight", "browLeft"] as const;
export type Area = (typeof AREAS)[number];
export type HairPart = "lashes" | "brows";

export const AREA_LABELS: Record<Area, string> = {
  lashRight: "right lashes",
  lashLeft: "left lashes",
  browRight: "right brow",
  browLeft: "left brow",
};

export const AREAS_OF: Record<HairPart, readonly Area[]> = { lashes: ["lashRight", "lashLeft"], brows: ["browRight", "browLeft"] };

export const sideOf = (area: Area): Side => (area.endsWith("Right") ? "right" : "left");
export const partOf = (area: Area): HairPart => (area.startsWith("lash") ? "lashes" : "brows");
