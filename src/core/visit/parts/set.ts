import type { Brush, FinishId } from "../../adhesive";
import type { Air } from "../../air";
import type { Side } from "../../eye";
import type { InspectionId } from "../../placing/inspections";
import { NOTHING_SAID, type WorkedWith } from "../../placing/workedWith";

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

/** A look that was taken; `found` is how much was amiss, `side` null where both eyes are one question. */
export type Inspected = {
  readonly eventId: string;
  readonly what: InspectionId;
  readonly side: Side | null;
  readonly found: number;
  readonly atMs: number;
};

/** The work of a set of extensions: bottle, beads, zones, checks, finish. Times in ms since 1970, UTC. */
export type SetWork = {
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
  readonly inspections: readonly Inspected[];
  readonly with: WorkedWith;
};

export const EMPTY_SET: SetWork = {
  bottleId: null,
  shake: null,
  beads: [],
  shakenAtMs: null,
  zones: [],
  checks: [],
  checkDueSinceMs: null,
  finish: null,
  tests: [],
  inspections: [],
  with: NOTHING_SAID,
};

/** The bead in use, if any, is used up at a moment. Only the last can be in use. */
export function endBead(beads: readonly Bead[], atMs: number): readonly Bead[] {
  const last = beads.at(-1);
  return last && last.endedAtMs === null ? [...beads.slice(0, -1), { ...last, endedAtMs: atMs }] : beads;
}

/** Has the bottle in use given a bead already? Then it was mixed not long ago. */
export const isLaterBead = ({ beads, bottleId }: Pick<SetWork, "beads" | "bottleId">): boolean =>
  beads.some((bead) => bead.bottleId === bottleId);

/** Beads of one bottle, or of none that was noted, were another's. */
export const correctBottle = (set: SetWork, instead: string | null, bottleId: string): SetWork => ({
  ...set,
  bottleId: set.bottleId === instead ? bottleId : set.bottleId,
  beads: set.beads.map((bead) => (bead.bottleId === instead ? { ...bead, bottleId } : bead)),
});

/** No bead was in use after a moment. */
export const endBeadsBy = (beads: readonly Bead[], atMs: number): readonly Bead[] =>
  beads.map((bead) => (bead.endedAtMs !== null && bead.endedAtMs > atMs ? { ...bead, endedAtMs: atMs } : bead));
