import { z } from "zod";
import { fibreSchema } from "../lash/fibre";
import { LOOK_IDS } from "./looks/ids";

export const schoolSchema = z.discriminatedUnion("id", [
  z.strictObject({ id: z.literal("browPeak") }),
  z.strictObject({
    id: z.literal("equal"),
    zones: z.int().min(3, "Three zones at least.").max(16, "Sixteen zones at most."),
  }),
]);
/** How the lash line is cut into zones. */
export type School = z.infer<typeof schoolSchema>;

/** A zone: a stretch of one layer that carries one fibre, or null where it is left bare. */
export const zoneSchema = fibreSchema.nullable();

export const layerSchema = z
  .strictObject({
    role: z.enum(["base", "accent", "under"]),
    /** Zone edges as fractions of the lash line, inner corner first: one more than there are zones. */
    boundaries: z.array(z.number().min(0).max(1)).min(2).max(41),
    zones: z.array(zoneSchema).min(1).max(40),
  })
  .refine((layer) => layer.boundaries.length === layer.zones.length + 1, {
    message: "A layer needs one more zone edge than it has zones.",
    path: ["boundaries"],
  })
  .refine((layer) => layer.boundaries.every((edge, i) => i === 0 || edge > (layer.boundaries[i - 1] ?? 0) + 1e-6), {
    message: "Zone edges must run outwards, every zone with some width.",
    path: ["boundaries"],
  });
export type Layer = z.infer<typeof layerSchema>;

export const eyeMapSchema = z.strictObject({ layers: z.array(layerSchema).min(1).max(6) });
export type EyeMap = z.infer<typeof eyeMapSchema>;

/** The fibre a map is planned in, all but its length. */
export const fibreKindSchema = fibreSchema.omit({ lengthMm: true });
export type FibreKind = z.infer<typeof fibreKindSchema>;

/** A plan of extensions for both eyes. Only lengths and places: no name, no note of a person. */
export const lashMapSchema = z.strictObject({
  version: z.literal(1, "This map is of a version that this Ivy Thread does not read; it reads version 1."),
  title: z.string().trim().min(1, "Give the map a title.").max(80, "A title has 80 characters at most."),
  look: z.enum(LOOK_IDS),
  school: schoolSchema,
  fibre: fibreKindSchema,
  /** Longest fibre wished for, mm; null leaves it to the limits. */
  longestMm: z.number().min(5).max(25).nullable(),
  /** One line worn by both eyes, or each eye planned by itself. */
  coupling: z.enum(["mirrored", "each"]),
  /** The eyes were made to differ on purpose, so that difference is no finding. */
  differsOnPurpose: z.boolean(),
  eyes: z.strictObject({ right: eyeMapSchema, left: eyeMapSchema }),
});
export type LashMap = z.infer<typeof lashMapSchema>;
