import type { PatchFamily } from "../mixing/productKinds";

/**
 * What is asked at the consultation, and what it means: a stop that nothing overrides, or a question to be answered in
 * writing first. Common practice throughout; a doctor's word and local codes come before it.
 */
export const CONDITIONS = {
  inflamed: { label: "inflamed, infected or broken skin or eye", weight: "stop" },
  operation: { label: "recent eye operation", weight: "stop" },
  contactLenses: { label: "contact lenses (out before anything)", weight: "ask" },
  pregnancy: { label: "pregnant or nursing", weight: "ask" },
  chemotherapy: { label: "chemotherapy", weight: "ask" },
  thyroid: { label: "thyroid or hair-loss condition", weight: "ask" },
  blepharitis: { label: "blepharitis", weight: "ask" },
  dyeReaction: { label: "a reaction to hair dye or black henna", weight: "ask" },
  asthma: { label: "asthma (lightener dust)", weight: "ask" },
  serum: { label: "lash serum or eye drops that change growth", weight: "ask" },
} as const satisfies Record<string, { label: string; weight: "stop" | "ask" }>;
export type Condition = keyof typeof CONDITIONS;
export const CONDITION_IDS = Object.keys(CONDITIONS) as [Condition, ...Condition[]];

/** Conditions that matter only where these families are used; the rest matter always. */
export const ONLY_FOR: Partial<Record<Condition, readonly PatchFamily[]>> = {
  dyeReaction: ["tint"],
  asthma: ["lightener"],
};
