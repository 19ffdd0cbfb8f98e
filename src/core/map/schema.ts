import { z } from "zod";
import { landmarksSchema } from "../eye/survey";
import { fibreSchema } from "../lash/fibre";
import { LAYER_ROLES, MOST_ZONES } from "./layerBounds";
import { LOOK_IDS } from "./looks/ids";
import type { DocumentKind } from "../document";

const place = z.number().min(0).max(1);
const boundariesSchema = z
  .array(place)
  .min(2)
  .max(MOST_ZONES + 1)
  .refine((edges) => edges.every((edge, i) => i === 0 || edge > (edges[i - 1] ?? 0) + 1e-6), {
    message: "Zone edges must run outwards, every zone with some width.",
  });

export const schoolSchema = z.discriminatedUnion("id", [
  z.strictObject({ id: z.literal("browPeak") }),
  z.strictObject({ id: z.literal("irisMarks") }),
  z.strictObject({
    id: z.literal("equal"),
    zones: z.int().min(3, "Three zones at least.").max(16, "Sixteen zones at most."),
  }),
  z.strictObject({ id: z.literal("twoHalves") }),
  z.strictObject({ id: z.literal("byClass") }),
  /** Zones drawn by hand. */
  z.strictObject({ id: z.literal("own"), right: boundariesSchema, left: boundariesSchema }),
]);
/** How the lash line is cut into zones. */
export type School = z.infer<typeof schoolSchema>;

/** Singles and fans mixed in one zone. */
export const hybridSchema = z.strictObject({
  /** What is mixed in, length and all. */
  fibre: fibreSchema,
  /** Share of lashes that wear it, 0..1. */
  share: z.number().min(0.05, "A twentieth at least, or leave it out.").max(0.95, "Nineteen in twenty at most."),
  /** Taken in turn, scattered, or on the lower row of lashes. */
  pattern: z.enum(["alternate", "scattered", "lowerRow"]),
});
export type Hybrid = z.infer<typeof hybridSchema>;

/** Shorter natural lashes of a zone wear a shorter fibre: the lashes up to a length, and the fibre's length; null leaves them bare. */
const lashClassSchema = z.strictObject({ upToMm: z.number().min(1).max(16), lengthMm: fibreSchema.shape.lengthMm.nullable() });
/** Short fibres spread through the longer ones, on one lash of so many, to hold them up. */
const supportSchema = z.strictObject({ lengthMm: fibreSchema.shape.lengthMm, every: z.int().min(2).max(12) });
const zoneFibreSchema = fibreSchema.extend({
  classes: z
    .array(lashClassSchema)
    .max(4)
    .refine((classes) => classes.every((c, i) => i === 0 || c.upToMm > (classes[i - 1]?.upToMm ?? 0)), {
      message: "Classes of lashes must run from short to long.",
    })
    .optional(),
  support: supportSchema.optional(),
  hybrid: hybridSchema.optional(),
});
/** What a zone wears. */
export type ZoneFibre = z.infer<typeof zoneFibreSchema>;

/** A zone: a stretch of one layer that carries one fibre, or null where it is left bare. */
export const zoneSchema = zoneFibreSchema.nullable();

/** Accents are worn by some of the lashes only. */
export const accentPlacingSchema = z
  .strictObject({
    /** One accent, or one cluster, to so many lashes. */
    every: z.int().min(2, "From every 2nd to every 8th lash.").max(8, "From every 2nd to every 8th lash."),
    /** Lashes side by side that make one accent. */
    cluster: z.int().min(1).max(4, "Clusters of four at most."),
    /** The same where the inner corner has a single row; never in clusters. */
    innerEvery: z.int().min(1).max(8),
  })
  .refine((placing) => placing.cluster < placing.every, { message: "A cluster leaves some lashes between.", path: ["cluster"] });
export type AccentPlacing = z.infer<typeof accentPlacingSchema>;

export const layerSchema = z
  .strictObject({
    role: z.enum(LAYER_ROLES),
    /** Zone edges as fractions of the lash line, inner corner first: one more than there are zones. */
    boundaries: boundariesSchema,
    zones: z.array(zoneSchema).min(1).max(MOST_ZONES),
    /** For accents; absent is every usable lash of the layer's rows. */
    placing: accentPlacingSchema.optional(),
  })
  .refine((layer) => layer.boundaries.length === layer.zones.length + 1, {
    message: "A layer needs one more zone edge than it has zones.",
    path: ["boundaries"],
  });
export type Layer = z.infer<typeof layerSchema>;

export const eyeMapSchema = z.strictObject({ layers: z.array(layerSchema).min(1).max(6) });
export type EyeMap = z.infer<typeof eyeMapSchema>;

