import type { Side } from "../eye/sides";
import type { Layer } from "../map/schema";
import type { CountedBy, SleptOn } from "./choices";

/** A zone of a layer of the set that was found, as that set's own map has it. Zones count from 1 at the inner corner. */
export type FoundZone = { readonly side: Side; readonly layer: number; readonly zone: number };

/** What was counted of one zone. `setVisitId` is the visit it left with this on; null where the studio has no record of one. */
export type LeftCounted = FoundZone & {
  readonly setVisitId: string | null;
  readonly role: Layer["role"];
  /** The zone on the lash line, 0 inner .. 1 outer. */
  readonly from: number;
  readonly to: number;
  readonly left: number;
  /** Of those, how many are twisted, and outgrown; null where nobody looked. */
  readonly twisted: number | null;
  readonly outgrown: number | null;
  readonly by: CountedBy;
  readonly atMs: number;
};

/** Extensions taken off at one tap, and whether lash and extension parted without hurting the lash. */
export type TakenOff = FoundZone & { readonly n: number; readonly hurt: boolean; readonly atMs: number };

/** What the client told of the days since. Nothing is supposed: null until it was answered. */
export type SinceLast = {
  readonly washesAWeek: number | null;
  readonly oil: boolean | null;
  readonly steam: boolean | null;
  readonly cried: boolean | null;
  readonly sleepsOn: SleptOn | null;
};

/** What a fill found and took off before it placed anything. A zone's last count stands. */
export type FillWork = {
  readonly counted: readonly LeftCounted[];
  readonly off: readonly TakenOff[];
  readonly since: SinceLast;
};

export const NOTHING_FOUND: FillWork = {
  counted: [],
  off: [],
  since: { washesAWeek: null, oil: null, steam: null, cried: null, sleepsOn: null },
};

export const isSameZone = (a: FoundZone, b: FoundZone): boolean => a.side === b.side && a.layer === b.layer && a.zone === b.zone;
