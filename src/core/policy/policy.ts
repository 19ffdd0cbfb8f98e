import { z } from "zod";

/** What a studio has decided where practitioners disagree. A product leaflet wins over all of it. */
export const policySchema = z
  .strictObject({
    version: z.literal(1),
    /** Most a fibre may stand past the zone's shorter lashes, mm. */
    overLengthMm: z.number().min(0, "Over-length runs from 0 to 5 mm.").max(5, "Over-length runs from 0 to 5 mm."),
    /** The same where the natural lashes are fine. */
    fineOverLengthMm: z.number().min(0, "Over-length runs from 0 to 5 mm.").max(5, "Over-length runs from 0 to 5 mm."),
    corners: z.enum(["match", "graded"]),
    /** Most one zone may differ from its neighbour, mm. */
    stepMm: z.int().min(1, "Steps of 1 to 4 mm.").max(4, "Steps of 1 to 4 mm."),
    /** Least the outermost zone lies below its inner neighbour, mm. */
    outerDropMm: z.int().min(0, "A drop of 0 to 3 mm.").max(3, "A drop of 0 to 3 mm."),
    loadAmber: z.number().min(0.5).max(3),
    loadAmberFan: z.number().min(0.5).max(3),
    loadRed: z.number().min(0.6, "From 0.6 to 5.").max(5, "From 0.6 to 5."),
    attachmentOffsetMm: z.number().min(0.3, "From 0.3 to 3 mm.").max(3, "From 0.3 to 3 mm."),
    beadMinutes: z.number().min(5, "From 5 to 30 minutes.").max(30, "From 5 to 30 minutes."),
    shakeSeconds: z.int().min(10, "From 10 to 180 seconds.").max(180, "From 10 to 180 seconds."),
    patchTestMonths: z.int().min(1, "From 1 to 12 months.").max(12, "From 1 to 12 months."),
  })
  .refine((p) => p.fineOverLengthMm <= p.overLengthMm, {
    message: "Fine lashes cannot be given more than the rest.",
    path: ["fineOverLengthMm"],
  })
  .refine((p) => p.loadAmber < p.loadRed && p.loadAmberFan < p.loadRed, {
    message: "The stop must lie above the caution.",
    path: ["loadRed"],
  });
export type Policy = z.infer<typeof policySchema>;
