import { CholeskyDecomposition, Matrix } from "ml-matrix";
import type { FillCounts } from "./fillCounts";

/** The counts do not bear a fit: too few, none lost at all, or columns that say the same. */
export class NoFit extends Error {}

/** Logs of the hazard beyond these change no count. */
const [LEAST_LOG, MOST_LOG] = [-25, 3];
/** No share of lashes lost is reckoned with as less: its logarithm must be one. */
const LEAST_LOST = 1e-12;
const MOST_ROUNDS = 60;
/** A visit's own noise is looked for up to this, of the log, and its variance so closely. */
const MOST_VISIT_SD = 3;
const VARIANCE_WITHIN = 1e-7;
/** So small a gain in the log likelihood, as a share of it, is none. */
const NO_GAIN = 1e-9;

/** What is not nought in the columns, fill by fill: most columns say of most fills nothing. */
type Rows = { readonly from: Int32Array; readonly column: Int32Array; readonly value: Float64Array };

function rowsOf(columns: readonly Float64Array[], fills: number): Rows {
  const [from, column, value] = [new Int32Array(fills + 1), [] as number[], [] as number[]];
  for (let i = 0; i < fills; i++) {
    columns.forEach((values, j) => {
      if (values[i] === 0) return;
      column.push(j);
      value.push(values[i]!);
    });
    from[i + 1] = column.length;
  }
  return { from, column: Int32Array.from(column), value: Float64Array.from(value) };
}

/**
 * The most likely effects of columns and clients where `P(on at t) = natural · exp(−t · e^(xβ + client))`, given how far
 * clients spread and how much more than counts the fills of one client scatter: a visit's own noise on the same log makes the
 * scatter of a fill `1 + visitSd² · weight` times what counting makes it (Breslow, Applied Statistics 33 (1984) 38-44). Each
 * search begins where the last ended.
 */
export class HazardMode {
  /** Effects of the columns on the log of bonds lost a day. */
  beta: Float64Array;
  /** Each client's own, on the same log. */
  ofClient: Float64Array;
  private readonly rows: Rows;
  /** Of each fill, as last looked at: share on, what one more of the log is worth, and how fast that falls, the scatter taken off. */
  private readonly on: Float64Array;
  private readonly score: Float64Array;
  private readonly weight: Float64Array;
  /** How much more than counting each fill scatters. */
  readonly scatter: Float64Array;
  /** Weights, and weighted columns, summed by client; a client's columns stand together. */
  private readonly weightOf: Float64Array;
  private readonly columnsOf: Float64Array;
  private known: CholeskyDecomposition | null = null;
  private sd = 0;

  constructor(
    private readonly counts: FillCounts,
    columns: readonly Float64Array[],
    from: { readonly beta: Float64Array; readonly ofClient: Float64Array; readonly scatter: Float64Array },
  ) {
    const fills = counts.worn.length;
    this.beta = from.beta;
    this.ofClient = from.ofClient;
    this.rows = rowsOf(columns, fills);
    this.on = new Float64Array(fills);
    this.score = new Float64Array(fills);
    this.weight = new Float64Array(fills);
    this.scatter = from.scatter.slice();
    this.weightOf = new Float64Array(counts.clients);
    this.columnsOf = new Float64Array(counts.clients * columns.length);
  }

  /**
   * Finds them by Fisher's scoring over both at once, steps halved where they overshoot. Gives the log likelihood there, the
   * clients' effects weighed against their spread.
   */
  settle(sd: number): number {
    this.sd = sd;
    if (sd === 0) this.ofClient = new Float64Array(this.counts.clients);
    let now = this.look(this.beta, this.ofClient);
    for (let round = 0; round < MOST_ROUNDS; round++) {
      const [step, stepOf] = this.step();
      const was = now;
      const [beta, ofClient] = [this.beta, this.ofClient];
      for (let part = 1; part > 1e-4; part /= 2) {
        this.beta = beta.map((value, j) => value + part * step[j]!);
        this.ofClient = ofClient.map((value, c) => value + part * stepOf[c]!);
        now = this.look(this.beta, this.ofClient);
        if (now >= was - NO_GAIN) break;
      }
      if (!Number.isFinite(now)) throw new NoFit("The counts do not bear this reckoning.");
      if (Math.abs(now - was) < NO_GAIN * (1 + Math.abs(now))) break;
    }
    this.condense();
    return now;
  }

  /** What Laplace takes off the log likelihood for the clients' effects, whose values are not known. */
  lossForClients(): number {
    let sum = 0;
    for (const weight of this.weightOf) sum += 0.5 * Math.log1p(this.sd ** 2 * weight);
    return sum;
  }

  /** Half the log determinant of what is known of the columns' effects. */
  halfLogDeterminant(): number {
    const lower = this.cholesky().lowerTriangularMatrix;
    return lower.diagonal().reduce((sum, value) => sum + Math.log(value), 0);
  }

  covariance(): number[][] {
    return this.cholesky().solve(Matrix.identity(this.beta.length)).to2DArray();
  }

