import { z } from "zod";
import { FINISH_IDS } from "../adhesive/finishes";
import { airSchema } from "../air";
import { SIDES } from "../eye/sides";
import { isStorable } from "../units/storable";
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

const EARLIEST = Date.UTC(2000, 0, 1);
const LATEST = Date.UTC(2100, 0, 1);
const isOfThisAge = (at: string) => Date.parse(at) >= EARLIEST && Date.parse(at) < LATEST;

const of = <T extends keyof typeof payloads>(type: T) =>
  z.strictObject({
    /** Made by the device, so that sending twice does nothing. */
    id: uuid,
    visitId: uuid,
    /** When it was tapped, ISO with milliseconds, UTC. */
    at: z.iso.datetime({ precision: 3 }).refine(isOfThisAge, "A tap is dated between 2000 and 2100: check the device's clock."),
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
  of("stopTakenBack"),
  of("resultJudged"),
  of("finished"),
  of("undone"),
]);
/** One thing that happened at a visit. Never changed: an undo is an event. */
export type VisitEvent = z.infer<typeof visitEventSchema>;

/** An event with the server's time of receipt, ISO; null while it is only on the device. */
export type KeptEvent = VisitEvent & { readonly serverTime: string | null };

/** At most so many taps are sent at once. */
export const MOST_EVENTS = 200;

/** Kinds that come in by a door of their own on the server, and never as a tap. */
const NO_TAPS: readonly VisitEvent["type"][] = ["runPlanned"];

export type EventsRead = {
  readonly events: readonly VisitEvent[];
  /** Taps that can never be kept, each with why; the rest goes on without them. */
  readonly refused: readonly { readonly id: string | null; readonly why: string }[];
};

/** Reads a batch of taps one by one; null where it is no batch at all. */
export function readVisitEvents(body: unknown): EventsRead | null {
  const batch = z.strictObject({ events: z.array(z.unknown()).min(1).max(MOST_EVENTS) }).safeParse(body);
  if (!batch.success) return null;
  const events: VisitEvent[] = [];
  const refused: { id: string | null; why: string }[] = [];
  for (const one of batch.data.events) {
    const id = uuid.safeParse((one as { id?: unknown } | null)?.id);
    const refuse = (why: string) => refused.push({ id: id.success ? id.data : null, why });
    const parsed = visitEventSchema.safeParse(one);
    if (!isStorable(one)) refuse("It holds characters that cannot be kept.");
    else if (!parsed.success) refuse(parsed.error.issues[0]?.message ?? "This tap cannot be read.");
    else if (NO_TAPS.includes(parsed.data.type)) refuse("A plan is made on the server, not sent as a tap.");
    else events.push(parsed.data);
  }
  return { events, refused };
}
