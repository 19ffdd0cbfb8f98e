import type { Brush, FinishId } from "../adhesive";
import type { Air } from "../air";
import type { Side } from "../eye";
import { EMPTY_RUN, foldRun, type RunEvent, type RunState } from "../processing";
import type { KeptEvent } from "./events";

export type Bead = {
  readonly eventId: string;
  readonly number: number;
  readonly placedAtMs: number;
  readonly lifeS: number;
  readonly air: Air | null;
  readonly bottleId: string | null;
  /** When the next bead, a wipe or the end took its place; null while in use. */
  readonly endedAtMs: number | null;
};

/** A zone of a layer that is done. */
export type ZonePlaced = {
  readonly eventId: string;
  readonly side: Side;
  readonly layer: number;
  readonly zone: number;
  readonly atMs: number;
};
/** Brushed through and eyes seen closed; `beadNumber` is the bead whose work was brushed. `brush` is null where nothing was counted. */
export type Check = { readonly eventId: string; readonly atMs: number; readonly beadNumber: number; readonly brush: Brush | null };
export type SetTested = {
  readonly eventId: string;
  readonly atMs: number;
  readonly seconds: number;
  readonly air: Air;
  readonly bottleId: string;
};

/** A visit as its events tell it. Times in ms since 1970, UTC. */
export type VisitState = {
  readonly startedAtMs: number | null;
  readonly finishedAtMs: number | null;
  readonly startAir: Air | null;
  readonly bottleId: string | null;
  readonly shake: { readonly eventId: string; readonly startedAtMs: number; readonly durationS: number } | null;
  readonly beads: readonly Bead[];
  /** When the last shake ended, or was broken off by a bead; one hardly begun does not count. */
  readonly shakenAtMs: number | null;
  readonly zones: readonly ZonePlaced[];
  readonly checks: readonly Check[];
  /** Since when a brush-through and a look at the eyes are owed, ms: at each change of the bead. */
  readonly checkDueSinceMs: number | null;
  readonly finish: { readonly method: FinishId; readonly atMs: number } | null;
  readonly tests: readonly SetTested[];
  /** What was processed: lift, colour, lightening. */
  readonly run: RunState;
  /** The last event that an undo would take back. */
  readonly lastUndoable: KeptEvent | null;
};

const empty: VisitState = {
  startedAtMs: null,
  finishedAtMs: null,
  startAir: null,
  bottleId: null,
  shake: null,
  beads: [],
  shakenAtMs: null,
  zones: [],
  checks: [],
  checkDueSinceMs: null,
  finish: null,
  tests: [],
  run: EMPTY_RUN,
  lastUndoable: null,
};

/** What an undo does not unmake. */
const STANDS: readonly KeptEvent["type"][] = ["runStopped", "rinseEnded", "stopTakenBack"];

/**
 * Folds a visit's events, in any order and however often repeated, into its state. An event is dated by the device's
 * word, but never later than the server received it.
 */
export function visitState(events: readonly KeptEvent[]): VisitState {
  const once = [...new Map(events.map((event) => [event.id, event])).values()];
  const undone = new Set(once.flatMap((event) => (event.type === "undone" ? [event.payload.eventId] : [])));
  // A stop is taken back only by an event of its own, with a reason; no pedal and no old tablet unmakes it.
  for (const { id, type } of once) if (STANDS.includes(type)) undone.delete(id);
  // The plan that something on the hair is timed by is not taken back from under its clock.
  const coated = once.some((event) => event.type === "coated" && !undone.has(event.id));
  return once
    .filter((event) => event.type !== "undone" && (!undone.has(event.id) || (event.type === "runPlanned" && coated)))
    .sort((a, b) => timeOf(a) - timeOf(b) || (a.id < b.id ? -1 : 1))
    .reduce(fold, empty);
}

function fold(state: VisitState, event: KeptEvent): VisitState {
  const at = timeOf(event);
  // Starting is not taken back from the pedal: that would unmake the visit, not a slip.
  const kept = { ...state, lastUndoable: event.type === "started" || STANDS.includes(event.type) ? null : event };
  switch (event.type) {
    case "started":
      return { ...kept, startedAtMs: state.startedAtMs ?? at, startAir: event.payload.air, bottleId: event.payload.bottleId };
    case "bottleTaken":
      return { ...kept, bottleId: event.payload.bottleId };
    case "shakeStarted":
      return { ...kept, shake: { eventId: event.id, startedAtMs: at, durationS: event.payload.durationS } };
    case "beadPlaced":
      return {
        ...kept,
        shake: null,
        shakenAtMs: shakeEndedMs(state.shake, at) ?? state.shakenAtMs,
        checkDueSinceMs: state.beads.length > 0 ? (state.checkDueSinceMs ?? at) : state.checkDueSinceMs,
        // Work went on after it: what was finished was not the end.
        finish: null,
        beads: [
          ...endBead(state.beads, at),
          {
            eventId: event.id,
            number: state.beads.length + 1,
            placedAtMs: at,
            lifeS: event.payload.lifeS,
            air: event.payload.air,
            bottleId: event.payload.bottleId,
            endedAtMs: null,
          },
        ],
      };
    case "beadWiped":
      return { ...kept, beads: endBead(state.beads, at) };
    case "zonePlaced": {
      const { side, layer, zone } = event.payload;
      const others = state.zones.filter((one) => one.side !== side || one.layer !== layer || one.zone !== zone);
      return { ...kept, finish: null, zones: [...others, { eventId: event.id, side, layer, zone, atMs: at }] };
    }
    case "checked": {
      const { off, of } = event.payload;
      const brush = off === null || of === null ? null : { off, of };
      return {
        ...kept,
        checkDueSinceMs: null,
        // What is brushed at a change was placed from the bead before it.
        checks: [
          ...state.checks,
          { eventId: event.id, atMs: at, beadNumber: state.beads.length - (state.checkDueSinceMs === null ? 0 : 1), brush },
        ],
      };
    }
    case "finishApplied":
      return { ...kept, finish: { method: event.payload.method, atMs: at } };
    case "setTested":
      return { ...kept, tests: [...state.tests, { eventId: event.id, atMs: at, ...event.payload }] };
    case "finished":
      return { ...kept, finishedAtMs: at, shake: null, checkDueSinceMs: null, beads: endBead(state.beads, at) };
    case "undone":
      return state;
    default:
      return { ...kept, run: foldRun(state.run, { id: event.id, type: event.type, payload: event.payload, atMs: at } as RunEvent) };
  }
}

/** Broken off sooner than this, a shake has not stirred the glue. Common practice: 15 to 20 s before a new bead. */
const SHAKE_AT_LEAST_MS = 15_000;

/** When a shake ended that a bead was put out after; null where it was hardly begun. */
function shakeEndedMs(shake: VisitState["shake"], at: number): number | null {
  if (!shake) return null;
  const whole = shake.durationS * 1000;
  return at - shake.startedAtMs < Math.min(SHAKE_AT_LEAST_MS, whole) ? null : Math.min(at, shake.startedAtMs + whole);
}

const endBead = (beads: readonly Bead[], at: number) => beads.map((bead) => (bead.endedAtMs === null ? { ...bead, endedAtMs: at } : bead));

function timeOf(event: KeptEvent): number {
  const tapped = Date.parse(event.at);
  return event.serverTime === null ? tapped : Math.min(tapped, Date.parse(event.serverTime));
}
