import type { Air } from "../../air";

/** What every visit has, whatever is done at it. Times in ms since 1970, UTC. */
export type VisitHead = {
  readonly startedAtMs: number | null;
  readonly finishedAtMs: number | null;
  readonly startAir: Air | null;
  /** The last event that an undo would take back. */
  readonly lastUndoable: { readonly id: string; readonly type: string } | null;
};

export const EMPTY_HEAD: VisitHead = { startedAtMs: null, finishedAtMs: null, startAir: null, lastUndoable: null };
