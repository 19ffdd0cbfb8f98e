import { z } from "zod";
import { curlSchema } from "../curl/curlSchema";
import { fibreSchema } from "../lash/fibre";
import type { DocumentKind } from "../document";

/** A tray of one fibre in several lengths. Fans are made by hand from trays of single fibres. */
export const traySchema = z.strictObject({
  curl: fibreSchema.shape.curl,
  diameterMm: fibreSchema.shape.diameterMm,
  shape: fibreSchema.shape.shape,
  /** Absent is black. */
  colour: fibreSchema.shape.colour,
  lengthsMm: z
    .array(fibreSchema.shape.lengthMm)
    .max(40)
    .refine((lengths) => new Set(lengths).size === lengths.length, { message: "Each length once." }),
  /** This maker's own geometry of the letter, where somebody measured it. */
  geometry: curlSchema.optional(),
});
export type Tray = z.infer<typeof traySchema>;

export const trayDocument: DocumentKind<Tray> = { name: "tray", version: 1, schema: traySchema, versionBeside: true };
