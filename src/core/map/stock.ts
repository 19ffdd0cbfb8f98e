import { z } from "zod";
import { fibreSchema } from "../lash/fibre";
import type { FibreKind } from "./schema";

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

/** Lengths in stock for a kind of fibre, ascending, mm. */
export function stockedLengths(trays: readonly Tray[], kind: Pick<FibreKind, "curl" | "diameterMm" | "shape">): number[] {
  const lengths = trays
    .filter((tray) => tray.curl === kind.curl && tray.shape === kind.shape && Math.abs(tray.diameterMm - kind.diameterMm) < 1e-9)
    .flatMap((tray) => tray.lengthsMm);
  return [...new Set(lengths)].sort((a, b) => a - b);
}
