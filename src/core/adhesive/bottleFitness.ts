import type { Air } from "../air";
import type { BottleAge } from "./bottleAge";
import { handMatch, type HandMatch, type HandTime } from "./handMatch";
import type { Adhesive } from "./schema";
import { bottleDrift, expectedSetTime, type BottleDrift, type SetTime, type SetTimeModel } from "./setTimeModel";
import { windowVerdict, type WindowVerdict } from "./windowVerdict";

/** One bottle in this air for this hand, best first by `rank`. */
export type BottleFitness = {
  readonly fits: boolean;
  readonly age: BottleAge;
  readonly verdict: WindowVerdict | null;
  readonly expected: SetTime | null;
  readonly hand: HandMatch | null;
  readonly drift: BottleDrift | null;
  /** Lower is better. */
  readonly rank: number;
};

/** Weights of the order, models of this product: a spent bottle last, then far from the window, then against the hand. */
const COST = { pastLife: 100, oldByTests: 20, outside: 10, perPoint: 100, perDegree: 5, hand: 8, perLate: 10 } as const;

/** How a bottle stands now: its life, its window, what it does in this air, and whether this hand can use it. */
export function bottleFitness(
  bottle: { readonly id: string; readonly adhesive: Adhesive },
  model: SetTimeModel,
  age: BottleAge,
  air: Air | null,
  volumeM3: number,
  hand: HandTime | null,
): BottleFitness {
  const verdict = air ? windowVerdict(bottle.adhesive, air, volumeM3) : null;
  const expected = air ? expectedSetTime(model, air, bottle.id, age.daysOpen) : null;
  const match = expected?.known && hand ? handMatch(expected, hand) : null;
  const drift = bottleDrift(model, bottle.id, age.daysOpen);
  const old = age.state === "past its life" || (drift?.old ?? false);
  const rank =
    (age.state === "past its life" ? COST.pastLife : 0) +
    (drift?.old ? COST.oldByTests : 0) +
    (verdict && !verdict.inWindow
      ? COST.outside + COST.perPoint * Math.abs(verdict.humidityOff) + COST.perDegree * Math.abs(verdict.temperatureOffC)
      : 0) +
    (match && match.word !== "fits" ? COST.hand : 0) +
    (match ? COST.perLate * match.lateShare : 0);
  return {
    fits: !old && (verdict?.inWindow ?? false) && (match === null || match.word === "fits"),
    age,
    verdict,
    expected,
    hand: match,
    drift,
    rank,
  };
}
