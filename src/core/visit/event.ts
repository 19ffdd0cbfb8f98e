import { EVENT_KINDS, kindOf, type EventType } from "./events";
import type { EventPayload } from "./events/payloads";

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

/** A tap: what it says, as it is sent and kept. */
export type Tap = Omit<KeptEvent, "serverTime" | "seq">;

/** A tap as it is made here. */
export const newEvent = <Type extends EventType>(type: Type, payload: EventPayload<Type>, envelope: Envelope): VisitEvent =>
  ({ ...envelope, type, version: EVENT_KINDS[type].version, payload }) as VisitEvent;

/** At most so many taps are sent at once. */
export const MOST_EVENTS = 200;

/** A payload that its kind does not have is kept under this version, which no page knows: it is passed over everywhere. */
export const UNREADABLE = 999;

/** A payload as the newest version of its kind has it; null for a kind or version that is not known here. */
export function upToDate({ type, version, payload }: Pick<KeptEvent, "type" | "version" | "payload">): unknown {
  const kind = kindOf(type);
  if (!kind || version > kind.version) return null;
  return version < kind.version ? (kind.upgrade?.(payload, version) ?? null) : payload;
}

/**
 * Events that a browser's memory or the server handed over. What is no event at all is left out. What an event says was
 * parsed when it came to the server, and is again each time it leaves the database (`readRows`).
 */
export function readKeptEvents(rows: unknown): KeptEvent[] {
  return Array.isArray(rows) ? rows.flatMap((row) => readKept(row) ?? []) : [];
}

function readKept(row: unknown): KeptEvent | null {
  if (typeof row !== "object" || row === null) return null;
  const { id, visitId, at, clock, type, version = 1, payload, serverTime, seq = null } = row as Record<string, unknown>;
  const isMoment = (value: unknown): value is string => typeof value === "string" && Number.isFinite(Date.parse(value));
  if (typeof id !== "string" || typeof visitId !== "string" || typeof type !== "string" || !isMoment(at)) return null;
  if ((clock !== "checked" && clock !== "device") || typeof version !== "number") return null;
  if (typeof payload !== "object" || payload === null || Array.isArray(payload)) return null;
  if ((serverTime !== null && !isMoment(serverTime)) || (seq !== null && typeof seq !== "number")) return null;
  return { id, visitId, at, clock, type, version, payload: payload as KeptEvent["payload"], serverTime, seq };
}
