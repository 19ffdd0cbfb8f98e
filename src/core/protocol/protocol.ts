import { PROTOCOL_SERVICES, type ServiceKind } from "../service";
import { z } from "zod";
import { DOSE_UNITS } from "../mixing/dose";
import { PRODUCT_KINDS, type ProductKind } from "../mixing/productKinds";
import type { DocumentKind } from "../document";

const productKinds = Object.keys(PRODUCT_KINDS) as [ProductKind, ...ProductKind[]];
const words = (most: number) => z.string().trim().min(1, "Say it in words.").max(most, `${most} characters at most.`);
const statements = z.array(words(160)).max(8, "Eight at most.");
const stepId = z.string().regex(/^[a-z][a-z0-9-]{0,30}$/, "A short name of small letters, figures and dashes.");
/** Longer than this nothing of the trade stays on, s. */
const LONGEST_S = 3600;
const seconds = z.number().min(0, "Time does not run backwards.").max(LONGEST_S, "An hour at most.");

/** What a time is multiplied by where something speeds or slows the work; a leaflet's range is still the end of it. */
export const speedsSchema = z.strictObject({
  filmCover: z.number().min(0.3, "From 0.3 to 1.").max(1, "A cover never slows: from 0.3 to 1."),
  fine: z.number().min(0.3, "From 0.3 to 1.5.").max(1.5, "From 0.3 to 1.5."),
  coarse: z.number().min(0.5, "From 0.5 to 2.").max(2, "From 0.5 to 2."),
  processed: z.number().min(0.3, "From 0.3 to 1.").max(1, "Processed hair takes no longer: from 0.3 to 1."),
  /** Read from older protocols and without effect: a lotion lies on skin, and the room does not lengthen it. */
  perDegree: z.number().min(0.9).max(1).optional(),
});
export type Speeds = z.infer<typeof speedsSchema>;

const processStepSchema = z.strictObject({
  kind: z.literal("process"),
  id: stepId,
  name: words(60),
  /** What lies on the hair; null is caught by `checkProtocol`, in words. */
  product: z.enum(productKinds).nullable(),
  on: z.enum(["lashes", "brows"]),
  where: z.enum(["rootOnly", "rootToMiddle", "wholeLength", "skinClear"]),
  /** The leaflet's range: no factor and no hand plans past it. */
  leastS: seconds,
  mostS: seconds,
  defaultS: seconds,
  /** A look at the hair, with its depth, so often; null where none is asked for. */
  lookEveryS: z.number().min(30, "Not oftener than every half minute.").max(1200).nullable(),
  speeds: speedsSchema,
  before: statements,
  after: statements,
  /** How it comes off. */
  removal: words(200),
  /** Steps that must be off everywhere before this one goes on, by id. */
  waitsFor: z.array(stepId).max(8),
  /** Steps that must come off before this one does, by id. */
  offAfter: z.array(stepId).max(8),
  /** Mixed just before: how much for a pair of lashes, and how long the paste is good. Null where it comes ready. */
  mix: z
    .strictObject({
      colourAmount: z.number().positive().max(100),
      colourUnit: z.enum(DOSE_UNITS),
      developerAmount: z.number().positive().max(100),
      developerUnit: z.enum(DOSE_UNITS),
      pasteLifeS: z.number().min(0).max(LONGEST_S),
    })
    .nullable(),
});
export type ProcessStep = z.infer<typeof processStepSchema>;

const taskStepSchema = z.strictObject({
  kind: z.enum(["prepare", "release", "rinse", "care"]),
  id: stepId,
  name: words(60),
  on: z.enum(["lashes", "brows", "both"]),
  /** What must be seen to be so before going on. */
  checks: statements,
});
export type TaskStep = z.infer<typeof taskStepSchema>;

const serviceKinds = PROTOCOL_SERVICES as [ServiceKind, ...ServiceKind[]];

/** A way of working, step by step, as data. Whether it is possible at all, `checkProtocol` says. */
export const protocolSchema = z.strictObject({
  version: z.literal(1, "This protocol is of a version that this Ivy Thread does not read; it reads version 1."),
  name: words(80),
  service: z.enum(serviceKinds),
  /** Where its figures come from: "common practice", or the leaflet that the studio went by. */
  source: words(200),
  /** Not again before so many days. */
  againAfterDays: z.int().min(0).max(365, "A year at most."),
  steps: z
    .array(z.discriminatedUnion("kind", [processStepSchema, taskStepSchema]))
    .min(1, "A protocol needs a step.")
    .max(30),
});
export type Protocol = z.infer<typeof protocolSchema>;
export type Step = Protocol["steps"][number];

export const protocolDocument: DocumentKind<Protocol> = { name: "protocol", version: 1, schema: protocolSchema };
