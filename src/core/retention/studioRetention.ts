import { Matrix, inverse } from "ml-matrix";
import type { Hazard } from "../growth";
import { benjaminiHochberg } from "../statistics/benjaminiHochberg";
import { fBeyond, studentTQuantile } from "../statistics/distributions";
import { factorColumns, SPEAKS_FROM, type Behind, type FactorColumns, type Missing } from "./factorColumns";
import { designOf } from "./design";
import { FACTORS, type Factor } from "./factors";
import { countsOf, EXTREME_SD, isLearnedFrom, type CycleSupposed } from "./fillCounts";
import type { FillFacts } from "./fillFacts";
import type { Effect, FactorName, Silent, StudioRetention, Told } from "./findings";
import { fitHazard, type HazardFit } from "./hazardFit";
import { NoFit } from "./hazardMode";

export type RetentionOptions = {
  readonly supposed: CycleSupposed;
  readonly nameOf: (factorId: string, levelId: string) => string;
  readonly onProgress?: (share: number) => void;
  readonly isStopped?: () => boolean;
};

/** Of what is called found, at most this share shall be false. */
const FALSE_SHARE = 0.1;
/** Less than one bond in ten thousand a day is none. */
const NO_HAZARD_LOG = Math.log(1e-4);
/** A log ratio beyond this is no figure. */
const EXTREME_LOG = 3.5;

/**
 * What holds in a studio and why: bond loss a day beside the ordinary set, for everything asked, from counts of fills. Clients
 * differ (a normal effect of each), seasons are allowed for, the cycle is supposed with its spread; intervals are Student's,
 * by fills for what belongs to a visit and by clients for what belongs to a client; found is what Benjamini and Hochberg let
 * stand over everything asked.
 */
export function studioRetention(all: readonly FillFacts[], options: RetentionOptions): StudioRetention {
  const fills = all.filter(isLearnedFrom);
  const clientIds = [...new Set(fills.map(({ clientId }) => clientId))];
  const behind = { fills: fills.length, clients: clientIds.length };
  const asked = FACTORS.map((factor) => factorColumns(factor, fills, options.nameOf));
  const speaking = asked.filter((one): one is FactorColumns => "told" in one);
  const answers = new Map<string, Told | Silent>(asked.map((one) => [one.factor.id, silentFor(one, whyMissing(one, behind))]));
  const isEnough = behind.fills >= SPEAKS_FROM.fills && behind.clients >= SPEAKS_FROM.clientsOfFills;
  const main = isEnough ? reckonAll(fills, clientIds, speaking, answers, options) : null;
  // Over everything asked: what was silent was asked as well.
  const asAsked = FACTORS.map(({ id }) => answers.get(id)!);
  const found = benjaminiHochberg(
    asAsked.map((one) => (one.kind === "told" ? one.chance : 1)),
    FALSE_SHARE,
  );
  return {
    behind,
    leftAside: all.length - fills.length,
    factors: asAsked.map((one, i) => (one.kind === "told" ? { ...one, isFound: found[i]! } : one)),
    hazardPerDay: main && baseline(main, behind.clients),
    clientsDifferBy: main ? Math.exp(main.fit.clientSd) : 1,
    visitsDifferBy: main ? Math.exp(main.fit.visitSd) : 1,
    ofClient: new Map(main ? clientIds.map((id, i) => [id, Math.exp(main.fit.ofClient[i]!)]) : []),
  };
}

type Design = ReturnType<typeof designOf>;
/** One fit with its columns, and the covariance of its effects with what the cycle's spread adds to it. */
type Reckoning = { readonly design: Design; readonly fit: HazardFit; readonly covariance: readonly (readonly number[])[] };

/**
 * Everything that can speak in one reckoning, then each alternative in the place of what it stands for. Writes what is said
 * into `answers`; gives the first reckoning, null where the counts do not bear it.
 */
function reckonAll(
  fills: readonly FillFacts[],
  clientIds: readonly string[],
  speaking: readonly FactorColumns[],
  answers: Map<string, Told | Silent>,
  { supposed, onProgress, isStopped }: RetentionOptions,
): Reckoning | null {
  const behind = { fills: fills.length, clients: clientIds.length };
  const { counts, naturalIf } = countsOf(fills, clientIds, supposed);
  const alternatives = speaking.filter(({ factor }) => factor.insteadOf);
  const ordinary = speaking.filter(({ factor }) => !factor.insteadOf);
  const answer = (one: FactorColumns, is: Told | Silent["why"]) => answers.set(one.factor.id, "kind" in is ? is : silentFor(one, is));

  const fitted = (design: Design, round: number, given: HazardFit | null): Reckoning | null => {
    try {
      const fit = fitHazard(counts, design.columns, {
        naturalIf,
        ...(given ? { given } : {}),
        ...(onProgress ? { onProgress: (share) => onProgress((round + share) / (alternatives.length + 1)) } : {}),
        ...(isStopped ? { isStopped } : {}),
      });
      return { design, fit, covariance: withSupposed(fit) };
    } catch (fault) {
      if (fault instanceof NoFit) return null;
      throw fault;
    }
  };

  const design = designOf(fills, ordinary, behind);
  const main = fitted(design, 0, null);
  for (const one of ordinary) answer(one, design.leftOut.get(one.factor.id) ?? (main ? toldOf(one, main, behind) : { is: "noFit" }));
  alternatives.forEach((one, i) => {
    const replaced = ordinary.filter(({ factor }) => one.factor.insteadOf!.includes(factor.id));
    const instead = designOf(fills, [...ordinary.filter((each) => !replaced.includes(each)), one], behind);
    const why = instead.leftOut.get(one.factor.id);
    const other = why || !main ? null : fitted(instead, i + 1, main.fit);
    if (!main || !other) answer(one, why ?? { is: "noFit" });
    else if (!explainsMore(other.fit, main.fit)) answer(one, { is: "goesWith", other: labelOf(one.factor.insteadOf![0]!) });
    else {
      answer(one, toldOf(one, other, behind));
      for (const each of replaced) answer(each, { is: "goesWith", other: one.factor.label });
    }
  });
  return main;
}

