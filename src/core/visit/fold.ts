import { upToDate, type KeptEvent } from "./event";
import { EVENT_KINDS, kindOf, type EventKind, type Happened } from "./events";
import { EMPTY_VISIT, PARTS, type VisitState } from "./parts";

/** An event as it was read once: when it counts from, ms, and its kind and payload where they are known here. */
type Read = { readonly event: KeptEvent; readonly atMs: number; readonly known: { kind: EventKind; payload: unknown } | null };

/** States are kept after every so many events: what is added late is folded from the last one before it. */
const EVERY = 16;

/**
 * A visit's events and the state they fold into, in whatever order they come in and however often. Adding to one makes
 * another and leaves it as it was; what is added at the end folds nothing before it anew.
 */
export class VisitFold {
  static readonly empty = new VisitFold(new Map(), [], [], [EMPTY_VISIT], EMPTY_VISIT, 0);

  private constructor(
    private readonly byId: ReadonlyMap<string, Read>,
    /** All of them as they happened. */
    private readonly inOrder: readonly Read[],
    /** Those that count: known, and not taken back. */
    private readonly standing: readonly Read[],
    /** The state before the first of them, and after every `EVERY`. */
    private readonly saved: readonly VisitState[],
    readonly state: VisitState,
    /** How many events are newer than this page, or cannot be read, and were passed over. */
    readonly passedOver: number,
  ) {}

  /** Ids that some event takes back, whether they are here or not. */
  private get undone(): ReadonlySet<string> {
    return (this.takenBack ??= undoneIn(this.inOrder));
  }
  private takenBack: ReadonlySet<string> | null = null;

  /** Every event, as it happened. */
  get events(): readonly KeptEvent[] {
    return this.inOrder.map(({ event }) => event);
  }

  /** The number up to which no event is missing: a tablet asks the server for what came since. */
  get seqWithoutGap(): number {
    const known = new Set(this.inOrder.map(({ event }) => event.seq));
    let seq = 0;
    while (known.has(seq + 1)) seq += 1;
    return seq;
  }

  /** Without some events, as if they had never been: taps that a server will never have. */
  without(ids: ReadonlySet<string>): VisitFold {
    return this.inOrder.some(({ event }) => ids.has(event.id)) ? VisitFold.empty.add(this.events.filter(({ id }) => !ids.has(id))) : this;
  }

  add(events: readonly KeptEvent[]): VisitFold {
    const fresh = events.flatMap((event) => this.fresh(event) ?? []);
    if (fresh.length === 0) return this;
    const byId = new Map(this.byId);
    for (const read of fresh) byId.set(read.event.id, read);
    const inOrder = isInOrder(this.inOrder.at(-1), fresh) ? [...this.inOrder, ...fresh] : [...byId.values()].sort(asTheyHappened);
    const { standing, passedOver } = this.isPlainEnd(fresh, inOrder)
      ? { standing: [...this.standing, ...fresh], passedOver: this.passedOver }
      : whatStands(inOrder);
    const same = commonLength(this.standing, standing);
    const saved = this.saved.slice(0, Math.floor(same / EVERY) + 1);
    // Where nothing before it changed, it goes on from the state there is; else from the last one kept.
    const goesOn = same === this.standing.length;
    let state = goesOn ? this.state : saved.at(-1)!;
    for (let i = goesOn ? same : (saved.length - 1) * EVERY; i < standing.length; i++) {
      state = foldOne(state, standing[i]!);
      if ((i + 1) % EVERY === 0) saved.push(state);
    }
    return new VisitFold(byId, inOrder, standing, saved, state, passedOver);
  }

  /** New ones at the end that take nothing back, are not taken back, and hold nothing else from being taken back. */
  private isPlainEnd(fresh: readonly Read[], inOrder: readonly Read[]): boolean {
    return (
      inOrder.length === this.inOrder.length + fresh.length &&
      fresh.every(({ event, known }, i) => {
        const isPlain = known !== null && event.type !== "undone" && !HOLDING.has(event.type) && !this.undone.has(event.id);
        return isPlain && inOrder[this.inOrder.length + i]!.event === event;
      })
    );
  }

