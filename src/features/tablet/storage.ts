import { deleteDB, openDB, type DBSchema, type IDBPDatabase } from "idb";
import { readKeptEvents, type KeptEvent, type Tap, type TimeAnchor } from "@/core/visit";
import type { Command, RefusedCommand } from "./command";
import { readRunningList, type RunningVisit } from "./runningVisit";
import { isNumber, isText, mayField } from "@/core/document/readField";

/** A tap not yet acknowledged. `refused` says why the server would not have it. */
export type WaitingTap = Tap & { readonly refused?: string };

/** What was being edited. Of what shape the document is, its own workspace knows and parses. */
export type Draft = { readonly key: string; readonly document: unknown; readonly base: number | null; readonly savedAtMs: number };

function readDraft(row: unknown): Draft | null {
  const [key, savedAtMs] = [mayField(row, "key", isText), mayField(row, "savedAtMs", isNumber)];
  if (key === null || savedAtMs === null) return null;
  return { key, document: (row as { document?: unknown }).document, base: mayField(row, "base", isNumber), savedAtMs };
}

/** A command as it was kept; `refused` says why the server would not have it. What its input must be, the server knows. */
export type KeptCommand = Command & Partial<Pick<RefusedCommand, "refused">>;

function readCommand(row: unknown): KeptCommand | null {
  const [id, kind, about, words, path] = ["id", "kind", "about", "words", "path"].map((name) => mayField(row, name, isText));
  const askedAtMs = mayField(row, "askedAtMs", isNumber);
  const [draft, refused] = [mayField(row, "draft", isText), mayField(row, "refused", isText)];
  if (id == null || kind == null || about == null || words == null || path == null || askedAtMs === null) return null;
  const command = { id, kind, about, draft, words, path, input: (row as { input?: unknown }).input, askedAtMs };
  return refused === null ? command : { ...command, refused };
}

function readAnchor(row: unknown): TimeAnchor | null {
  const value = (row as { value?: unknown } | undefined)?.value;
  const [serverMs, monotonicMs, deviceMs] = ["serverMs", "monotonicMs", "deviceMs"].map((name) => mayField(value, name, isNumber));
  const load = mayField(value, "load", isText);
  return serverMs == null || monotonicMs == null || deviceMs == null || load === null ? null : { serverMs, monotonicMs, deviceMs, load };
}

interface Stores extends DBSchema {
  outbox: { key: string; value: WaitingTap };
  events: { key: string; value: KeptEvent; indexes: { visitId: string } };
  commands: { key: string; value: KeptCommand };
  drafts: { key: string; value: Draft };
  meta: { key: string; value: { key: "timeAnchor"; value: TimeAnchor } | { key: "running"; value: readonly RunningVisit[] } };
}

/**
 * What a tablet keeps for one person while they are signed in: taps and commands on their way, the events of running visits,
 * drafts of what is being edited, and whose visits run. A database a person, so that nobody sends another's taps. What an older
 * page left there is parsed like anything from outside. Every method rejects where the browser keeps nothing.
 */
export class TabletStorage {
  private readonly name: string;
  private opened: Promise<IDBPDatabase<Stores>> | null = null;

  constructor(memberId: string) {
    this.name = `ivy-thread-${memberId}`;
  }

  async waiting(): Promise<WaitingTap[]> {
    const rows: unknown[] = await (await this.open()).getAll("outbox");
    return rows.flatMap((row) => {
      const [event] = readKeptEvents([{ serverTime: null, ...(row as object) }]);
      if (!event) return [];
      const { id, visitId, at, clock, type, version, payload } = event;
      const refused = (row as { refused?: unknown }).refused;
      return { id, visitId, at, clock, type, version, payload, ...(typeof refused === "string" ? { refused } : {}) };
    });
  }
  async keepWaiting(tap: WaitingTap): Promise<void> {
    await (await this.open()).put("outbox", tap);
  }
  async dropWaiting(id: string): Promise<void> {
    await (await this.open()).delete("outbox", id);
  }
  /** The server has it: from the outbox to the events, in one go. */
  async acknowledge(event: KeptEvent): Promise<void> {
    const change = (await this.open()).transaction(["outbox", "events"], "readwrite");
    await Promise.all([change.objectStore("events").put(event), change.objectStore("outbox").delete(event.id), change.done]);
  }

