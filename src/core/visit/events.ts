import { z } from "zod";
import { FINISH_IDS } from "../adhesive/finishes";
import { airSchema } from "../air";
import { SIDES } from "../eye/sides";
import { RUN_PAYLOADS } from "../processing/runEvents";

const uuid = z.uuid("An event needs a UUID of its own.");

/** Payload of each kind of event. No words of a person: ids, measures and choices only. */
const payloads = {
  started: z.strictObject({ bottleId: uuid.nullable(), air: airSchema.nullable() }),
  bottleTaken: z.strictObject({ bottleId: uuid }),
  shakeStarted: z.strictObject({ durationS: z.int().min(5).max(600) }),
  beadPlaced: z.strictObject({ lifeS: z.int().min(60).max(3600), air: airSchema.nullable(), bottleId: uuid.nullable() }),
  beadWiped: z.strictObject({}),
  /** A zone of a layer done: zones count from 1 at the inner corner. */
  zonePlaced: z.strictObject({ side: z.enum(SIDES), layer: z.int().min(0).max(9), zone: z.int().min(1).max(40) }),
  /** Brushed through and both eyes seen closed; how many came off of how many, where they were counted. */
  checked: z
    .strictObject({ off: z.int().min(0).max(400).nullable(), of: z.int().min(1).max(400).nullable() })
    .refine(({ off, of }) => (off === null) === (of === null) && (off ?? 0) <= (of ?? 0), "No more can come off than were placed."),
  finishApplied: z.strictObject({ method: z.enum(FINISH_IDS) }),
  /** A bead or a lash timed until it set. */
  setTested: z.strictObject({ seconds: z.number().min(0.1).max(60), air: airSchema, bottleId: uuid }),
  ...RUN_PAYLOADS,
  finished: z.strictObject({}),
  undone: z.strictObject({ eventId: uuid }),
};
export const VISIT_EVENT_TYPES = Object.keys(payloads) as (keyof typeof payloads)[];

const of = <T extends keyof typeof payloads>(type: T) =>
  z.strictObject({
    /** Made by the device, so that sending twice does nothing. */
    id: uuid,
    visitId: uuid,
    /** When it was tapped, ISO with milliseconds, UTC. */
    at: z.iso.datetime({ precision: 3 }),
    /** Whether that time was checked against the server's, or is only the device's own. */
    clock: z.enum(["checked", "device"]),
    type: z.literal(type),
    payload: payloads[type],
  });

export const visitEventSchema = z.discriminatedUnion("type", [
  of("started"),
  of("bottleTaken"),
  of("shakeStarted"),
  of("beadPlaced"),
  of("beadWiped"),
  of("zonePlaced"),
  of("checked"),
  of("finishApplied"),
  of("setTested"),
  of("runPlanned"),
  of("taskDone"),
  of("batchTaken"),
  of("pasteMixed"),
  of("coated"),
  of("wiped"),
  of("extended"),
  of("looked"),
  of("runStopped"),
  of("rinseEnded"),
  of("resultJudged"),
  of("finished"),
  of("undone"),
]);
/** One thing that happened at a visit. Never changed: an undo is an event. */
export type VisitEvent = z.infer<typeof visitEventSchema>;

/** An event with the server's time of receipt, ISO; null while it is only on the device. */
export type KeptEvent = VisitEvent & { readonly serverTime: string | null };

export const visitEventBatchSchema = z.strictObject({
  events: z
    .array(visitEventSchema)
    .min(1)
    .max(200, "At most 200 events at once.")
    // A plan comes in by the door that looks at patch tests and conditions once more.
    .refine((events) => events.every(({ type }) => type !== "runPlanned"), "A plan is made on the server, not sent as a tap."),
});
