import { z } from "zod";
import { DIRECTIONS } from "../curl/directions";
import { DIAMETER_CLASSES } from "../lash/diameterClasses";
import {
  DENSITIES,
  MOST_PLACES,
  MOST_SEED,
  MOST_SPLAY_DEG,
  OWN_CURLS,
  SHAPES,
  SINGLE_ROW_UP_TO,
  SLEEPS_ON,
  SPACINGS,
  TWISTS,
} from "./classes";
import { HAIR_COLOURS, IRIS_COLOURS, SKIN_TONES } from "./colours";
import type { DocumentKind } from "../document";

const keys = <T extends Record<string, unknown>>(record: T) => Object.keys(record) as [keyof T & string, ...(keyof T & string)[]];

/** Of surveys taken before each had a seed of its own. */
const FIRST_SEED = 11;

/** Landmarks with the eyes open, as fractions of the lash line from the inner corner (0) to the outer (1). */
export const landmarksSchema = z
  .strictObject({
    irisInner: z.number().min(0.02).max(0.98),
    pupil: z.number().min(0.02).max(0.98),
    irisOuter: z.number().min(0.02).max(0.98),
    browPeak: z.number().min(0.02).max(0.98),
  })
  .refine((m) => m.irisInner < m.pupil && m.pupil < m.irisOuter, {
    message: "From the inner corner outwards: inner iris edge, pupil, outer iris edge.",
    path: ["pupil"],
  })
  .refine((m) => m.browPeak > m.pupil, {
    message: "The brow peak lies outside the pupil line.",
    path: ["browPeak"],
  });
export type Landmarks = z.infer<typeof landmarksSchema>;

/** Natural lashes at one place of the lash line. */
export const surveyPointSchema = z.strictObject({
  /** 0 inner corner .. 1 outer corner. */
  at: z.number().min(0).max(1),
  /** Mean length of full-grown lashes there. */
  lengthMm: z
    .number("Give the natural length in millimetres.")
    .min(2, "A natural lash under 2 mm cannot carry an extension; the least here is 2.")
    .max(16, "Natural lashes over 16 mm are not known; check the ruler."),
  /** Standard deviation of the lengths there. */
  spreadMm: z.number().min(0.1).max(3),
  diameter: z.enum(keys(DIAMETER_CLASSES)),
  density: z.enum(keys(DENSITIES)),
  direction: z.enum(keys(DIRECTIONS)),
  ownCurl: z.enum(keys(OWN_CURLS)),
  twist: z.enum(keys(TWISTS)),
  /** The way lashes leave by, degrees off straight ahead, outwards above 0. Absent where nobody looked. */
  splayDeg: z.number().min(-MOST_SPLAY_DEG).max(MOST_SPLAY_DEG, "75° to either side at most.").optional(),
  /** Rows of lashes, one above another. */
  rows: z.int().min(1, "One row at least.").max(3, "Three rows at most."),
  /** Share of baby lashes, 0..1. */
  babyShare: z.number().min(0).max(0.9, "A stretch of nothing but baby lashes carries no set."),
  /** Share of the stretch without lashes, 0..1. */
  gapShare: z.number().min(0).max(0.95, "A stretch with no lash at all is left out of the survey."),
});
export type SurveyPoint = z.infer<typeof surveyPointSchema>;

export const eyeSurveySchema = z.strictObject({
  lashLineMm: z
    .number("Give the lash line in millimetres.")
    .min(18, "Lash lines run from about 25 to 32 mm; under 18 check the ruler.")
    .max(42, "Lash lines run from about 25 to 32 mm; over 42 check the ruler."),
  shape: z.enum(keys(SHAPES)),
  landmarks: landmarksSchema,
  points: z
    .array(surveyPointSchema)
    .min(2, "A survey needs at least two places along the lash line.")
    .max(MOST_PLACES)
    .refine((points) => points.every((p, i) => i === 0 || p.at > (points[i - 1]?.at ?? 0)), {
      message: "Places must run from the inner corner outwards, each further than the last.",
    }),
});
export type EyeSurvey = z.infer<typeof eyeSurveySchema>;

/** What the natural lashes are like, both eyes. Personal words stand outside it. */
export const surveySchema = z.strictObject({
  version: z.literal(3, "This survey is of a version that this Ivy Thread does not read; it reads versions 1 to 3."),
  spacing: z.enum(keys(SPACINGS)),
  oilyLids: z.boolean(),
  /** Lash serum in use: growth is not the usual one. */
  serum: z.boolean(),
  sleepsOn: z.enum(keys(SLEEPS_ON)),
  /** Washes a week, null where not asked. */
  washesPerWeek: z.int().min(0).max(21, "Three times a day at most.").nullable(),
  /** Whoever took it says the lashes are as it stands, also where that is what the form begins with. */
  measured: z.boolean().optional(),
  /** The lashes of a mannequin head, for practice; absent are a client's own. */
  mannequin: z.literal(true).optional(),
  /** The lashes that stand between the surveyed places grow from this number, the same on every screen and at every visit. */
  seed: z.int().min(0).max(MOST_SEED),
  /** What the eyes are drawn in, where it was noted. */
  colours: z
    .strictObject({
      iris: z.enum(keys(IRIS_COLOURS)).optional(),
      hair: z.enum(keys(HAIR_COLOURS)).optional(),
      skin: z.enum(keys(SKIN_TONES)).optional(),
    })
    .optional(),
  eyes: z.strictObject({ right: eyeSurveySchema, left: eyeSurveySchema }),
});
export type Survey = z.infer<typeof surveySchema>;

/**
 * A survey document of any version as one of the newest; what it is not is left to the schema to refuse. Version 1 knew
 * nothing of rows, gaps, baby lashes, habits and seeds: rows are taken as usual, the rest as none. Version 2 knew
 * neither splay nor colours: nobody looked.
 */
export function upgradeSurvey(document: unknown): unknown {
  if (!isRecord(document)) return document;
  if (document["version"] === 2) return { ...document, version: 3 };
  if (document["version"] !== 1) return document;
  const eyes = isRecord(document["eyes"]) ? document["eyes"] : {};
  const eye = (value: unknown) =>
    isRecord(value) && Array.isArray(value["points"]) ? { ...value, points: value["points"].map(upgradePoint) } : value;
  return {
    serum: false,
    sleepsOn: "unknown",
    washesPerWeek: null,
    seed: FIRST_SEED,
    ...document,
    version: 3,
    eyes: { ...eyes, right: eye(eyes["right"]), left: eye(eyes["left"]) },
  };
}

const upgradePoint = (point: unknown) =>
  isRecord(point)
    ? {
        twist: "none",
        rows: typeof point["at"] === "number" && point["at"] < SINGLE_ROW_UP_TO ? 1 : 2,
        babyShare: 0,
        gapShare: 0,
        ...point,
      }
    : point;

const isRecord = (value: unknown): value is Record<string, unknown> => typeof value === "object" && value !== null && !Array.isArray(value);

export const surveyDocument: DocumentKind<Survey> = { name: "survey", version: 3, schema: surveySchema, upgrade: upgradeSurvey };
