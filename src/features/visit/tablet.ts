import Dexie, { type EntityTable } from "dexie";
import type { KeptEvent, TimeAnchor, VisitEvent } from "@/core/visit";

/**
 * What a tablet keeps for one person while they are signed in: taps on their way, the events of running visits, drafts
 * of what is being edited. Ids and measures only. A database a person, so that nobody sends another's taps.
 */
export type Tablet = Dexie & {
  /** Tapped, not yet acknowledged. `refused` says why the server would not have it. */
  outbox: EntityTable<VisitEvent & { refused?: string }, "id">;
  /** Acknowledged events of running visits, so that a reload without network shows the same clocks. */
  events: EntityTable<KeptEvent, "id">;
  drafts: EntityTable<Draft, "key">;
  meta: EntityTable<{ key: "timeAnchor"; value: TimeAnchor }, "key">;
};

export type Draft = { key: string; document: unknown; base: number | null; savedAtMs: number };

const nameOf = (memberId: string) => `ivy-thread-${memberId}`;

export function openTablet(memberId: string): Tablet {
  const database = new Dexie(nameOf(memberId)) as Tablet;
  database.version(1).stores({ outbox: "id, visitId", events: "id, visitId", drafts: "key", meta: "key" });
  return database;
}

/** Leaves nothing of a client on the tablet; taps on their way, if any, stay for this person alone. */
export async function clearTablet(tablet: Tablet): Promise<void> {
  const waiting = await tablet.outbox.count();
  await Promise.all([tablet.events.clear(), tablet.drafts.clear(), tablet.meta.clear()]);
  if (waiting === 0) await tablet.delete();
}
