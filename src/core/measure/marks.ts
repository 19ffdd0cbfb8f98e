import { z } from "zod";
import type { DocumentKind } from "../document";

/** A place on a picture, px from its top left corner. */
const point = z.tuple([z.number().min(-100).max(20_000), z.number().min(-100).max(20_000)]);
export type Px = readonly [x: number, y: number];

/** A known length on the picture: two taps and how far apart they are. */
export const knownLengthSchema = z
  .strictObject({
    from: point,
    to: point,
    mm: z
      .number("How long is it, in millimetres?")
      .min(1, "A scale of 1 mm at least; 10 or 20 measure better.")
      .max(200, "A scale of 200 mm at most."),
  })
  .refine(({ from, to }) => Math.hypot(to[0] - from[0], to[1] - from[1]) >= 20, {
    message: "The two ends of the scale lie on each other. Tap them further apart.",
    path: ["to"],
  });
export type KnownLength = z.infer<typeof knownLengthSchema>;

export const MARKED_PLACES = ["innerCorner", "outerCorner", "irisInner", "pupil", "irisOuter", "browPeak", "lowerLid"] as const;
export type MarkedPlace = (typeof MARKED_PLACES)[number];

/** What a mark on a worn extension says of it. */
export const LEFT_MARKS = ["on", "outgrown", "twisted"] as const;
export type LeftMark = (typeof LEFT_MARKS)[number];

/** What a person marked on one picture. Lashes run root to tip, with as many taps between as they bend. */
export const pictureMarksSchema = z.strictObject({
  version: z.literal(2),
  scale: knownLengthSchema.nullable(),
  /** A second known length at right angles to the first: takes the tilt of the scale out. */
  across: knownLengthSchema.nullable(),
  /** The lash line, inner corner to outer. */
  line: z.array(point).max(40),
  places: z.partialRecord(z.enum(MARKED_PLACES), point),
  lashes: z.array(z.array(point).min(2).max(6)).max(80),
  /** Extensions of a worn set that are still on, at their roots, and which layer of its map they are of. */
  left: z.array(z.strictObject({ at: point, is: z.enum(LEFT_MARKS), layer: z.int().min(0).max(9) })).max(400),
});
export type PictureMarks = z.infer<typeof pictureMarksSchema>;

export const noMarks: PictureMarks = { version: 2, scale: null, across: null, line: [], places: {}, lashes: [], left: [] };

/** Marks as they were before extensions were counted on pictures, as they are now; anything else as it stands. */
export const upgradeMarks = (marks: unknown): unknown =>
  typeof marks === "object" && marks !== null && (marks as { readonly version?: unknown }).version === 1
    ? { ...marks, version: 2, left: [] }
    : marks;

export const pictureMarksDocument: DocumentKind<PictureMarks> = {
  name: "set of marks",
  version: 2,
  schema: pictureMarksSchema,
  upgrade: upgradeMarks,
};
