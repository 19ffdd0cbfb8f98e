import { consultationSchema, type Consultation } from "./consultation";
import { CONDITION_IDS } from "./conditions";
import { NOTHING_SO } from "./nothingSo";
import type { DocumentKind } from "../document";

/** A consultation of the first version as one of the second: a reaction to hair dye is an allergy, an operation has no date. */
export function upgradeConsultation(document: unknown): unknown {
  const older = document as { version?: unknown; conditions?: readonly string[]; processed?: boolean } | null;
  if (older?.version !== 1) return document;
  const named = older.conditions ?? [];
  return {
    ...NOTHING_SO,
    conditions: named.filter((id) => (CONDITION_IDS as readonly string[]).includes(id)),
    allergies: named.includes("dyeReaction") ? ["dye"] : [],
    operation: named.includes("operation") ? { what: "", on: null, releasedOn: null } : null,
    processed: older.processed ?? false,
  };
}

export const consultationDocument: DocumentKind<Consultation> = {
  name: "consultation",
  version: 2,
  schema: consultationSchema,
  upgrade: upgradeConsultation,
};
