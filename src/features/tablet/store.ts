import {
  isDrying,
  isSoaking,
  MOST_EVENTS,
  newEvent,
  VisitFold,
  type EventPayload,
  type EventType,
  type KeptEvent,
  type Tap,
  type TrueTime,
} from "@/core/visit";
import { newId } from "@/ui/newId";
import { TabletClock } from "./clock";
import { thisDevice, type Device } from "./device";
import { SignedOut, studioNetwork, type Network } from "./network";
import type { RunningVisit } from "./runningVisit";
import type { TabletStorage } from "./storage";

export type Reach = "safe" | "sending" | "no server" | "signed out";

/** A tap that the server would not have: of which kind, and why. */
export type RefusedTap = { readonly id: string; readonly type: string; readonly why: string };

/** What the screens see; replaced as a whole whenever something changes. */
export type TabletState = {
  readonly visits: readonly RunningVisit[];
  /** Visits by their ids, each folded from what is known of it here; taps on their way included. */
  readonly folds: ReadonlyMap<string, VisitFold>;
  readonly unsent: number;
  /** Something has waited longer than an answer usually takes: only then is it worth a word, or it would flicker with every tap. */
  readonly isSlow: boolean;
  readonly refused: readonly RefusedTap[];
  readonly reach: Reach;
  /** False where this browser will not keep anything, as in some private windows: taps then live in this page alone. */
  readonly keeps: boolean;
  readonly clock: TrueTime["clock"];
  /** The server was asked once which visits run, whatever it answered. */
  readonly asked: boolean;
};

const EMPTY: TabletState = {
  visits: [],
  folds: new Map(),
  unsent: 0,
  isSlow: false,
  refused: [],
  reach: "safe",
  keeps: true,
  clock: "device",
  asked: false,
};
const LONGEST_WAIT_MS = 5000;
const SLOW_AFTER_MS = 700;
/** Shown first, sent then: asking the network costs as much as drawing the tap, and belongs into the frame after it. */
const SEND_AFTER_MS = 40;

/**
 * Taps of visits on this device: written to IndexedDB and shown at once, sent when it can be, acknowledged by id.
 * Clocks are reckoned elsewhere from the events; nothing here counts.
 */
export class TabletStore {
  private state = EMPTY;
  private readonly outbox = new Map<string, Tap>();
  private readonly listeners = new Set<() => void>();
  private readonly clock: TabletClock;
  private sending = false;
  private waitMs = 0;
  private callOff: (() => void) | null = null;

  constructor(
    private readonly storage: TabletStorage,
    private readonly network: Network = studioNetwork,
    private readonly device: Device = thisDevice,
  ) {
    this.clock = new TabletClock(device, () => network.serverTime());
  }

  subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };
  getSnapshot = () => this.state;
  getServerSnapshot = () => EMPTY;

  /** Takes up what the tablet kept, then asks the server for the time and the running visits. */
  async begin(): Promise<void> {
    await this.onTablet(async () => {
      this.clock.resume(await this.storage.timeAnchor());
      const events = await this.storage.events();
      const running = await this.storage.running();
      const refused: RefusedTap[] = [];
      for (const { refused: why, ...tap } of await this.storage.waiting()) {
        if (why) refused.push({ id: tap.id, type: tap.type, why });
        else this.outbox.set(tap.id, tap);
      }
      this.publish({
        refused,
        visits: this.state.asked ? this.state.visits : running,
        folds: this.withEvents([...events, ...[...this.outbox.values()].map(unsent)]),
      });
    });
    await this.wake();
  }

  /** The network may be there again, or the device awake: everything is asked and sent anew, without waiting. */
  async wake(): Promise<void> {
    this.waitMs = 0;
    this.callOff?.();
    void this.send();
    await this.syncTime();
    await this.refresh();
  }

  /** What time it is, by the server where it was seen. */
  now(): TrueTime {
    if (this.clock.isDoubtful) void this.syncTime();
    return this.clock.now();
  }

  async syncTime(): Promise<void> {
    try {
      const anchor = await this.clock.ask();
      await this.onTablet(() => this.storage.keepTimeAnchor(anchor));
    } catch {
      // Without the server the last anchor serves, and the header says the time is unchecked.
    }
    this.publish({});
  }

  /** Reads the running visits from the server, and of each what is not known here; another tablet may have tapped. */
  async refresh(): Promise<void> {
    try {
      const { visits } = await this.network.running(this.known());
      const events = visits.flatMap((visit) => visit.events);
      const running = new Set(visits.map(({ id }) => id));
      const over = this.state.visits.filter(({ id }) => !running.has(id));
      this.publish({
        asked: true,
        visits: visits.map(({ events: _, ...visit }) => visit),
        folds: this.withEvents(events),
        reach: this.outbox.size ? "sending" : "safe",
      });
      await this.onTablet(async () => {
        if (events.length > 0) await this.storage.keepEvents(events);
        // A visit just finished is no longer among the running ones, though its page is still open.
        for (const { id } of over) await this.storage.dropVisit(id);
        await this.storage.keepRunning(this.state.visits);
      });
      void this.send();
    } catch (error) {
      this.publish({ asked: true, reach: error instanceof SignedOut ? "signed out" : "no server" });
    }
  }

  /** Whether a visit's events up to a number are known here: what a tablet tapped itself comes back as news. */
  knows(visitId: string, seq: number): boolean {
    return (this.state.folds.get(visitId)?.seqWithoutGap ?? 0) >= seq;
  }

  /** Takes in a visit's events that a page brought with it. */
  adopt(events: readonly KeptEvent[]): void {
    const folds = this.withEvents(events);
    if (folds !== this.state.folds) this.publish({ folds });
  }

  /** One tap: kept on the tablet, then shown, then sent. */
  async tap<Type extends EventType>(visitId: string, type: Type, payload: EventPayload<Type>): Promise<void> {
    const { ms, clock } = this.now();
    const tap = newEvent(type, payload, { id: newId(), visitId, at: new Date(Math.round(ms)).toISOString(), clock });
    this.outbox.set(tap.id, tap);
    this.sayIfSlow();
    this.publish({ reach: "sending", folds: this.withEvents([unsent(tap)]) });
    await this.onTablet(() => this.storage.keepWaiting(tap));
    this.device.later(SEND_AFTER_MS, () => void this.send());
  }

  /** Takes back the last that can be, as it is known at this moment. */
  async takeBackLast(visitId: string): Promise<void> {
    const last = this.state.folds.get(visitId)?.state.head.lastUndoable;
    if (last) await this.tap(visitId, "undone", { eventId: last.id });
  }

  /** One that was refused has been seen. */
  async forget(id: string): Promise<void> {
    this.publish({ refused: this.state.refused.filter((one) => one.id !== id) });
    await this.onTablet(() => this.storage.dropWaiting(id));
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
    const batch = [...this.outbox.values()].slice(0, MOST_EVENTS);
    try {
      const answer = await this.network.send(batch);
      const refusedFor = new Map(answer.refused.map((one) => [one.id, one.why]));
      const acknowledged = new Map(answer.kept.map((row) => [row.id, row]));
      const refused = [...this.state.refused];
      const kept: KeptEvent[] = [];
      for (const tap of batch) {
        const row = acknowledged.get(tap.id);
        this.outbox.delete(tap.id);
        if (row) {
          const event = { ...tap, serverTime: row.serverTime, seq: row.seq };
          kept.push(event);
          await this.onTablet(() => this.storage.acknowledge(event));
        } else {
          const why = refusedFor.get(tap.id) ?? answer.message ?? "the visit is not in this studio";
          refused.push({ id: tap.id, type: tap.type, why });
          await this.onTablet(() => this.storage.keepWaiting({ ...tap, refused: why }));
        }
      }
      this.waitMs = 0;
      const gone = new Set(batch.filter(({ id }) => !acknowledged.has(id)).map(({ id }) => id));
      this.publish({ reach: this.outbox.size ? "sending" : "safe", refused, folds: without(this.withEvents(kept), gone) });
      if (batch.some((tap) => this.concernsServer(tap))) void this.refresh();
    } catch (error) {
      this.publish({ reach: error instanceof SignedOut ? "signed out" : "no server" });
      this.retryLater();
    } finally {
      this.sending = false;
    }
    if (this.outbox.size > 0 && this.waitMs === 0) void this.send();
  }

  /** What only the server can say follows from it: which visits run, and until when eyes stay shut. */
  private concernsServer({ type, visitId, payload }: Tap): boolean {
    const fold = this.state.folds.get(visitId);
    const about = type === "undone" ? fold?.events.find(({ id }) => id === payload.eventId)?.type : type;
    return (about !== undefined && RUNS_BY.has(about)) || (fold !== undefined && isDrying(fold.state));
  }

  private slowTimer: (() => void) | null = null;
  private sayIfSlow(): void {
    this.slowTimer ??= this.device.later(SLOW_AFTER_MS, () => {
      this.slowTimer = null;
      if (this.outbox.size > 0) this.publish({ isSlow: true });
    });
  }

  private retryLater(): void {
    this.waitMs = Math.min(LONGEST_WAIT_MS, Math.max(1000, this.waitMs * 2));
    this.callOff?.();
    this.callOff = this.device.later(this.waitMs, () => void this.send());
  }

  /** How far each visit that is not over is known without a gap. */
  private known() {
    return [...this.state.folds]
      .filter(([, { state }]) => state.head.finishedAtMs === null || isSoaking(state))
      .map(([visitId, fold]) => ({ visitId, seq: fold.seqWithoutGap }));
  }

  /** The folds with some events added; the same object where all of them were known. */
  private withEvents(events: readonly KeptEvent[]): ReadonlyMap<string, VisitFold> {
    const folds = new Map(this.state.folds);
    for (const visitId of new Set(events.map((event) => event.visitId))) {
      const before = folds.get(visitId) ?? VisitFold.empty;
      folds.set(visitId, before.add(events.filter((event) => event.visitId === visitId)));
    }
    return [...folds].some(([visitId, fold]) => this.state.folds.get(visitId) !== fold) ? folds : this.state.folds;
  }

  private publish(change: Partial<TabletState>): void {
    const isSlow = this.outbox.size > 0 && (change.isSlow ?? this.state.isSlow);
    this.state = { ...this.state, ...change, isSlow, unsent: this.outbox.size, clock: this.clock.now().clock };
    for (const listener of this.listeners) listener();
  }
}

/** After these a visit has clocks, or has none any more. */
const RUNS_BY: ReadonlySet<string> = new Set(["started", "finished", "soakStarted", "soakEnded"]);

const unsent = (tap: Tap): KeptEvent => ({ ...tap, serverTime: null, seq: null });

/** What the server will never have is shown no longer: the visit goes on as if it had not been tapped. */
function without(folds: ReadonlyMap<string, VisitFold>, gone: ReadonlySet<string>): ReadonlyMap<string, VisitFold> {
  if (gone.size === 0) return folds;
  return new Map([...folds].map(([visitId, fold]) => [visitId, fold.without(gone)]));
}
