import type { Hazard } from "../growth";
import type { Behind } from "./factorColumns";
import type { Factor, Level } from "./factors";

/** One way of a factor beside the first: how many times as many bonds were lost a day. */
export type Effect = {
  readonly level: Level;
  readonly behind: Behind;
  readonly ratio: number;
  readonly low: number;
  readonly high: number;
};
/** A factor as findings name it: words alone, so that a worker can hand it on. */
export type FactorName = Pick<Factor, "id" | "label" | "belongsTo" | "isChosenByClient">;
/** A factor that was reckoned. */
export type Told = {
  readonly kind: "told";
  readonly factor: FactorName;
  readonly behind: Behind;
  readonly reference: Level;
  readonly effects: readonly Effect[];
  /** How often chance alone does as much. */
  readonly chance: number;
  /** Whether it may be called found, beside all others that were asked. */
  readonly isFound: boolean;
};
/** A factor of which nothing is said, and why. */
export type Silent = {
  readonly kind: "silent";
  readonly factor: FactorName;
  readonly behind: Behind;
  readonly why:
    /** So many more fills, or clients, would tell. */
    | { readonly is: "tooFew"; readonly fills: number; readonly clients: number }
    /** Every fill known was the same way. */
    | { readonly is: "oneWay" }
    /** It always went with something else. */
    | { readonly is: "goesWith"; readonly other: string }
    /** Nearly all or nearly nothing was lost: there is no ratio. */
    | { readonly is: "extreme" }
    | { readonly is: "noFit" };
};
export type StudioRetention = {
  /** What stands behind all of it. */
  readonly behind: Behind;
  /** Fills left aside: too early, too late, or nothing worn. */
  readonly leftAside: number;
  readonly factors: readonly (Told | Silent)[];
  /** Bonds lost a day by an ordinary set of a client like the others; null where none can be told from nature. */
  readonly hazardPerDay: Hazard | null;
  /** How far clients differ, and visits of one client, as a ratio of one standard deviation; 1 where they do not. */
  readonly clientsDifferBy: number;
  readonly visitsDifferBy: number;
  /** Each client's own bonds lost beside the others', as far as their fills tell. */
  readonly ofClient: ReadonlyMap<string, number>;
};