/** The fibre a map is planned in, all but its length. */
export const fibreKindSchema = fibreSchema.omit({ lengthMm: true });
export type FibreKind = z.infer<typeof fibreKindSchema>;

/** A bent look: mm below the longest fibre at places of the lash line. */
export const bendSchema = z
  .array(z.strictObject({ at: place, dropMm: z.number().min(0).max(12) }))
  .min(2)
  .max(9)
  .refine((handles) => handles.every((h, i) => i === 0 || h.at > (handles[i - 1]?.at ?? 0) + 1e-6), {
    message: "The handles of a look run from the inner corner outwards.",
  });
export type Bend = z.infer<typeof bendSchema>;

/** How accents were asked for. */
export const accentWishSchema = z.strictObject({
  /** Over the base, mm. */
  offsetMm: z.int().min(1, "Accents stand 1 to 5 mm over the base.").max(5, "Accents stand 1 to 5 mm over the base."),
  /** Sections along the lash line, their own partition; absent follows the base's zones. */
  sections: z.int().min(2).max(12).optional(),
  placing: accentPlacingSchema,
  fibre: fibreKindSchema,
});
export type AccentWish = z.infer<typeof accentWishSchema>;

/** How an under layer was asked for. */
export const underWishSchema = z.strictObject({
  /** Shorter than the base by, mm. */
  belowMm: z.int().min(1, "The under layer lies 1 to 5 mm below the base.").max(5, "The under layer lies 1 to 5 mm below the base."),
  sections: z.int().min(2).max(12),
  fibre: fibreKindSchema,
});
export type UnderWish = z.infer<typeof underWishSchema>;

/** Limits of the studio set aside on one map, by whoever drew it. */
export const mapLimitsSchema = z.strictObject({
  overLengthMm: z.number().min(0).max(5).optional(),
  fineOverLengthMm: z.number().min(0).max(5).optional(),
  corners: z.enum(["match", "graded"]).optional(),
  stepMm: z.int().min(1).max(4).optional(),
  outerDropMm: z.int().min(0).max(3).optional(),
  loadRed: z.number().min(0.6).max(5).optional(),
  attachmentOffsetMm: z.number().min(0.3).max(3).optional(),
});
export type MapLimits = z.infer<typeof mapLimitsSchema>;

/** A plan of extensions for both eyes. Only lengths and places: no name, no note of a person. */
export const lashMapSchema = z.strictObject({
  version: z.literal(2, "This map is of a version that this Ivy Thread does not read; it reads versions 1 and 2."),
  title: z.string().trim().min(1, "Give the map a title.").max(80, "A title has 80 characters at most."),
  look: z.enum(LOOK_IDS),
  /** The look bent by hand; absent is the look as it comes. */
  bend: bendSchema.optional(),
  school: schoolSchema,
  fibre: fibreKindSchema,
  /** Longest fibre wished for, mm; null leaves it to the limits. */
  longestMm: z.number().min(5).max(25).nullable(),
  /** One line worn by both eyes; each eye planned by itself; or the second made to be seen level with the first. */
  coupling: z.enum(["mirrored", "each", "level"]),
  /** The eyes were made to differ on purpose, so that difference is no finding. */
  differsOnPurpose: z.boolean(),
  accents: accentWishSchema.optional(),
  under: underWishSchema.optional(),
  /** Natural lashes told apart into so many classes within each zone. */
  lashClasses: z.union([z.literal(2), z.literal(4)]).optional(),
  /** Their lengths chosen by hand, the shortest class first, mm; absent leaves them to the limits. */
  classLengthsMm: z
    .array(fibreSchema.shape.lengthMm)
    .min(2)
    .max(4)
    .refine((lengths) => lengths.every((mm, i) => i === 0 || mm >= (lengths[i - 1] ?? 0)), {
      message: "From the shortest lashes to the longest.",
    })
    .optional(),
  hybrid: hybridSchema.omit({ fibre: true }).extend({ fibre: fibreKindSchema }).optional(),
  limits: mapLimitsSchema.optional(),
  /** Landmarks taken anew for this map, where they differ from the survey's. */
  landmarks: z.strictObject({ right: landmarksSchema, left: landmarksSchema }).optional(),
  eyes: z.strictObject({ right: eyeMapSchema, left: eyeMapSchema }),
});
export type LashMap = z.infer<typeof lashMapSchema>;

/** A map document of any version as one of the newest. Version 1 is version 2 with less to say. */
export function upgradeLashMap(document: unknown): unknown {
  if (typeof document !== "object" || document === null || (document as { version?: unknown }).version !== 1) return document;
  return { ...document, version: 2 };
}

export const lashMapDocument: DocumentKind<LashMap> = { name: "map", version: 2, schema: lashMapSchema, upgrade: upgradeLashMap };
