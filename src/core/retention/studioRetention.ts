import { naturalSurvival, type Unsure } from "../growth";
import { benjaminiHochberg } from "../statistics/benjaminiHochberg";
import { fBeyond, studentTQuantile } from "../statistics/distributions";
import { Matrix, inverse } from "ml-matrix";
import { factorColumns, SPEAKS_FROM, type Behind, type FactorColumns, type Missing } from "./factorColumns";
import { designOf } from "./design";
import { FACTORS } from "./factors";
import type { FillCounts } from "./fillCounts";
import type { FillFacts } from "./fillFacts";
import type { Effect, Silent, StudioRetention, Told } from "./findings";
import { fitHazard, type HazardFit } from "./hazardFit";
import { NoFit } from "./hazardMode";

/** What is supposed of the cycle. Of bare-lash age each client has its own mean; its spread is one. */
export type CycleSupposed = { readonly cycle: Unsure; readonly bareBelowSd: number };
export type RetentionOptions = {
  readonly supposed: CycleSupposed;
  readonly nameOf: (factorId: string, levelId: string) => string;
  readonly onProgress?: (share: number) => void;
  readonly isStopped?: () => boolean;
};

/** Of what is called found, at most this share shall be false. */
const FALSE_SHARE = 0.1;
/** Fills so early lost nothing yet, so late hardly anything is left to learn from, days. */
const [EARLIEST, LATEST] = [5, 60];
/** A log ratio, or its spread, beyond this is no figure. */
const [EXTREME_LOG, EXTREME_SD] = [3.5, 1.5];
/** Less than one bond in ten thousand a day is none. */
const NO_HAZARD_LOG = Math.log(1e-4);
const NATURAL_LEAST = 0.02;

export const isLearnedFrom = ({ worn, left, days }: FillFacts): boolean => worn > 0 && left <= worn && days >= EARLIEST && days <= LATEST;

/**
 * What holds in a studio and why: bond loss a day beside the ordinary set, for everything asked, from counts of fills. Clients
 * differ (a normal effect of each), seasons are allowed for, the cycle is supposed with its spread; intervals are Student's,
 * by fills for what belongs to a visit and by clients for what belongs to a client; found is what Benjamini and Hochberg let
 * stand over everything asked.
 */
export function studioRetention(all: readonly FillFacts[], { supposed, nameOf, onProgress, isStopped }: RetentionOptions): StudioRetention {
  const fills = all.filter(isLearnedFrom);
  const clientIds = [...new Set(fills.map(({ clientId }) => clientId))];
  const behind = { fills: fills.length, clients: clientIds.length };
  const nothing = {
    behind,
    leftAside: all.length - fills.length,
    hazardPerDay: null,
    clientsDifferBy: 1,
    visitsDifferBy: 1,
    ofClient: new Map<string, number>(),
  };
  const asked = FACTORS.map((factor) => factorColumns(factor, fills, nameOf));
  const speaking = asked.filter((one): one is FactorColumns => "told" in one);
  const silent = new Map<string, Silent>(asked.flatMap((one) => ("told" in one ? [] : [[one.factor.id, missingWords(one)] as const])));
  const asList = (told: ReadonlyMap<string, Told>) => FACTORS.map((factor) => told.get(factor.id) ?? silent.get(factor.id)!);
  if (behind.fills < SPEAKS_FROM.fills || behind.clients < SPEAKS_FROM.clientsOfFills) {
    for (const { factor, behind: of } of speaking) silent.set(factor.id, { kind: "silent", factor, behind: of, why: tooFewAtAll(behind) });
    return { ...nothing, factors: asList(new Map()) };
  }
  const client = new Map(clientIds.map((id, i) => [id, i]));
  const naturalIf = (cycleDays: number, bareMore: number) =>
    Float64Array.from(fills, ({ days, bareBelowDays }) =>
      Math.max(NATURAL_LEAST, naturalSurvival(days, 0, Math.max(days, cycleDays - Math.max(0, bareBelowDays + bareMore)) + 1e-9)),
    );
  const counts: FillCounts = {
    worn: Float64Array.from(fills, ({ worn }) => worn),
    left: Float64Array.from(fills, ({ left }) => left),
    days: Float64Array.from(fills, ({ days }) => days),
    natural: naturalIf(supposed.cycle.mean, 0),
    client: Int32Array.from(fills, ({ clientId }) => client.get(clientId)!),
    clients: clientIds.length,
  };
  const { cycle, bareBelowSd } = supposed;
  const others = [
    naturalIf(cycle.mean + cycle.sd, 0),
    naturalIf(cycle.mean - cycle.sd, 0),
    naturalIf(cycle.mean, bareBelowSd),
    naturalIf(cycle.mean, -bareBelowSd),
  ];

  const told = new Map<string, Told>();
  const main = speaking.filter(({ factor }) => !factor.insteadOf);
  const apart = speaking.filter(({ factor }) => factor.insteadOf);
  let first: HazardFit | null = null;
  let hazardPerDay: StudioRetention["hazardPerDay"] = null;
  [main, ...apart.map((one) => [...main.filter(({ factor }) => !one.factor.insteadOf!.includes(factor.id)), one])].forEach((of, round) => {
    const wanted = round === 0 ? of : of.slice(-1);
    const say = (one: FactorColumns, why: Silent["why"]) =>
      silent.set(one.factor.id, { kind: "silent", factor: one.factor, behind: one.behind, why });
    const design = designOf(fills, of, behind);
    for (const one of wanted) {
      const why = design.leftOut.get(one.factor.id);
      if (why) say(one, why);
    }
    const within = wanted.filter(({ factor }) => !design.leftOut.has(factor.id));
    if (round > 0 && within.length === 0) return;
    let fit: HazardFit;
    try {
      fit = fitHazard(counts, design.columns, {
        naturalIf: others,
        ...(first ? { given: first } : {}),
        ...(onProgress ? { onProgress: (share) => onProgress((round + share) / (apart.length + 1)) } : {}),
        ...(isStopped ? { isStopped } : {}),
      });
    } catch (fault) {
      if (!(fault instanceof NoFit)) throw fault;
      for (const one of within) say(one, { is: "noFit" });
      return;
    }
    first ??= fit;
    const alternative = round > 0 ? wanted[0]! : null;
    if (alternative && !explainsMore(fit, first))
      return say(alternative, { is: "goesWith", other: labelOf(alternative.factor.insteadOf![0]!) });
    if (alternative)
      for (const id of alternative.factor.insteadOf!) {
        const instead = told.get(id);
        if (!instead) continue;
        told.delete(id);
        silent.set(id, {
          kind: "silent",
          factor: instead.factor,
          behind: instead.behind,
          why: { is: "goesWith", other: alternative.factor.label },
        });
      }
    const covariance = withSupposed(fit);
    if (round === 0) hazardPerDay = baseline(fit, covariance, behind.clients);
    for (const one of within) {
      const at = design.at.get(one.factor.id)!;
      const df =
        one.factor.belongsTo === "client" ? behind.clients - design.clientColumns - 1 : behind.fills - behind.clients - design.visitColumns;
      const found = toldOf(one, at, fit.beta, covariance, Math.max(1, df));
      if (found) told.set(one.factor.id, found);
      else say(one, { is: "extreme" });
    }
  });
  // Over everything asked: what was silent was asked as well.
  const found = benjaminiHochberg(
    FACTORS.map(({ id }) => told.get(id)?.chance ?? 1),
    FALSE_SHARE,
  );
  const named = new Map(FACTORS.flatMap(({ id }, i) => (told.has(id) ? [[id, { ...told.get(id)!, isFound: found[i]! }] as const] : [])));
  const fit = first as HazardFit | null;
  return {
    ...nothing,
    factors: asList(named),
    hazardPerDay,
    clientsDifferBy: fit ? Math.exp(fit.clientSd) : 1,
    visitsDifferBy: fit ? Math.exp(fit.visitSd) : 1,
    ofClient: new Map(fit ? clientIds.map((id, i) => [id, Math.exp(fit.ofClient[i]!)]) : []),
  };
}

