import { expose } from "comlink";
import { drawManySets, type CycleFigures, type SetLash } from "@/core/growth";
import {
  BARE_BELOW_SD_DAYS,
  DAYS_AHEAD,
  studioRetention,
  survivalCurve,
  whereLost,
  type CountedFill,
  type FillFacts,
  type PlaceCounts,
} from "@/core/retention";
import { mulberry32 } from "@/core/units";

type Asked = {
  readonly fills: readonly FillFacts[];
  readonly supposed: { readonly cycleDays: number; readonly cycleSdDays: number };
  readonly names: Readonly<Record<string, string>>;
};

/** The same band for the same fills. */
const SEED = 7;
const DRAWS = 1000;

/** What a studio's fills tell, off the page's own thread. It is stopped by ending the thread. */
const retention = {
  whatHolds: ({ fills, supposed, names }: Asked, onProgress: (share: number) => void) =>
    studioRetention(fills, {
      supposed: { cycle: { mean: supposed.cycleDays, sd: supposed.cycleSdDays }, bareBelowSd: BARE_BELOW_SD_DAYS },
      nameOf: (factor, id) => names[id] ?? `${factor} ${id}`,
      onProgress,
    }),
  whereLost: (places: readonly PlaceCounts[]) => whereLost(places),
  manySets: (lashes: readonly SetLash[], figures: CycleFigures) =>
    drawManySets(lashes, figures, { draws: DRAWS, lastDay: DAYS_AHEAD }, mulberry32(SEED)),
  curve: (fills: readonly CountedFill[]) => survivalCurve(fills, mulberry32(SEED)),
};
export type RetentionWorker = typeof retention;
expose(retention);
