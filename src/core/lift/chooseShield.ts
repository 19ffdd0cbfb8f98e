import { keptTurnDeg, type KeptShare } from "./keptShare";
import type { Shield } from "./shield";
import type { Side } from "../eye/sides";
import { judgeTurn, rawTurnDeg, type TurnVerdict } from "./turn";

/** What a client wishes for, as a kept turn in the middle of the line, degrees. A model of this product. */
export const LIFT_WISHES = {
  soft: { label: "soft", turnDeg: 70 },
  open: { label: "open", turnDeg: 95 },
  high: { label: "high", turnDeg: 120 },
} as const;
export type LiftWish = keyof typeof LIFT_WISHES;

/** Natural lashes of one stretch of the line. `shortMm` is what its shorter lashes measure (the 10th percentile). */
export type LiftZone = { readonly name: string; readonly lengthMm: number; readonly shortMm: number };

export type ZoneTurn = {
  readonly zone: LiftZone;
  readonly rawDeg: number;
  readonly kept: { readonly low: number; readonly mid: number; readonly high: number };
  readonly verdict: TurnVerdict;
  /** What the stretch's shorter lashes keep, degrees. */
  readonly shortKeptDeg: number;
};

/** One eye's stretches of the lash line, inner to outer. */
export type LiftEye<Zone = LiftZone> = { readonly side: Side; readonly zones: readonly Zone[] };

export type ShieldFit = {
  readonly shield: Shield;
  readonly eyes: readonly LiftEye<ZoneTurn>[];
  /** In the middle of the line, by which a lift is wished for and judged: the mean of the eyes, degrees. */
  readonly middle: Pick<ZoneTurn, "rawDeg" | "kept">;
  /** Over-turn anywhere on either eye outweighs under-turn; else the eye whose middle shows less decides. */
  readonly verdict: TurnVerdict;
  /** How far the middle's kept turn is from what is wished, degrees; negative when it falls short. */
  readonly offDeg: number;
};

const middleOf = ({ zones }: LiftEye<ZoneTurn>): ZoneTurn => zones[Math.floor(zones.length / 2)]!;

/** How every zone of the eyes (one at least) turns on a shield of one size for them all, judged by what is kept. */
export function fitShield(shield: Shield, eyes: readonly LiftEye[], share: KeptShare, wish: LiftWish): ShieldFit {
  const turn = (zone: LiftZone): ZoneTurn => {
    const rawDeg = rawTurnDeg(zone.lengthMm, shield.radiusMm);
    const kept = keptTurnDeg(rawDeg, share);
    return {
      zone,
      rawDeg,
      kept,
      verdict: judgeTurn(kept.mid),
      shortKeptDeg: keptTurnDeg(rawTurnDeg(zone.shortMm, shield.radiusMm), share).mid,
    };
  };
  const turned = eyes.map(({ side, zones }) => ({ side, zones: zones.map(turn) }));
  const middles = turned.map(middleOf);
  const mean = (of: (middle: ZoneTurn) => number) => middles.reduce((sum, one) => sum + of(one), 0) / middles.length;
  const middle = {
    rawDeg: mean(({ rawDeg }) => rawDeg),
    kept: { low: mean(({ kept }) => kept.low), mid: mean(({ kept }) => kept.mid), high: mean(({ kept }) => kept.high) },
  };
  const folds = turned.some(({ zones }) => zones.some(({ verdict }) => verdict === "foldsBack"));
  const little = middles.some(({ verdict }) => verdict === "little");
  return {
    shield,
    eyes: turned,
    middle,
    verdict: folds ? "foldsBack" : little ? "little" : "good",
    offDeg: middle.kept.mid - LIFT_WISHES[wish].turnDeg,
  };
}

export type ShieldChoice = {
  /** Every shield in stock, largest radius first. */
  readonly fits: readonly ShieldFit[];
  /** Place in `fits` of the one advised; null where none can be called good. */
  readonly advised: number | null;
  readonly why: "byLength" | "oneSmaller" | "smallerFolds" | "onlyOne" | "none";
};

/** How a studio lifts: over a shield or a rod, of the size that the lashes want or the next smaller. */
export type ShieldSchools = { readonly shield: Shield["kind"]; readonly shieldSize: "byLength" | "oneSmaller" };

/**
 * The shield for these lashes. By length: the one whose kept turn in the middle comes nearest the wish, of those where
 * nothing folds back; of the kind that the studio lifts over, as long as one of that kind will do. One smaller: the next
 * smaller of the same kind, for drama, unless there tips would fold back.
 */
export function chooseShield(
  shields: readonly Shield[],
  eyes: readonly LiftEye[],
  share: KeptShare,
  wish: LiftWish,
  schools: ShieldSchools,
): ShieldChoice {
  const fits = [...shields].sort((a, b) => b.radiusMm - a.radiusMm).map((shield) => fitShield(shield, eyes, share, wish));
  const sound = fits.map((fit, i) => ({ fit, i })).filter(({ fit }) => fit.verdict === "good");
  if (sound.length === 0) return { fits, advised: null, why: "none" };
  const usual = sound.filter(({ fit }) => fit.shield.kind === schools.shield);
  const byLength = (usual.length > 0 ? usual : sound).reduce((best, one) =>
    Math.abs(one.fit.offDeg) < Math.abs(best.fit.offDeg) ? one : best,
  );
  if (schools.shieldSize === "byLength") return { fits, advised: byLength.i, why: "byLength" };
  const smaller = fits.findIndex(
    (fit, i) => i > byLength.i && fit.shield.kind === byLength.fit.shield.kind && fit.shield.radiusMm < byLength.fit.shield.radiusMm,
  );
  if (smaller < 0) return { fits, advised: byLength.i, why: "onlyOne" };
  return fits[smaller]!.verdict === "good"
    ? { fits, advised: smaller, why: "oneSmaller" }
    : { fits, advised: byLength.i, why: "smallerFolds" };
}
