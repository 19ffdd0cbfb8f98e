import { naturalSurvival, type Unsure } from "../growth";
import type { FillFacts } from "./fillFacts";

/**
 * Fills as counts, a place a fill: of `worn` lashes when the client left, `left` were on `days` later, where nature alone
 * would have left the share `natural`. `client` numbers the clients from 0 to `clients` − 1.
 */
export type FillCounts = {
  readonly worn: Float64Array;
  readonly left: Float64Array;
  readonly days: Float64Array;
  readonly natural: Float64Array;
  readonly client: Int32Array;
  readonly clients: number;
};

/** What is supposed of the cycle. Of bare-lash age each client has its own mean; its spread is one. */
export type CycleSupposed = { readonly cycle: Unsure; readonly bareBelowSd: number };

/** Fills so early lost nothing yet, so late hardly anything is left to learn from, days. */
const [EARLIEST, LATEST] = [5, 60];
/** Nature is never supposed to have left less: so late a fill says nothing of bonds. */
const NATURAL_LEAST = 0.02;

/** A log whose spread is beyond this is no figure. */
export const EXTREME_SD = 1.5;

export const isLearnedFrom = ({ worn, left, days }: Pick<FillFacts, "worn" | "left" | "days">): boolean =>
  worn > 0 && left <= worn && days >= EARLIEST && days <= LATEST;

type Counted = Pick<FillFacts, "clientId" | "worn" | "left" | "days" | "bareBelowDays">;

/** The fills as counts, and what nature may have left of them were cycle or bare-lash age a standard deviation longer, and shorter. */
export function countsOf(fills: readonly Counted[], clientIds: readonly string[], { cycle, bareBelowSd }: CycleSupposed) {
  const client = new Map(clientIds.map((id, i) => [id, i]));
  const column = (of: (fill: Counted) => number) => Float64Array.from(fills, of);
  const natural = (cycleDays: number, bareMore: number) =>
    column(({ days, bareBelowDays }) => {
      const wornDays = cycleDays - Math.max(0, bareBelowDays + bareMore);
      return Math.max(NATURAL_LEAST, wornDays > days ? naturalSurvival(days, 0, wornDays) : 0);
    });
  const counts: FillCounts = {
    worn: column(({ worn }) => worn),
    left: column(({ left }) => left),
    days: column(({ days }) => days),
    natural: natural(cycle.mean, 0),
    client: Int32Array.from(fills, ({ clientId }) => client.get(clientId)!),
    clients: clientIds.length,
  };
  const naturalIf = [
    natural(cycle.mean + cycle.sd, 0),
    natural(cycle.mean - cycle.sd, 0),
    natural(cycle.mean, bareBelowSd),
    natural(cycle.mean, -bareBelowSd),
  ];
  return { counts, naturalIf };
}
