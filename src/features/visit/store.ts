import { CLOCKS_APART_MS, clocksApartMs, trueTime, type KeptEvent, type TimeAnchor, type TrueTime, type VisitEvent } from "@/core/visit";
import type { RunningVisit } from "./running";
import { newId } from "@/ui/newId";
import type { Tablet } from "./tablet";

export type Reach = "safe" | "sending" | "no server" | "signed out";

/** What the screens see; replaced as a whole whenever something changes. */
export type VisitSnapshot = {
  readonly visits: readonly RunningVisit[];
  readonly events: ReadonlyMap<string, readonly KeptEvent[]>;
  readonly unsent: number;
  readonly refused: readonly string[];
  readonly reach: Reach;
  /** False where this browser will not keep anything, as in some private windows: taps then live in this page alone. */
  readonly keeps: boolean;
  readonly clock: TrueTime["clock"];
};

const EMPTY: VisitSnapshot = { visits: [], events: new Map(), unsent: 0, refused: [], reach: "safe", keeps: true, clock: "device" };
const LOAD = newId();
const ASK_TIME_EVERY_MS = 5000;

/**
 * Taps of visits on this device: written to IndexedDB and shown at once, sent when it can be, acknowledged by id.
 * Clocks are reckoned elsewhere from the events; nothing here counts.
 */
export class VisitStore {
  private snapshot = EMPTY;
  private readonly known = new Map<string, KeptEvent>();
  private readonly outbox = new Map<string, VisitEvent>();
  private readonly listeners = new Set<() => void>();
  private anchor: TimeAnchor | null = null;
  private askedTimeMs = 0;
  private sending = false;
  private waitMs = 0;
  private timer: ReturnType<typeof setTimeout> | null = null;

  constructor(private readonly tablet: Tablet) {}

  subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };
  getSnapshot = () => this.snapshot;
  getServerSnapshot = () => EMPTY;

  /** Takes up what the tablet kept, then asks the server for the time and the running visits. */
  async begin(): Promise<void> {
    await this.onTablet(async () => {
      this.anchor = await this.tablet.timeAnchor();
      for (const event of await this.tablet.events()) this.known.set(event.id, event);
      const refused: string[] = [];
      for (const { refused: why, ...event } of await this.tablet.waiting()) {
        if (why) refused.push(why);
        else this.outbox.set(event.id, event as VisitEvent);
      }
      this.publish({ refused });
    });
    await this.syncTime();
    await this.refresh();
    void this.send();
  }

  /** What time it is, by the server where it was seen. */
  now(): TrueTime {
    const now = { deviceMs: Date.now(), monotonicMs: performance.now(), load: LOAD };
    const apart = this.anchor && clocksApartMs(this.anchor, now);
    // The device slept or its clock was set: the server is asked again, but not at every tick while it is away.
    if (apart && Math.abs(apart) > CLOCKS_APART_MS && now.monotonicMs > this.askedTimeMs + ASK_TIME_EVERY_MS) void this.syncTime();
    return trueTime(this.anchor, now);
  }

  async syncTime(): Promise<void> {
    this.askedTimeMs = performance.now();
    try {
      const before = performance.now();
      const response = await fetch("/api/time", { cache: "no-store" });
      const { serverMs } = (await response.json()) as { serverMs: number };
      const after = performance.now();
      this.anchor = { serverMs, monotonicMs: (before + after) / 2, deviceMs: Date.now() - (after - before) / 2, load: LOAD };
      const anchor = this.anchor;
      await this.onTablet(() => this.tablet.keepTimeAnchor(anchor));
    } catch {
      // Without the server the last anchor serves, and the header says the time is unchecked.
    }
    this.publish({});
  }

  /** Reads the running visits from the server; another tablet may have tapped. */
  async refresh(): Promise<void> {
    try {
      const response = await fetch("/api/visits/running", { cache: "no-store" });
      if (response.status === 401) return this.publish({ reach: "signed out" });
      if (!response.ok) throw new Error(String(response.status));
      const { visits } = (await response.json()) as { visits: RunningVisit[] };
      // Events are only ever added: one acknowledged while this answer was on its way is not in it yet, and a visit
      // just finished is no longer among the running ones, though its page is still open.
      for (const event of visits.flatMap((visit) => visit.events)) this.known.set(event.id, event);
      const running = new Set(visits.map((visit) => visit.id));
      await this.onTablet(() => this.tablet.replaceEvents([...this.known.values()].filter((event) => running.has(event.visitId))));
      this.publish({ visits, reach: this.outbox.size ? "sending" : "safe" });
    } catch {
      this.publish({ reach: "no server" });
    }
  }

  /** Takes in a visit's events that a page brought with it. */
  adopt(events: readonly KeptEvent[]): void {
    const missing = events.filter((event) => !this.known.has(event.id));
    if (missing.length === 0) return;
    for (const event of missing) this.known.set(event.id, event);
    this.publish({});
  }

  /** One tap: kept on the tablet, then shown, then sent. */
  async tap<T extends VisitEvent["type"]>(visitId: string, type: T, payload: Extract<VisitEvent, { type: T }>["payload"]): Promise<void> {
    const { ms, clock } = this.now();
    const event = { id: newId(), visitId, at: new Date(Math.round(ms)).toISOString(), clock, type, payload } as VisitEvent;
    this.outbox.set(event.id, event);
    this.publish({ reach: "sending" });
    await this.onTablet(() => this.tablet.keepWaiting(event));
    void this.send();
  }

  /** Does something in the tablet's memory; where the browser keeps none, says so and goes on without it. */
  private async onTablet(work: () => PromiseLike<unknown>): Promise<void> {
    try {
      await work();
    } catch {
      this.publish({ keeps: false });
    }
  }

  private async send(): Promise<void> {
    if (this.sending || this.outbox.size === 0) return;
    this.sending = true;
    const batch = [...this.outbox.values()].slice(0, 200);
    try {
      const response = await fetch("/api/visits/events", {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify({ events: batch }),
      });
      if (response.status === 401) {
        this.publish({ reach: "signed out" });
        this.retryLater();
        return;
      }
      if (response.status >= 500 || response.status === 429) throw new Error(String(response.status));
      const answer = (await response.json()) as {
        kept?: { id: string; serverTime: string }[];
        unknown?: string[];
        refused?: { id: string | null; why: string }[];
        message?: string;
      };
      const refusedFor = new Map((answer.refused ?? []).map((one) => [one.id, one.why]));
      const acknowledged = new Map((answer.kept ?? []).map((row) => [row.id, row.serverTime]));
      const refused = [...this.snapshot.refused];
      for (const event of batch) {
        const serverTime = acknowledged.get(event.id);
        if (serverTime) {
          const kept = { ...event, serverTime };
          this.known.set(event.id, kept);
          await this.onTablet(() => this.tablet.acknowledge(kept));
        } else {
          const why = refusedFor.get(event.id) ?? answer.message ?? "the visit is not in this studio";
          refused.push(`${event.type}: ${why}`);
          await this.onTablet(() => this.tablet.keepWaiting({ ...event, refused: why }));
        }
        this.outbox.delete(event.id);
      }
      this.waitMs = 0;
      this.publish({ reach: this.outbox.size ? "sending" : "safe", refused });
      // A visit just begun is not among the running ones yet.
      if (batch.some((event) => event.type === "started" || event.type === "finished" || event.type === "undone")) void this.refresh();
    } catch {
      this.publish({ reach: "no server" });
      this.retryLater();
    } finally {
      this.sending = false;
    }
    if (this.outbox.size > 0 && this.waitMs === 0) void this.send();
  }

  private retryLater(): void {
    this.waitMs = Math.min(15_000, Math.max(1000, this.waitMs * 2));
    if (this.timer) clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.send(), this.waitMs);
  }

  private publish(change: Partial<VisitSnapshot>): void {
    const events = new Map<string, KeptEvent[]>();
    const pending = [...this.outbox.values()].map((event) => ({ ...event, serverTime: null }));
    for (const event of [...this.known.values(), ...pending]) events.set(event.visitId, [...(events.get(event.visitId) ?? []), event]);
    this.snapshot = { ...this.snapshot, ...change, events, unsent: this.outbox.size, clock: this.now().clock };
    for (const listener of this.listeners) listener();
  }
}
