import { z } from "zod";
import { isStorable } from "../units/storable";
import { MOST_EVENTS, UNREADABLE, upToDate, type KeptEvent, type Tap, type VisitEvent } from "./event";
import { kindOf, type EventType } from "./events";
import { EVENT_PAYLOADS } from "./events/payloads";

const uuid = z.uuid("An event needs a UUID of its own.");
const EARLIEST = Date.UTC(2000, 0, 1);
const LATEST = Date.UTC(2100, 0, 1);
const isOfThisAge = (at: string) => Date.parse(at) >= EARLIEST && Date.parse(at) < LATEST;
/** Above this no kind of event comes; what is not known is kept up to it. */
const MOST_PAYLOAD = 64 * 1024;

const tapSchema = z.strictObject({
  /** Made by the device, so that sending twice does nothing. */
  id: uuid,
  visitId: uuid,
  /** When it was tapped, ISO with milliseconds, UTC. */
  at: z.iso.datetime({ precision: 3 }).refine(isOfThisAge, "A tap is dated between 2000 and 2100: check the device's clock."),
  /** Whether that time was checked against the server's, or is only the device's own. */
  clock: z.enum(["checked", "device"]),
  type: z.string().regex(/^[a-z][A-Za-z]{1,30}$/, "This is no kind of tap."),
  /** Of the payload. Tablets from before versions were sent name none. */
  version: z
    .int()
    .min(1)
    .max(UNREADABLE - 1)
    .default(1),
  payload: z.record(z.string(), z.unknown()),
});

const schemas = new Map<string, z.ZodType>();
/** The schema of a kind's payload, made once. */
function schemaOf(type: EventType): z.ZodType {
  const schema = schemas.get(type) ?? EVENT_PAYLOADS[type]();
  schemas.set(type, schema);
  return schema;
}

function readPayload(event: Pick<KeptEvent, "type" | "version" | "payload">) {
  const payload = upToDate(event);
  if (payload === null) return { success: false as const, isKnown: false, error: null };
  return { isKnown: true, ...schemaOf(event.type as EventType).safeParse(payload) };
}

/** What an event says, brought up to date; null for a kind or version that is not known here, or that cannot be read. */
export function readEvent(event: Tap): VisitEvent | null {
  const read = readPayload(event);
  return read.success ? ({ ...event, version: kindOf(event.type)!.version, payload: read.data } as VisitEvent) : null;
}

/**
 * Rows of the database as events, each parsed: what is known comes up to date, what is newer as it is kept; a payload that
 * its kind does not have is marked so that every page passes it over.
 */
export function readRows<Row extends KeptEvent>(rows: readonly Row[]): Row[] {
  return rows.map((row) => {
    const read = readPayload(row);
    if (read.success) return { ...row, version: kindOf(row.type)!.version, payload: read.data as KeptEvent["payload"] };
    return read.isKnown ? { ...row, version: UNREADABLE } : row;
  });
}

export type TapsRead = {
  readonly taps: readonly Tap[];
  /** Taps that can never be kept, each with why; the rest goes on without them. */
  readonly refused: readonly { readonly id: string | null; readonly why: string }[];
};

/**
 * Reads a batch of taps one by one; null where it is no batch at all. A kind or version that is not known here is kept as it
 * came: the tablet may be newer than this server.
 */
export function readTaps(body: unknown): TapsRead | null {
  const batch = z.strictObject({ events: z.array(z.unknown()).min(1).max(MOST_EVENTS) }).safeParse(body);
  if (!batch.success) return null;
  const taps: Tap[] = [];
  const refused: { id: string | null; why: string }[] = [];
  for (const one of batch.data.events) {
    const id = uuid.safeParse((one as { id?: unknown } | null)?.id);
    const refuse = (why: string) => refused.push({ id: id.success ? id.data : null, why });
    const tap = tapSchema.safeParse(one);
    if (!isStorable(one)) refuse("It holds characters that cannot be kept.");
    else if (!tap.success) refuse(tap.error.issues[0]?.message ?? "This tap cannot be read.");
    else if (JSON.stringify(tap.data.payload).length > MOST_PAYLOAD) refuse("It is too long to be kept.");
    else if (kindOf(tap.data.type)?.byServer) refuse("This is made on the server, not sent as a tap.");
    else {
      const read = readPayload(tap.data);
      if (read.success) taps.push({ ...tap.data, version: kindOf(tap.data.type)!.version, payload: read.data as Tap["payload"] });
      else if (read.isKnown) refuse(read.error!.issues[0]?.message ?? "This tap cannot be read.");
      else taps.push(tap.data);
    }
  }
  return { taps, refused };
}