const missingWords = ({ factor, behind, fills, clients, onlyOneWay }: Missing): Silent => ({
  kind: "silent",
  factor,
  behind,
  why: onlyOneWay ? { is: "oneWay" } : { is: "tooFew", fills, clients },
});
const tooFewAtAll = ({ fills, clients }: Behind): Silent["why"] => ({
  is: "tooFew",
  fills: Math.max(0, SPEAKS_FROM.fills - fills),
  clients: Math.max(0, SPEAKS_FROM.clientsOfFills - clients),
});

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

function baseline({ beta }: HazardFit, covariance: readonly (readonly number[])[], clients: number): StudioRetention["hazardPerDay"] {
  const [log, sd] = [beta[0]!, Math.sqrt(covariance[0]![0]!)];
  if (log < NO_HAZARD_LOG || sd > EXTREME_SD) return null;
  const off = studentTQuantile(0.975, Math.max(1, clients - 1)) * sd;
  return { mid: Math.exp(log), low: Math.exp(log - off), high: Math.exp(log + off) };
}

function toldOf(
  of: FactorColumns,
  at: readonly number[],
  beta: readonly number[],
  covariance: readonly (readonly number[])[],
  df: number,
): Told | null {
  const effects = of.told.map(({ level, behind }, i): Effect | null => {
    const [log, sd] = [beta[at[i]!]!, Math.sqrt(covariance[at[i]!]![at[i]!]!)];
    if (!Number.isFinite(sd) || Math.abs(log) > EXTREME_LOG || sd > EXTREME_SD) return null;
    const off = studentTQuantile(0.975, df) * sd;
    return { level, behind, ratio: Math.exp(log), low: Math.exp(log - off), high: Math.exp(log + off) };
  });
  if (effects.some((one) => one === null)) return null;
  const own = new Matrix(at.map((j) => at.map((k) => covariance[j]![k]!)));
  const logs = Matrix.columnVector(at.map((j) => beta[j]!));
  const wald = logs.transpose().mmul(inverse(own)).mmul(logs).get(0, 0) / at.length;
  return {
    kind: "told",
    factor: of.factor,
    behind: of.behind,
    reference: of.reference,
    effects: effects as Effect[],
    chance: fBeyond(wald, at.length, df),
    isFound: false,
  };
}
