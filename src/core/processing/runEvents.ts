import { z } from "zod";
import { airSchema } from "../air/schema";
import { AREAS } from "../eye/areas";
import { DOSE_UNITS } from "../mixing/dose";
import { depthSchema, runPlanSchema } from "./runPlan";
import { RINSE_ENDED_EARLY, STOP_TAKEN_BACK } from "./stopReasons";

const stepId = z.string().min(1).max(31);
const at = { stepId, area: z.enum(AREAS) };
const fraction = z.number().min(0).max(1);

/** Payloads of what happens while something is processed. Products and batches by id, amounts as they were dosed. */
export const RUN_PAYLOADS = {
  runPlanned: z.strictObject({ plan: runPlanSchema, air: airSchema.nullable() }),
  /** An untimed step seen to be done. */
  taskDone: z.strictObject({ stepId }),
  /** The batch that a step's ready product comes from. */
  batchTaken: z.strictObject({ stepId, productId: z.uuid(), batchId: z.uuid() }),
  pasteMixed: z.strictObject({
    stepId,
    lines: z
      .array(
        z.strictObject({
          productId: z.uuid(),
          batchId: z.uuid("Every product of a mix needs its batch."),
          amount: z.number().positive().max(1000),
          unit: z.enum(DOSE_UNITS),
          grams: z.number().positive().max(1000),
        }),
      )
      .min(1)
      .max(8),
    peroxide: z.strictObject({ low: fraction, mid: fraction, high: fraction, known: z.boolean() }),
    lifeS: z.number().min(1).max(3600),
    leftoverG: z.number().min(0).max(1000),
    cost: z.number().min(0).max(100_000).nullable(),
  }),
  /** First touch. */
  coated: z.strictObject(at),
  wiped: z.strictObject(at),
  extended: z.strictObject({ ...at, byS: z.int().min(15).max(600) }),
  looked: z.strictObject({ ...at, depth: depthSchema }),
  runStopped: z.strictObject({ kind: z.enum(["splash", "gluedLids"]), rinseS: z.int().min(60).max(3600) }),
  /** Ended before its time it says why; older tablets sent nothing. */
  rinseEnded: z.strictObject({ why: z.enum(RINSE_ENDED_EARLY).optional() }),
  /** The stop itself is taken back, by name: it stays on the record. */
  stopTakenBack: z.strictObject({ why: z.enum(STOP_TAKEN_BACK) }),
  resultJudged: z.strictObject({
    /** Kept turn in the middle of the line, degrees, and how it was read. */
    turn: z.strictObject({ seenDeg: z.number().min(-90).max(270), by: z.enum(["card", "photo"]) }).nullable(),
    lashDepth: depthSchema.nullable(),
    browDepth: depthSchema.nullable(),
    /** Null, as above, where nobody judged it: only what was answered is learned from. */
    even: z.boolean().nullable(),
    comfort: z.enum(["well", "tickled", "stung"]).nullable(),
  }),
} as const;
export type RunPayloads = { [type in keyof typeof RUN_PAYLOADS]: z.infer<(typeof RUN_PAYLOADS)[type]> };

/** One of those, with when it was. */
export type RunEvent = {
  [type in keyof RunPayloads]: { readonly id: string; readonly type: type; readonly payload: RunPayloads[type]; readonly atMs: number };
}[keyof RunPayloads];
