import { z } from "zod";
import { isStorable } from "../units/storable";
import { EVENT_KINDS, kindOf, type EventPayload, type EventType } from "./events";

const uuid = z.uuid("An event needs a UUID of its own.");
const EARLIEST = Date.UTC(2000, 0, 1);
const LATEST = Date.UTC(2100, 0, 1);
const isOfThisAge = (at: string) => Date.parse(at) >= EARLIEST && Date.parse(at) < LATEST;
/** Above this no kind of event comes; what is not known is kept up to it. */
const MOST_PAYLOAD = 64 * 1024;

/** What all events have, whatever they say. */
const envelope = {
  /** Made by the device, so that sending twice does nothing. */
  id: uuid,
  visitId: uuid,
  /** When it was tapped, ISO with milliseconds, UTC. */
  at: z.iso.datetime({ precision: 3 }).refine(isOfThisAge, "A tap is dated between 2000 and 2100: check the device's clock."),
  /** Whether that time was checked against the server's, or is only the device's own. */
  clock: z.enum(["checked", "device"]),
  type: z.string().regex(/^[a-z][A-Za-z]{1,30}$/, "This is no kind of tap."),
  /** Of the payload. Tablets from before versions were sent name none. */
  version: z.int().min(1).max(999).default(1),
  payload: z.record(z.string(), z.unknown()),
};
const tapSchema = z.strictObject(envelope);
const keptSchema = z.object({ ...envelope, serverTime: z.iso.datetime().nullable(), seq: z.int().min(1).nullable().default(null) });

type Envelope = { readonly id: string; readonly visitId: string; readonly at: string; readonly clock: "checked" | "device" };

/** One thing that happened at a visit, of a kind that is known here. Never changed: an undo is an event. */
export type VisitEvent = {
  [Type in EventType]: Envelope & { readonly type: Type; readonly version: number; readonly payload: EventPayload<Type> };
}[EventType];

/**
 * An event as it is kept: of any kind and version, also of one that this page does not know. `serverTime` and `seq`, its
 * number within the visit, are null while it is only on the device.
 */
export type KeptEvent = Envelope & {
  readonly type: string;
  readonly version: number;
  readonly payload: Readonly<Record<string, unknown>>;
  readonly serverTime: string | null;
  readonly seq: number | null;
};

/** A tap as it is made here. */
export const newEvent = <Type extends EventType>(type: Type, payload: EventPayload<Type>, envelope: Envelope): VisitEvent =>
  ({ ...envelope, type, version: EVENT_KINDS[type].version, payload }) as VisitEvent;

/** What an event says, brought up to date; null for a kind or version that is not known here, or that cannot be read. */
export function readEvent(event: Omit<KeptEvent, "serverTime" | "seq">): VisitEvent | null {
  const read = readPayload(event);
  return read.success ? ({ ...event, version: kindOf(event.type)!.version, payload: read.data } as VisitEvent) : null;
}

function readPayload({ type, version, payload }: Pick<KeptEvent, "type" | "version" | "payload">) {
  const kind = kindOf(type);
  if (!kind || version > kind.version) return { success: false as const, isKnown: false, error: null };
  const upgraded = version < kind.version ? kind.upgrade?.(payload, version) : payload;
  return { isKnown: true, ...kind.payload.safeParse(upgraded) };
}

/** Events that a database, a browser's memory or a server handed over. What is no event at all is left out. */
export function readKeptEvents(rows: unknown): KeptEvent[] {
  return Array.isArray(rows) ? rows.flatMap((row) => keptSchema.safeParse(row).data ?? []) : [];
}

/** At most so many taps are sent at once. */
export const MOST_EVENTS = 200;

/** A tap that came in: what it says, and as it is to be kept. */
export type Tap = Omit<KeptEvent, "serverTime" | "seq">;
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
    else if (kindOf(tap.data.type)?.byServer) refuse("A plan is made on the server, not sent as a tap.");
    else {
      const read = readPayload(tap.data);
      if (read.success) taps.push({ ...tap.data, version: kindOf(tap.data.type)!.version, payload: read.data as Tap["payload"] });
      else if (read.isKnown) refuse(read.error!.issues[0]?.message ?? "This tap cannot be read.");
      else taps.push(tap.data);
    }
  }
  return { taps, refused };
}
