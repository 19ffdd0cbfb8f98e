import type { FillCounts } from "./fillCounts";
import { HazardMode, NoFit } from "./hazardMode";

/** How the spread of clients is found: plain likelihood says too little of it, Cox and Reid's adjusted profile does not. */
export type SpreadBy = "likelihood" | "coxReid" | { readonly fixed: number };

export type HazardFit = {
  /** Effects of the columns on the log of bonds lost a day. */
  readonly beta: readonly number[];
  /** Their covariance, with the clients' spread and the scatter of fills in it. */
  readonly covariance: readonly (readonly number[])[];
  /** Standard deviation between clients, of the log. */
  readonly clientSd: number;
  /** Each client's own deviation, as far as its fills tell. */
  readonly ofClient: readonly number[];
  /** Standard deviation of a visit's own noise, of the log; and how much more than counting it makes each fill scatter, 1 at least. */
  readonly visitSd: number;
  readonly scatter: Float64Array;
  /** Laplace's approximation to the log likelihood, without the constants of counting. */
  readonly logLikelihood: number;
  /** The effects where nature left other shares than supposed, spread and scatter as they are. */
  readonly betaIf: readonly (readonly number[])[];
};

/** Somebody stopped it. */
export class Stopped extends Error {}

type Options = {
  readonly spread?: SpreadBy;
  /** Spread and scatter as another fit of the same fills found them. */
  readonly given?: Pick<HazardFit, "clientSd" | "visitSd" | "scatter">;
  /** Whether fills of one client may scatter more than counts do. */
  readonly mayScatter?: boolean;
  /** Other shares that nature may have left of each fill: the cycle is supposed and not known. */
  readonly naturalIf?: readonly Float64Array[];
  readonly onProgress?: (share: number) => void;
  readonly isStopped?: () => boolean;
};

/** Rounds in which spread and scatter settle on one another; each is found given the other. */
const ROUNDS = 8;
const SETTLED = 0.003;

/**
 * `P(on at t) = natural · exp(−t · e^(xβ + client))` fitted to counts, clients' own effects normal (Laplace), their spread by
 * Cox and Reid's adjusted profile likelihood (J. R. Stat. Soc. B 49 (1987) 1-39), fills of one client scattering at least
 * as counts do. The first column is the constant. Refuses columns that say the same and counts that bear nothing (`NoFit`).
 */
export function fitHazard(
  counts: FillCounts,
  columns: readonly Float64Array[],
  { spread = "coxReid", mayScatter = true, given, naturalIf = [], onProgress, isStopped }: Options = {},
): HazardFit {
  const beta = Float64Array.from(columns, (_, j) => (j === 0 ? pooledLog(counts) : 0));
  const scatter = given?.scatter ?? new Float64Array(counts.worn.length).fill(1);
  const mode = new HazardMode(counts, columns, { beta, ofClient: new Float64Array(counts.clients), scatter });
  let [sd, visitSd, likelihood] = [given?.clientSd ?? 0, given?.visitSd ?? 0, 0];
  const likelihoodAt = (at: number) => {
    if (isStopped?.()) throw new Stopped();
    likelihood = mode.settle(at) - mode.lossForClients();
    return spread === "coxReid" ? likelihood - mode.halfLogDeterminant() : likelihood;
  };
  for (let round = 1; round <= ROUNDS && !given; round++) {
    sd = typeof spread === "object" ? spread.fixed : mostLikelySd(likelihoodAt);
    likelihoodAt(sd);
    onProgress?.(round / ROUNDS);
    if (!mayScatter) break;
    const found = mode.visitSd();
    const moved = Math.abs(found - visitSd);
    visitSd = found;
    mode.giveVisits(visitSd);
    if (moved < SETTLED) break;
  }
  likelihoodAt(sd);
  onProgress?.(1);
  return {
    beta: [...mode.beta],
    covariance: mode.covariance(),
    clientSd: sd,
    ofClient: [...mode.ofClient],
    visitSd,
    scatter: mode.scatter,
    logLikelihood: likelihood,
    betaIf: naturalIf.map((natural) => {
      const other = new HazardMode({ ...counts, natural }, columns, mode);
      other.settle(sd);
      return [...other.beta];
    }),
  };
}

/** Spreads of clients that are looked at, of the log; how closely they are looked through before the last step. */
const [LEAST_SD, MOST_SD] = [0.01, 3];
const CLOSELY = 0.15;
const GOLDEN = (Math.sqrt(5) - 1) / 2;

/** By golden section on the log of the spread, then parabolas through what was seen; none where that is at least as likely. */
function mostLikelySd(likelihoodAt: (sd: number) => number): number {
  const at = (log: number) => ({ log, value: likelihoodAt(Math.exp(log)) });
  let [low, high] = [Math.log(LEAST_SD), Math.log(MOST_SD)];
  let [a, b] = [at(high - GOLDEN * (high - low)), at(low + GOLDEN * (high - low))];
  while (high - low > CLOSELY)
    if (a.value > b.value) {
      high = b.log;
      b = a;
      a = at(high - GOLDEN * (high - low));
    } else {
      low = a.log;
      a = b;
      b = at(low + GOLDEN * (high - low));
    }
  let best = a.value > b.value ? a : b;
  if (likelihoodAt(0) >= best.value) return 0;
  for (const aside of [CLOSELY, CLOSELY / 5]) {
    const [before, after] = [at(best.log - aside), at(best.log + aside)];
    const bend = before.value - 2 * best.value + after.value;
    if (bend < 0) best = at(best.log + (aside / 2) * ((before.value - after.value) / bend));
  }
  return Math.exp(best.log);
}

/** The log of bonds lost a day over all fills together; next to nothing where nature took as much as was lost. */
function pooledLog({ worn, left, days, natural }: FillCounts): number {
  let [lost, wornDays] = [0, 0];
  for (let i = 0; i < worn.length; i++) {
    lost += worn[i]! * natural[i]! - left[i]!;
    wornDays += worn[i]! * natural[i]! * days[i]!;
  }
  if (wornDays <= 0) throw new NoFit("No fill was counted.");
  return Math.log(Math.max(1e-4, lost / wornDays));
}