const nameOf = ({ id, label, belongsTo, isChosenByClient }: Factor): FactorName => ({
  ...{ id, label, belongsTo },
  ...(isChosenByClient ? { isChosenByClient } : {}),
});

const silentFor = ({ factor, behind }: Pick<FactorColumns, "factor" | "behind">, why: Silent["why"]): Silent => ({
  kind: "silent",
  factor: nameOf(factor),
  behind,
  why,
});

/** What is missing of a factor that cannot speak, or of the studio where the factor could: then there are clients enough, for it asks for more of them. */
function whyMissing(one: FactorColumns | Missing, { fills }: Behind): Silent["why"] {
  if ("told" in one) return { is: "tooFew", fills: Math.max(0, SPEAKS_FROM.fills - fills), clients: 0 };
  return one.onlyOneWay ? { is: "oneWay" } : { is: "tooFew", fills: one.fills, clients: one.clients };
}

const labelOf = (id: string): string => FACTORS.find((factor) => factor.id === id)!.label;

/** An alternative takes the place of what it stands for only where it says so much more: choosing by less bends what is then told. */
const CLEARLY_MORE = 5;
/** Does it say clearly more for the columns it takes? By Akaike's measure, IEEE Trans. Autom. Control 19 (1974) 716-723, halved. */
const explainsMore = (one: HazardFit, other: HazardFit): boolean =>
  one.logLikelihood - one.beta.length > other.logLikelihood - other.beta.length + CLEARLY_MORE;

/** Covariance of the effects with what the cycle's spread adds: half of what one standard deviation either way moves them. */
function withSupposed({ covariance, betaIf }: HazardFit): number[][] {
  const moves = [0, 2].map((at) => betaIf[at]!.map((value, j) => (value - betaIf[at + 1]![j]!) / 2));
  return covariance.map((row, j) => row.map((value, k) => value + moves.reduce((sum, move) => sum + move[j]! * move[k]!, 0)));
}

function baseline({ fit, covariance }: Reckoning, clients: number): Hazard | null {
  const [log, sd] = [fit.beta[0]!, Math.sqrt(covariance[0]![0]!)];
  if (log < NO_HAZARD_LOG || sd > EXTREME_SD) return null;
  const off = studentTQuantile(0.975, Math.max(1, clients - 1)) * sd;
  return { mid: Math.exp(log), low: Math.exp(log - off), high: Math.exp(log + off) };
}

/** A factor's effects with Student's intervals: by clients less their columns, or by fills less clients less theirs. */
function toldOf(of: FactorColumns, { design, fit, covariance }: Reckoning, behind: Behind): Told | Silent["why"] {
  const at = design.at.get(of.factor.id)!;
  const ofClient = behind.clients - design.clientColumns - 1;
  const ofVisit = behind.fills - behind.clients - design.visitColumns;
  const df = Math.max(1, of.factor.belongsTo === "client" ? ofClient : ofVisit);
  const effects = of.told.flatMap(({ level, behind: ofLevel }, i): Effect[] => {
    const [log, sd] = [fit.beta[at[i]!]!, Math.sqrt(covariance[at[i]!]![at[i]!]!)];
    if (!Number.isFinite(sd) || Math.abs(log) > EXTREME_LOG || sd > EXTREME_SD) return [];
    const off = studentTQuantile(0.975, df) * sd;
    return [{ level, behind: ofLevel, ratio: Math.exp(log), low: Math.exp(log - off), high: Math.exp(log + off) }];
  });
  if (effects.length < of.told.length) return { is: "extreme" };
  const own = new Matrix(at.map((j) => at.map((k) => covariance[j]![k]!)));
  const logs = Matrix.columnVector(at.map((j) => fit.beta[j]!));
  const wald = logs.transpose().mmul(inverse(own)).mmul(logs).get(0, 0) / at.length;
  const { factor, reference } = of;
  return {
    kind: "told",
    factor: nameOf(factor),
    behind: of.behind,
    reference,
    effects,
    chance: fBeyond(wald, at.length, df),
    isFound: false,
  };
}
