import { z } from "zod";
import { COLOURING, PRODUCT_KINDS, type ProductKind } from "./productKinds";
import type { DocumentKind } from "../document";

const kinds = Object.keys(PRODUCT_KINDS) as [ProductKind, ...ProductKind[]];

/** Developer strengths in lash and brow work end here, as a fraction by weight. From memory: 3 %, 6 % at most. */
export const MOST_PEROXIDE = 0.06;

/** A lotion, tint or developer as its leaflet describes it, and as this studio has measured it. */
export const productSchema = z
  .strictObject({
    version: z.literal(1, "This product is of a version that this Ivy Thread does not read; it reads version 1."),
    name: z.string().trim().min(1, "Give it a name.").max(80, "80 characters at most."),
    kind: z.enum(kinds),
    /** Hydrogen peroxide by weight, as a fraction; developers only. */
    peroxide: z
      .number()
      .min(0.005, "Developers run from 0.5 %.")
      .max(MOST_PEROXIDE, "Over 6 % no developer belongs on brows, and none of that strength on lashes.")
      .nullable(),
    /** The leaflet's own figure for the mix ready for use, at its own ratio of developer to one part of colour by weight. */
    ready: z.strictObject({ peroxide: z.number().min(0).max(0.12), developerParts: z.number().min(0.1).max(10) }).nullable(),
    consistency: z.enum(["liquid", "cream", "powder"]),
    /** g/mL; null where nobody weighed it, then 1. */
    densityGMl: z.number().min(0.3, "From 0.3 to 2 g/mL.").max(2, "From 0.3 to 2 g/mL.").nullable(),
    /** Inner width of the tube's nozzle, mm; null where nobody measured it, then 5. */
    nozzleMm: z.number().min(1, "Nozzles run from 1 to 12 mm.").max(12, "Nozzles run from 1 to 12 mm.").nullable(),
    /** Counted on a scale: drops to one gram; null until then. */
    dropsPerGram: z.number().min(5, "From 5 to 80 drops a gram.").max(80, "From 5 to 80 drops a gram.").nullable(),
    /** Colour it leaves on white, as #rrggbb; colours only. */
    colour: z
      .string()
      .regex(/^#[0-9a-f]{6}$/i, "A colour as #rrggbb.")
      .nullable(),
    packG: z.number().positive("What is in the pack, in grams.").max(5000).nullable(),
    packPrice: z.number().min(0, "A price.").max(10_000).nullable(),
    lifeAfterOpeningDays: z.int().min(1).max(1500).nullable(),
  })
  .refine(({ kind, peroxide }) => (kind === "developer") === (peroxide !== null), {
    message: "A developer needs its strength, and nothing else has one.",
    path: ["peroxide"],
  })
  .refine(({ kind, colour }) => COLOURING.includes(kind) === (colour !== null), {
    message: "A tint or toner needs a colour, and nothing else has one.",
    path: ["colour"],
  });
export type Product = z.infer<typeof productSchema>;

export const productDocument: DocumentKind<Product> = { name: "product", version: 1, schema: productSchema };