  /** What an event brings that was not known; null where it is known already as it is. */
  private fresh(event: KeptEvent): Read | null {
    const before = this.byId.get(event.id);
    if (!before) return read(event);
    // Acknowledged, it gets the server's time and its number, and mostly stands where it stood.
    if (event.serverTime === null || (before.event.serverTime === event.serverTime && before.event.seq === event.seq)) return null;
    return { ...before, event, atMs: timeOf(event) };
  }
}

/** A visit's events folded at one go. Linear in their number, once they are in order. */
export const visitState = (events: readonly KeptEvent[]): VisitState => VisitFold.empty.add(events).state;

function read(event: KeptEvent): Read {
  const payload = upToDate(event);
  return { event, atMs: timeOf(event), known: payload === null ? null : { kind: kindOf(event.type)!, payload } };
}

/** The device's word, but never later than the server received it. */
function timeOf(event: KeptEvent): number {
  const tapped = Date.parse(event.at);
  return event.serverTime === null ? tapped : Math.min(tapped, Date.parse(event.serverTime));
}

const asTheyHappened = (a: Read, b: Read) => a.atMs - b.atMs || (a.event.id < b.event.id ? -1 : 1);

/** New ones that all come after the last, each after the one before. */
function isInOrder(last: Read | undefined, fresh: readonly Read[]): boolean {
  return fresh.every((one, i) => {
    const before = i === 0 ? last : fresh[i - 1];
    return before === undefined || (before.event.id !== one.event.id && asTheyHappened(before, one) < 0);
  });
}

function undoneIn(events: readonly Read[]): ReadonlySet<string> {
  const undone = new Set<string>();
  for (const { event, known } of events) if (event.type === "undone" && known) undone.add((known.payload as { eventId: string }).eventId);
  return undone;
}

/** Kinds that hold others from being taken back. */
const HOLDING: ReadonlySet<string> = new Set(
  Object.values<EventKind>(EVENT_KINDS).flatMap(({ undo }) => (typeof undo === "object" ? [undo.until] : [])),
);

function whatStands(inOrder: readonly Read[]): { standing: Read[]; passedOver: number } {
  const undone = undoneIn(inOrder);
  const ids = new Set<string>();
  for (const { event, known } of inOrder) if (known && HOLDING.has(event.type) && !undone.has(event.id)) ids.add(event.type);
  const stands = (undo: EventKind["undo"]) => undo === "never" || (typeof undo === "object" && ids.has(undo.until));
  const standing: Read[] = [];
  let passedOver = 0;
  for (const one of inOrder) {
    const isTakenBack = undone.has(one.event.id);
    if (one.known === null) passedOver += isTakenBack ? 0 : 1;
    else if (!isTakenBack || stands(one.known.kind.undo)) standing.push(one);
  }
  return { standing, passedOver };
}

const isSame = (a: Read, b: Read) => a === b || (a.event.id === b.event.id && a.atMs === b.atMs);

function commonLength(a: readonly Read[], b: readonly Read[]): number {
  let same = 0;
  // An acknowledgement changes nothing that is folded, unless it moves the event in time.
  while (same < a.length && same < b.length && isSame(a[same]!, b[same]!)) same += 1;
  return same;
}

function foldOne(state: VisitState, { event, atMs, known }: Read): VisitState {
  const { fold, undo } = known!.kind;
  const happened: Happened<unknown> = { id: event.id, atMs, payload: known!.payload };
  const next: { -readonly [Part in keyof VisitState]: VisitState[Part] } = { ...state };
  for (const part of PARTS) foldPart(next, part, fold, happened);
  if (event.type === "undone") return next;
  const isOffered = undo === undefined || typeof undo === "object";
  return { ...next, head: { ...next.head, lastUndoable: isOffered ? { id: event.id, type: event.type } : null } };
}

function foldPart<Part extends keyof VisitState>(
  next: { -readonly [P in keyof VisitState]: VisitState[P] },
  part: Part,
  fold: EventKind["fold"],
  happened: Happened<unknown>,
): void {
  const changed = fold[part]?.(next[part] as never, happened) as VisitState[Part] | undefined;
  if (changed !== undefined) next[part] = changed;
}
