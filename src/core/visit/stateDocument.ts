import { z } from "zod";
import { FINISH_IDS } from "../adhesive/finishes";
import { airSchema } from "../air/schema";
import { AREAS } from "../eye/areas";
import { SIDES } from "../eye/sides";
import { COUNTED_BY, SLEPT_ON } from "../fill/choices";
import { LAYER_ROLES } from "../map/layerBounds";
import { INSPECTION_IDS } from "../placing/inspections";
import { ATTACHMENT_IDS, DIP_IDS, PAUSE_REASON_IDS, PRIMER_IDS, REDO_REASON_IDS, TAPE_IDS } from "../placing/choices";
import type { PlacingWork } from "../placing/work";
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

const stepsSchema = z.object({
  done: z.array(z.object({ stepId: z.string(), eventId, atMs: ms })),
  soak: z.object({ eventId, startedAtMs: ms, contactS: z.number(), batchId: z.string().nullable(), endedAtMs: ms.nullable() }).nullable(),
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
  inspections: z.array(z.object({ eventId, what: z.enum(INSPECTION_IDS), side: z.enum(SIDES).nullable(), found: z.int(), atMs: ms })),
  with: z.object({
    primer: z.object({ is: z.enum(PRIMER_IDS), batchId: z.string().nullable() }).nullable(),
    dip: z.enum(DIP_IDS).nullable(),
    mask: z.boolean().nullable(),
    fan: z.boolean().nullable(),
    attachedAll: z.enum(ATTACHMENT_IDS).nullable(),
    attached: z.array(z.object({ side: z.enum(SIDES), layer: z.int(), zone: z.int(), is: z.enum(ATTACHMENT_IDS) })),
  }),
});

const span = { fromMs: ms, toMs: ms.nullable() };
/** A set has hundreds of lashes: one is a row of figures. */
const lashRow = z.tuple([z.enum(SIDES), z.int(), z.int(), z.int(), z.int(), ms]);
type LashRow = z.infer<typeof lashRow>;
const redoneSchema = z.object({
  side: z.enum(SIDES),
  layer: z.int(),
  zone: z.int(),
  piece: z.int(),
  n: z.int(),
  atMs: ms,
  why: z.enum(REDO_REASON_IDS),
});
const placingSchema = z.object({
  lashes: z.array(lashRow.transform(([side, layer, zone, piece, n, atMs]) => ({ side, layer, zone, piece, n, atMs }))),
  redone: z.array(redoneSchema),
  faults: z.array(redoneSchema),
  pauses: z.array(z.object({ ...span, why: z.enum(PAUSE_REASON_IDS).nullable() })),
  talk: z.array(z.object(span)),
  targets: z
    .object({
      minutes: z.int().nullable(),
      atMs: ms,
      spots: z.array(z.object({ side: z.enum(SIDES), layer: z.int(), zone: z.int(), piece: z.int(), planned: z.int() })),
    })
    .nullable(),
  tapes: z.array(z.object({ ...span, what: z.enum(TAPE_IDS), side: z.enum(SIDES) })),
});
const placingRows = ({ lashes, ...rest }: PlacingWork) => ({
  ...rest,
  lashes: lashes.map(({ side, layer, zone, piece, n, atMs }): LashRow => [side, layer, zone, piece, n, atMs]),
});

const foundZone = { side: z.enum(SIDES), layer: z.int(), zone: z.int() };
const fillSchema = z.object({
  counted: z.array(
    z.object({
      ...foundZone,
      setVisitId: z.string().nullable(),
      role: z.enum(LAYER_ROLES),
      from: z.number(),
      to: z.number(),
      left: z.int(),
      twisted: z.int().nullable(),
      outgrown: z.int().nullable(),
      by: z.enum(COUNTED_BY),
      atMs: ms,
    }),
  ),
  off: z.array(z.object({ ...foundZone, n: z.int(), hurt: z.boolean(), atMs: ms })),
  since: z.object({
    washesAWeek: z.int().nullable(),
    oil: z.boolean().nullable(),
    steam: z.boolean().nullable(),
    cried: z.boolean().nullable(),
    sleepsOn: z.enum(SLEPT_ON).nullable(),
  }),
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
export const STATE_VERSION = 4;
const documentSchema = z.object({
  version: z.literal(STATE_VERSION),
  head: headSchema,
  steps: stepsSchema,
  set: setSchema,
  fill: fillSchema,
  placing: placingSchema,
  run: runSchema,
});

/** A state as it is kept as JSON. Everything in it follows from the visit's events. */
export type StateDocument = z.input<typeof documentSchema>;

export const writeState = ({ head, steps, set, fill, placing, run }: VisitState): StateDocument =>
  ({
    version: STATE_VERSION,
    head,
    steps,
    set,
    fill,
    placing: placingRows(placing),
    run: { ...run, tasks: [...run.tasks] },
  }) as StateDocument;

/** A state as it was kept; null for one of another version, or that cannot be read: it is folded from the events then. */
export function readState(document: unknown): VisitState | null {
  const read = documentSchema.safeParse(document);
  if (!read.success) return null;
  const { version: _, ...state } = read.data;
  return state;
}
