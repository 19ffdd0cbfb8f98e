import { deleteDB, openDB, type DBSchema, type IDBPDatabase } from "idb";
import type { KeptEvent, TimeAnchor, VisitEvent } from "@/core/visit";

/** A tap not yet acknowledged. `refused` says why the server would not have it. */
export type WaitingEvent = VisitEvent & { refused?: string };
export type Draft = { key: string; document: unknown; base: number | null; savedAtMs: number };

interface Stores extends DBSchema {
  outbox: { key: string; value: WaitingEvent };
  events: { key: string; value: KeptEvent };
  drafts: { key: string; value: Draft };
  meta: { key: string; value: { key: "timeAnchor"; value: TimeAnchor } };
}

/**
 * What a tablet keeps for one person while they are signed in: taps on their way, the events of running visits, drafts
 * of what is being edited. Ids and measures only. A database a person, so that nobody sends another's taps.
 * Every method rejects where the browser keeps nothing.
 */
export class Tablet {
  private readonly name: string;
  private opened: Promise<IDBPDatabase<Stores>> | null = null;

  constructor(memberId: string) {
    this.name = `ivy-thread-${memberId}`;
  }

  async waiting(): Promise<WaitingEvent[]> {
    return (await this.open()).getAll("outbox");
  }
  async keepWaiting(event: WaitingEvent): Promise<void> {
    await (await this.open()).put("outbox", event);
  }
  /** The server has it: from the outbox to the events, in one go. */
  async acknowledge(event: KeptEvent): Promise<void> {
    const change = (await this.open()).transaction(["outbox", "events"], "readwrite");
    await Promise.all([change.objectStore("events").put(event), change.objectStore("outbox").delete(event.id), change.done]);
  }

  /** Acknowledged events of running visits, so that a reload without network shows the same clocks. */
  async events(): Promise<KeptEvent[]> {
    return (await this.open()).getAll("events");
  }
  async replaceEvents(events: readonly KeptEvent[]): Promise<void> {
    const change = (await this.open()).transaction("events", "readwrite");
    await Promise.all([change.store.clear(), ...events.map((event) => change.store.put(event)), change.done]);
  }

  async timeAnchor(): Promise<TimeAnchor | null> {
    return (await (await this.open()).get("meta", "timeAnchor"))?.value ?? null;
  }
  async keepTimeAnchor(value: TimeAnchor): Promise<void> {
    await (await this.open()).put("meta", { key: "timeAnchor", value });
  }

  async draft(key: string): Promise<Draft | null> {
    return (await (await this.open()).get("drafts", key)) ?? null;
  }
  async keepDraft(draft: Draft): Promise<void> {
    await (await this.open()).put("drafts", draft);
  }
  async dropDraft(key: string): Promise<void> {
    await (await this.open()).delete("drafts", key);
  }
  async countDrafts(): Promise<number> {
    return (await this.open()).count("drafts");
  }

  /** Leaves nothing of a client on the tablet; taps on their way, if any, stay for this person alone. */
  async clear(): Promise<void> {
    const db = await this.open();
    await Promise.all([db.clear("events"), db.clear("drafts"), db.clear("meta")]);
    if ((await db.count("outbox")) > 0) return;
    this.close(db);
    await deleteDB(this.name);
  }

  private open(): Promise<IDBPDatabase<Stores>> {
    return (this.opened ??= openDB<Stores>(this.name, 1, {
      upgrade: (db) => {
        db.createObjectStore("outbox", { keyPath: "id" });
        db.createObjectStore("events", { keyPath: "id" });
        db.createObjectStore("drafts", { keyPath: "key" });
        db.createObjectStore("meta", { keyPath: "key" });
      },
      // Another tab signs out, or brings a newer version: it must not wait for this one.
      blocking: (_, __, event) => this.close(event.target as IDBDatabase),
    }));
  }
  private close(db: Pick<IDBDatabase, "close">): void {
    db.close();
    this.opened = null;
  }
}
