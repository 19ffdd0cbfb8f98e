import { z } from "zod";
import { fibreSchema } from "../lash/fibre";

/** A tray of one fibre in several lengths. Fans are made by hand from trays of single fibres. */
export const traySchema = z.strictObject({
  curl: fibreSchema.shape.curl,
  diameterMm: fibreSchema.shape.diameterMm,
  shape: fibreSchema.shape.shape,
  lengthsMm: z
    .array(fibreSchema.shape.lengthMm)
    .max(40)
    .refine((lengths) => new Set(lengths).size === lengths.length, { message: "Each length once." }),
});
export type Tray = z.infer<typeof traySchema>;
