import { z } from "zod";
import { FINISH_IDS } from "../adhesive/finishes";
import { airSchema } from "../air/schema";
import { AREAS } from "../eye/areas";
import { SIDES } from "../eye/sides";
import { mixedPasteSchema } from "../processing/paste";
import { runPlanSchema } from "../processing/runPlan";
import { runResultSchema } from "../processing/runResult";
import { RINSE_ENDED_EARLY, STOP_TAKEN_BACK } from "../processing/stopReasons";
import type { VisitState } from "./parts";

const ms = z.number();
const air = airSchema.nullable();
const eventId = z.string();
const stop = z.object({
  kind: z.enum(["splash", "gluedLids"]),
  atMs: ms,
  rinseS: z.number(),
  endedAtMs: ms.nullable(),
  endedEarly: z.enum(RINSE_ENDED_EARLY).nullable(),
});

const headSchema = z.object({
  startedAtMs: ms.nullable(),
  finishedAtMs: ms.nullable(),
  startAir: air,
  lastUndoable: z.object({ id: z.string(), type: z.string() }).nullable(),
});

const setSchema = z.object({
  bottleId: z.string().nullable(),
  shake: z.object({ eventId, startedAtMs: ms, durationS: z.number() }).nullable(),
  beads: z.array(
    z.object({
      eventId,
      number: z.int(),
      placedAtMs: ms,
      lifeS: z.number(),
      air,
      bottleId: z.string().nullable(),
      endedAtMs: ms.nullable(),
    }),
  ),
  shakenAtMs: ms.nullable(),
  zones: z.array(z.object({ eventId, side: z.enum(SIDES), layer: z.int(), zone: z.int(), atMs: ms })),
  checks: z.array(z.object({ eventId, atMs: ms, beadNumber: z.int(), brush: z.object({ off: z.int(), of: z.int() }).nullable() })),
  checkDueSinceMs: ms.nullable(),
  finish: z.object({ method: z.enum(FINISH_IDS), atMs: ms }).nullable(),
  tests: z.array(z.object({ eventId, atMs: ms, seconds: z.number(), air: airSchema, bottleId: z.string() })),
});

const runSchema = z.object({
  plan: runPlanSchema.nullable(),
  plannedAtMs: ms.nullable(),
  air,
  /** Pairs of a step and when it was seen done: JSON knows no maps. */
  tasks: z.array(z.tuple([z.string(), ms])).transform((pairs) => new Map(pairs)),
  batches: z.array(z.object({ stepId: z.string(), productId: z.string(), batchId: z.string(), atMs: ms })),
  pastes: z.array(mixedPasteSchema.extend({ eventId, mixedAtMs: ms })),
  coats: z.array(
    z.object({
      eventId,
      stepId: z.string(),
      area: z.enum(AREAS),
      onAtMs: ms,
      offAtMs: ms.nullable(),
      extraS: z.number(),
      looks: z.array(z.object({ atMs: ms, depth: z.number() })),
      pasteEventId: z.string().nullable(),
    }),
  ),
  stop: stop.nullable(),
  stopsTakenBack: z.array(stop.extend({ takenBackAtMs: ms, why: z.enum(STOP_TAKEN_BACK) })),
  result: runResultSchema.extend({ atMs: ms }).nullable(),
});

/** Counts up whenever a part changes its shape, or is folded otherwise than before: kept states are then folded anew. */
export const STATE_VERSION = 1;
const documentSchema = z.object({ version: z.literal(STATE_VERSION), head: headSchema, set: setSchema, run: runSchema });

/** A state as it is kept as JSON. Everything in it follows from the visit's events. */
export type StateDocument = z.input<typeof documentSchema>;

export const writeState = ({ head, set, run }: VisitState): StateDocument =>
  ({ version: STATE_VERSION, head, set, run: { ...run, tasks: [...run.tasks] } }) as StateDocument;

/** A state as it was kept; null for one of another version, or that cannot be read: it is folded from the events then. */
export function readState(document: unknown): VisitState | null {
  const read = documentSchema.safeParse(document);
  return read.success ? { head: read.data.head, set: read.data.set, run: read.data.run } : null;
}
