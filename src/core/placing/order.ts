import { otherSide, SIDES, type Side } from "../eye";
import type { Policy } from "../policy";
import type { ServiceId } from "../service";
import type { PlacementPlan, PlannedSpot } from "./placementPlan";
import { leadOf, waitS, withLash, type Progress } from "./progress";
import { isSameSpot } from "./work";

export type OrderSchools = Pick<Policy, "eyeOrder" | "layerOrder" | "cornersAfterPercent">;

/** The studio's schools for a service. On a fill accents come first, whatever they say. Common practice. */
export const schoolsFor = (service: ServiceId, { eyeOrder, layerOrder, cornersAfterPercent }: OrderSchools): OrderSchools => ({
  eyeOrder,
  layerOrder: service === "fill" ? "accentsFirst" : layerOrder,
  cornersAfterPercent,
});

export type OrderNow = {
  readonly schools: OrderSchools;
  /** Lashes on one eye before the other is taken. */
  readonly inTurn: number;
  /** How long neighbours of a lash are left alone, s. */
  readonly wetS: number;
  readonly nowMs: number;
};

export type Next = {
  readonly spot: PlannedSpot;
  /** Seconds until its next lash has no wet one beside it. Above 0 only where no other place that the school allows is safe. */
  readonly waitS: number;
};

/**
 * The next lash by the studio's school: the eye by turns, the spot by the school's order among those that are not done, a
 * safe one before a wet one. Null where everything planned is placed. Common practice; how many in turn is a model of this product.
 */
export function nextLash(plan: PlacementPlan, progress: Progress, now: OrderNow): Next | null {
  const open = plan.spots.filter((spot) => progress.of(spot).placed < spot.planned);
  if (open.length === 0) return null;
  const side = eyeInTurn(open, progress, now);
  const here = onEye(side, open, plan, progress, now);
  const safeHere = here.find((next) => next.waitS === 0);
  if (safeHere) return safeHere;
  const other = otherSide(side);
  const mayChange = now.schools.eyeOrder !== "oneEye" && leadOf(other, progress) + 1 <= now.inTurn;
  const there = mayChange ? onEye(other, open, plan, progress, now).find((next) => next.waitS === 0) : undefined;
  return there ?? here.reduce((soonest, next) => (next.waitS < soonest.waitS ? next : soonest));
}

/** How far ahead is looked for another place. */
const MOST_AHEAD = 24;

/**
 * What comes after a spot, and after how many lashes more of it: "then right 6, after 2 more here". Null where nothing else
 * comes within two dozen lashes. `stay` is how many lashes of it are kept to because somebody chose it.
 */
export function whatFollows(
  plan: PlacementPlan,
  progress: Progress,
  spot: PlannedSpot,
  now: OrderNow,
  paceS: number,
  stay = 1,
): { readonly spot: PlannedSpot; readonly after: number } | null {
  let [ahead, nowMs] = [progress, now.nowMs];
  for (let after = 1; after <= MOST_AHEAD; after++) {
    ahead = withLash(ahead, spot, nowMs);
    nowMs += paceS * 1000;
    if (after < stay && ahead.of(spot).placed < spot.planned) continue;
    const next = nextLash(plan, ahead, { ...now, nowMs });
    if (!next) return null;
    if (!isSameSpot(next.spot, spot)) return { spot: next.spot, after };
  }
  return null;
}

/** What is left of an eye that may be taken now, in the order of its school. */
function onEye(side: Side, open: readonly PlannedSpot[], plan: PlacementPlan, progress: Progress, now: OrderNow): Next[] {
  const { schools } = now;
  const mine = open.filter((spot) => spot.side === side);
  const stage = Math.min(...mine.map((spot) => stageOf(spot, schools)));
  const atStage = (spot: PlannedSpot) => spot.side === side && stageOf(spot, schools) === stage;
  const corners = cornersWait(plan.spots.filter(atStage), progress, schools);
  const rank = RANKS[schools.eyeOrder](progress, now);
  return mine
    .filter((spot) => atStage(spot) && !(corners && spot.isCorner))
    .map((spot) => ({ spot, rank: rank(spot) }))
    .sort((a, b) => compare(a.rank, b.rank))
    .map(({ spot }) => ({ spot, waitS: waitS(spot, progress, now.wetS, now.nowMs) }));
}

