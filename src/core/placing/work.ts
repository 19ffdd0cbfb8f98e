import type { Side } from "../eye/sides";
import type { PauseReason, RedoReason, TapeId } from "./choices";

/** A zone of a layer of one eye, and which of its fibres: 0 its own, others where several are mixed. Zones count from 1 at the inner corner. */
export type Spot = { readonly side: Side; readonly layer: number; readonly zone: number; readonly piece: number };

/** A number for each spot: up to ten layers, 99 zones and ten pieces. Every lash of a set is looked up by it at every tap. */
export const spotKey = ({ side, layer, zone, piece }: Spot): number => ((layer * 100 + zone) * 10 + piece) * 2 + (side === "right" ? 0 : 1);
export const isSameSpot = (a: Spot, b: Spot): boolean =>
  a.side === b.side && a.layer === b.layer && a.zone === b.zone && a.piece === b.piece;

/** A stretch of time, ms since 1970; `toMs` is null while it lasts. */
export type TimeSpan = { readonly fromMs: number; readonly toMs: number | null };

/** Lashes placed at one tap: one, or the rest of a zone. */
export type LashesPlaced = Spot & { readonly n: number; readonly atMs: number };
export type Redone = Spot & { readonly n: number; readonly atMs: number; readonly why: RedoReason };
export type Pause = TimeSpan & { readonly why: PauseReason | null };
export type TapeOn = TimeSpan & { readonly what: TapeId; readonly side: Side };

/** Lashes that spots are to end with, once what remained was planned again; `minutes` is the time that was given. */
export type Targets = {
  readonly minutes: number | null;
  readonly atMs: number;
  readonly spots: readonly (Spot & { readonly planned: number })[];
};

/** What was placed lash by lash, in the order it happened. Times in ms since 1970. */
export type PlacingWork = {
  readonly lashes: readonly LashesPlaced[];
  readonly redone: readonly Redone[];
  /** Found at a check, and to be set again. */
  readonly faults: readonly Redone[];
  readonly pauses: readonly Pause[];
  /** While the client talked or moved. */
  readonly talk: readonly TimeSpan[];
  readonly tapes: readonly TapeOn[];
  /** Null where the whole plan is worked. */
  readonly targets: Targets | null;
};

export const EMPTY_PLACING: PlacingWork = { lashes: [], redone: [], faults: [], pauses: [], talk: [], tapes: [], targets: null };

/** The stretch that lasts, if any, is over at a moment. Only the last can last. */
export function endSpan<Span extends TimeSpan>(spans: readonly Span[], atMs: number): readonly Span[] {
  const last = spans.at(-1);
  return last && last.toMs === null ? [...spans.slice(0, -1), { ...last, toMs: atMs }] : spans;
}

/** The stretch that lasts now; null where none does. */
export function openSpan<Span extends TimeSpan>(spans: readonly Span[]): Span | null {
  const last = spans.at(-1);
  return last && last.toMs === null ? last : null;
}

/** Tapes that are on. Several may be: one on each eye, or two on one. */
export const tapesOn = ({ tapes }: Pick<PlacingWork, "tapes">): readonly TapeOn[] => tapes.filter(({ toMs }) => toMs === null);