  /**
   * A visit's own noise, by which Pearson's scatter of the fills comes to its degrees of freedom: fills less columns less what
   * the clients' effects use up. None where they scatter as counts do or less.
   */
  visitSd(): number {
    const { worn, left } = this.counts;
    let used = this.beta.length;
    if (this.sd > 0) for (const weight of this.weightOf) used += weight / (weight + 1 / this.sd ** 2);
    const free = Math.max(1, worn.length - used);
    const scatter = (variance: number) => {
      let sum = 0;
      for (let i = 0; i < worn.length; i++) {
        const on = this.on[i]!;
        const counted = Math.max(LEAST_LOST, worn[i]! * on * (1 - on));
        sum += (left[i]! - worn[i]! * on) ** 2 / (counted * (1 + variance * this.weight[i]! * this.scatter[i]!));
      }
      return sum / free;
    };
    let [low, high] = [0, MOST_VISIT_SD ** 2];
    if (scatter(0) <= 1) return 0;
    while (high - low > VARIANCE_WITHIN) {
      const middle = (low + high) / 2;
      if (scatter(middle) > 1) low = middle;
      else high = middle;
    }
    return Math.sqrt((low + high) / 2);
  }

  /** Gives visits a noise of their own. */
  giveVisits(visitSd: number): void {
    this.look(this.beta, this.ofClient);
    for (let i = 0; i < this.scatter.length; i++) this.scatter[i] = 1 + visitSd ** 2 * this.weight[i]! * this.scatter[i]!;
    this.look(this.beta, this.ofClient);
  }

  private look(beta: Float64Array, ofClient: Float64Array): number {
    const { worn, left, days, natural, client } = this.counts;
    const { from, column, value } = this.rows;
    let sum = 0;
    for (let i = 0; i < worn.length; i++) {
      let log = ofClient[client[i]!]!;
      for (let at = from[i]!; at < from[i + 1]!; at++) log += value[at]! * beta[column[at]!]!;
      const hazard = days[i]! * Math.exp(Math.min(MOST_LOG, Math.max(LEAST_LOG, log)));
      const on = natural[i]! * Math.exp(-hazard);
      const gone = Math.max(LEAST_LOST, 1 - on);
      const by = 1 / this.scatter[i]!;
      sum += by * (left[i]! * (Math.log(natural[i]!) - hazard) + (worn[i]! - left[i]!) * Math.log(gone));
      this.on[i] = on;
      this.score[i] = (-by * hazard * (left[i]! - worn[i]! * on)) / gone;
      this.weight[i] = (by * hazard ** 2 * worn[i]! * on) / gone;
    }
    if (this.sd > 0) for (const own of ofClient) sum -= own ** 2 / (2 * this.sd ** 2);
    return sum;
  }

  /** Where to go from here, the clients eliminated first: each has its own effect and no other's. */
  private step(): readonly [number[], Float64Array] {
    this.condense();
    const { client, clients } = this.counts;
    const { from, column, value } = this.rows;
    const [pull, pullOf] = [new Float64Array(this.beta.length), new Float64Array(clients)];
    for (let i = 0; i < client.length; i++) {
      pullOf[client[i]!]! += this.score[i]!;
      for (let at = from[i]!; at < from[i + 1]!; at++) pull[column[at]!]! += value[at]! * this.score[i]!;
    }
    const columns = pull.length;
    const stepOf = new Float64Array(clients);
    if (this.sd === 0) return [this.solve(pull), stepOf];
    const spread = 1 / this.sd ** 2;
    for (let c = 0; c < clients; c++) {
      pullOf[c]! -= this.ofClient[c]! * spread;
      const taken = pullOf[c]! / (this.weightOf[c]! + spread);
      for (let j = 0; j < columns; j++) pull[j]! -= this.columnsOf[c * columns + j]! * taken;
    }
    const step = this.solve(pull);
    for (let c = 0; c < clients; c++) {
      let rest = pullOf[c]!;
      for (let j = 0; j < columns; j++) rest -= step[j]! * this.columnsOf[c * columns + j]!;
      stepOf[c] = rest / (this.weightOf[c]! + spread);
    }
    return [step, stepOf];
  }

  /** What is known of the columns' effects once the clients' are taken out. */
  private condense(): void {
    const { client, clients } = this.counts;
    const { rows, weight, weightOf, columnsOf } = this;
    const { from, column, value } = rows;
    const columns = this.beta.length;
    const sums = new Float64Array(columns * columns);
    weightOf.fill(0);
    columnsOf.fill(0);
    for (let i = 0; i < client.length; i++) {
      const c = client[i]! * columns;
      weightOf[client[i]!]! += weight[i]!;
      for (let at = from[i]!; at < from[i + 1]!; at++) {
        const weighted = value[at]! * weight[i]!;
        columnsOf[c + column[at]!]! += weighted;
        for (let to = from[i]!; to <= at; to++) sums[column[at]! * columns + column[to]!]! += weighted * value[to]!;
      }
    }
    if (this.sd > 0)
      for (let c = 0; c < clients; c++) {
        const taken = 1 / (weightOf[c]! + 1 / this.sd ** 2);
        for (let j = 0; j < columns; j++) {
          const of = columnsOf[c * columns + j]! * taken;
          if (of !== 0) for (let k = 0; k <= j; k++) sums[j * columns + k]! -= of * columnsOf[c * columns + k]!;
        }
      }
    const matrix = Matrix.zeros(columns, columns);
    for (let j = 0; j < columns; j++)
      for (let k = 0; k <= j; k++) {
        matrix.set(j, k, sums[j * columns + k]!);
        matrix.set(k, j, sums[j * columns + k]!);
      }
    this.known = new CholeskyDecomposition(matrix);
  }

  private cholesky(): CholeskyDecomposition {
    if (!this.known?.isPositiveDefinite()) throw new NoFit("Two of the columns say the same.");
    return this.known;
  }

  private solve(pull: Float64Array): number[] {
    return this.cholesky()
      .solve(Matrix.columnVector([...pull]))
      .to1DArray();
  }
}
