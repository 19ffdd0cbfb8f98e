import { z } from "zod";
import type { DocumentKind } from "../document";

/** A shield or rod in stock, by the radius somebody measured. */
export const shieldSchema = z.strictObject({
  version: z.literal(1, "This shield is of a version that this Ivy Thread does not read; it reads version 1."),
  name: z.string().trim().min(1, "Give it a name.").max(40, "40 characters at most."),
  kind: z.enum(["shield", "rod"]),
  /** Radius that the lash lies on, mm. */
  radiusMm: z.number().min(1.5, "Radii run from 1.5 to 10 mm.").max(10, "Radii run from 1.5 to 10 mm."),
});
export type Shield = z.infer<typeof shieldSchema>;

export const shieldDocument: DocumentKind<Shield> = { name: "shield", version: 1, schema: shieldSchema };
