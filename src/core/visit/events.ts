import { z } from "zod";
import { airSchema } from "../air";

const uuid = z.uuid("An event needs a UUID of its own.");

/** Payload of each kind of event. No words of a person: ids, measures and choices only. */
const payloads = {
  started: z.strictObject({ bottleId: uuid.nullable(), air: airSchema.nullable() }),
  bottleTaken: z.strictObject({ bottleId: uuid }),
  shakeStarted: z.strictObject({ durationS: z.int().min(5).max(600) }),
  beadPlaced: z.strictObject({ lifeS: z.int().min(60).max(3600), air: airSchema.nullable(), bottleId: uuid.nullable() }),
  beadWiped: z.strictObject({}),
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
  of("finished"),
  of("undone"),
]);
/** One thing that happened at a visit. Never changed: an undo is an event. */
export type VisitEvent = z.infer<typeof visitEventSchema>;

/** An event with the server's time of receipt, ISO; null while it is only on the device. */
export type KeptEvent = VisitEvent & { readonly serverTime: string | null };

export const visitEventBatchSchema = z.strictObject({
  events: z.array(visitEventSchema).min(1).max(200, "At most 200 events at once."),
});