/** Which eye is taken: in turns of so many lashes, the one that lags first; or one until it is done. */
function eyeInTurn(open: readonly PlannedSpot[], progress: Progress, { schools, inTurn }: OrderNow): Side {
  const has = (side: Side) => open.some((spot) => spot.side === side);
  const last = progress.turn?.side ?? FIRST_EYE;
  if (!has(last)) return otherSide(last);
  if (!has(otherSide(last)) || schools.eyeOrder === "oneEye") return last;
  const lead = leadOf(last, progress);
  const isItsTurnOver = (progress.turn?.lashes ?? 0) >= inTurn && lead >= 0;
  return isItsTurnOver || lead + 1 > inTurn + ROUNDING ? otherSide(last) : last;
}

/** Nobody has said which comes first. */
const FIRST_EYE: Side = SIDES[0];
const ROUNDING = 1e-9;

/** Layers, or fans and singles, or long and short, one after the other; the under layer last. Common practice. */
export function stageOf(spot: PlannedSpot, { layerOrder, eyeOrder }: Pick<OrderSchools, "layerOrder" | "eyeOrder">): number {
  const part = eyeOrder === "outerInnerMiddle" ? thirdOf(spot) : 0;
  return LAYER_STAGES[layerOrder](spot) * 3 + part;
}

const LAYER_STAGES: Readonly<Record<Policy["layerOrder"], (spot: PlannedSpot) => number>> = {
  baseFirst: ({ role }) => ({ base: 0, accent: 1, under: 2 })[role],
  accentsFirst: ({ role }) => ({ accent: 0, base: 1, under: 2 })[role],
  fansFirst: ({ role, isFan }) => (role === "under" ? 2 : isFan ? 0 : 1),
  longFirst: ({ role, piece }) => (role === "under" ? 2 : role === "accent" || piece === 0 ? 0 : 1),
};

/** Outer third, then inner, then the middle. */
function thirdOf({ from, to }: PlannedSpot): number {
  const middle = (from + to) / 2;
  return middle > 2 / 3 ? 0 : middle < 1 / 3 ? 1 : 2;
}

/** Corners come once enough of the rest is placed; where everything is a corner, at once. */
function cornersWait(spots: readonly PlannedSpot[], progress: Progress, { eyeOrder, cornersAfterPercent }: OrderSchools): boolean {
  // Who works from the outer corner inwards begins in one.
  if (eyeOrder === "outsideIn" || eyeOrder === "outerInnerMiddle") return false;
  const rest = spots.filter(({ isCorner }) => !isCorner);
  const planned = rest.reduce((sum, spot) => sum + spot.planned, 0);
  const placed = rest.reduce((sum, spot) => sum + Math.min(spot.planned, progress.of(spot).placed), 0);
  return planned > 0 && placed * 100 < cornersAfterPercent * planned;
}

type Rank = readonly number[];
/** Lower comes first; the first figure that differs decides. */
function compare(a: Rank, b: Rank): number {
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return a[i]! - b[i]!;
  return 0;
}

/** Round by round: what share a spot has when the round that it is in began, so that a turn is finished where it was begun. */
function shareByRounds({ placed }: { placed: number }, planned: number, inTurn: number): number {
  return placed === 0 ? 0 : (1 + Math.floor((placed - 1) / inTurn) * inTurn) / planned;
}

/** Accents are worked from the outer end. */
const fromOuterEnd = ({ role, zone }: PlannedSpot) => (role === "accent" ? -zone : 0);

const frameThenEven =
  (progress: Progress, { inTurn }: OrderNow) =>
  (spot: PlannedSpot): Rank => [
    progress.of(spot).placed === 0 ? 0 : 1,
    shareByRounds(progress.of(spot), spot.planned, inTurn),
    fromOuterEnd(spot),
    -spot.fibre.lengthMm,
    spot.zone,
    spot.piece,
  ];

/** In which order the spots of one eye are taken, by school. */
const RANKS: Readonly<Record<Policy["eyeOrder"], (progress: Progress, now: OrderNow) => (spot: PlannedSpot) => Rank>> = {
  alternate: frameThenEven,
  oneEye: frameThenEven,
  outerInnerMiddle: frameThenEven,
  outsideIn: () => (spot) => [-spot.zone, spot.piece],
  easiest: (progress) => {
    const last = progress.lastSpot;
    return (spot) => {
      const isLast = last !== null && isSameSpot(spot, last);
      const apart = last?.side === spot.side && last.layer === spot.layer ? Math.abs(spot.zone - last.zone) : isLast ? 0 : 99;
      return [shareByRounds(progress.of(spot), spot.planned, 1), -apart, spot.zone, spot.piece];
    };
  },
};