  /** Acknowledged events of running visits, so that a reload without network shows the same clocks. */
  async events(): Promise<KeptEvent[]> {
    return readKeptEvents(await (await this.open()).getAll("events"));
  }
  async keepEvents(events: readonly KeptEvent[]): Promise<void> {
    const change = (await this.open()).transaction("events", "readwrite");
    await Promise.all([...events.map((event) => change.store.put(event)), change.done]);
  }
  /** Forgets the events of a visit that is over. */
  async dropVisit(visitId: string): Promise<void> {
    const change = (await this.open()).transaction("events", "readwrite");
    const keys = await change.store.index("visitId").getAllKeys(visitId);
    await Promise.all([...keys.map((key) => change.store.delete(key)), change.done]);
  }

  /** Commands that wait for an answer, and refused ones that nobody has seen. */
  async commands(): Promise<KeptCommand[]> {
    const rows: unknown[] = await (await this.open()).getAll("commands");
    return rows.flatMap((row) => readCommand(row) ?? []);
  }
  async keepCommand(command: KeptCommand): Promise<void> {
    await (await this.open()).put("commands", command);
  }
  async dropCommand(id: string): Promise<void> {
    await (await this.open()).delete("commands", id);
  }

  async timeAnchor(): Promise<TimeAnchor | null> {
    return readAnchor(await (await this.open()).get("meta", "timeAnchor"));
  }
  async keepTimeAnchor(value: TimeAnchor): Promise<void> {
    await (await this.open()).put("meta", { key: "timeAnchor", value });
  }

  /** The visits that ran when the server was heard last: their clocks sound without it too. */
  async running(): Promise<RunningVisit[]> {
    const row = await (await this.open()).get("meta", "running");
    return readRunningList(row?.value);
  }
  async keepRunning(value: readonly RunningVisit[]): Promise<void> {
    await (await this.open()).put("meta", { key: "running", value });
  }

  async draft(key: string): Promise<Draft | null> {
    return readDraft(await (await this.open()).get("drafts", key));
  }
  async keepDraft(draft: Draft): Promise<void> {
    await (await this.open()).put("drafts", draft);
  }
  /** Forgets a draft; with a moment, only one that was last changed up to it. */
  async dropDraft(key: string, upToMs = Infinity): Promise<void> {
    const change = (await this.open()).transaction("drafts", "readwrite");
    const draft = readDraft(await change.store.get(key));
    if (!draft || draft.savedAtMs <= upToMs) await change.store.delete(key);
    await change.done;
  }
  async countDrafts(): Promise<number> {
    return (await this.open()).count("drafts");
  }

  /** Leaves nothing of a client on the tablet; what is on its way, if anything, stays for this person alone. */
  async clear(): Promise<void> {
    const db = await this.open();
    await Promise.all([db.clear("events"), db.clear("drafts"), db.clear("meta")]);
    if ((await db.count("outbox")) + (await db.count("commands")) > 0) return;
    this.close(db);
    await deleteDB(this.name);
  }

  private open(): Promise<IDBPDatabase<Stores>> {
    return (this.opened ??= openDB<Stores>(this.name, 3, {
      upgrade: (db, before) => {
        if (before < 1) {
          db.createObjectStore("outbox", { keyPath: "id" });
          db.createObjectStore("drafts", { keyPath: "key" });
          db.createObjectStore("meta", { keyPath: "key" });
        }
        // What was acknowledged is on the server: the next look brings it, with its numbers.
        if (before === 1) db.deleteObjectStore("events");
        if (before < 2) db.createObjectStore("events", { keyPath: "id" }).createIndex("visitId", "visitId");
        db.createObjectStore("commands", { keyPath: "id" });
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
