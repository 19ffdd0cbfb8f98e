import type { Air } from "../air";
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

/** A visit as its events tell it. Times in ms since 1970, UTC. */
export type VisitState = {
  readonly startedAtMs: number | null;
  readonly finishedAtMs: number | null;
  readonly startAir: Air | null;
  readonly bottleId: string | null;
  readonly shake: { readonly eventId: string; readonly startedAtMs: number; readonly durationS: number } | null;
  readonly beads: readonly Bead[];
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
  lastUndoable: null,
};

/**
 * Folds a visit's events, in any order and however often repeated, into its state. An event is dated by the device's
 * word, but never later than the server received it.
 */
export function visitState(events: readonly KeptEvent[]): VisitState {
  const once = [...new Map(events.map((event) => [event.id, event])).values()];
  const undone = new Set(once.flatMap((event) => (event.type === "undone" ? [event.payload.eventId] : [])));
  return once
    .filter((event) => event.type !== "undone" && !undone.has(event.id))
    .sort((a, b) => timeOf(a) - timeOf(b) || (a.id < b.id ? -1 : 1))
    .reduce(fold, empty);
}

function fold(state: VisitState, event: KeptEvent): VisitState {
  const at = timeOf(event);
  // Starting is not taken back from the pedal: that would unmake the visit, not a slip.
  const kept = { ...state, lastUndoable: event.type === "started" ? null : event };
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
    case "finished":
      return { ...kept, finishedAtMs: at, shake: null, beads: endBead(state.beads, at) };
    case "undone":
      return state;
  }
}

const endBead = (beads: readonly Bead[], at: number) => beads.map((bead) => (bead.endedAtMs === null ? { ...bead, endedAtMs: at } : bead));

function timeOf(event: KeptEvent): number {
  const tapped = Date.parse(event.at);
  return event.serverTime === null ? tapped : Math.min(tapped, Date.parse(event.serverTime));
}
