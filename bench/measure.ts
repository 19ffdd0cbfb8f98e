/** Median time of one call, ms: calls are bundled into rounds of at least `roundMs`, after a warm-up of two rounds. */
export function medianMs(work: () => unknown, { rounds = 15, roundMs = 20 } = {}): number {
  let calls = 1;
  const round = () => {
    const begun = performance.now();
    for (let i = 0; i < calls; i++) work();
    return performance.now() - begun;
  };
  while (round() < roundMs) calls *= 2;
  round();
  return median(Array.from({ length: rounds }, () => round() / calls));
}

export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  return sorted.length % 2 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}

export function percentile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.ceil(share * sorted.length) - 1)]!;
}

export type Row = { what: string; ours: string; yardstick: string; ratio: string };

/** One table of the bench: every figure beside its yardstick from the same run, and the ratio of the two. */
export function printTable(title: string, rows: readonly Row[]): void {
  console.log(`\n${title}`);
  const columns = ["what", "ours", "yardstick", "ratio"] as const;
  const all: Row[] = [{ what: "", ours: "ours", yardstick: "yardstick", ratio: "ratio" }, ...rows];
  const width = (column: (typeof columns)[number]) => Math.max(...all.map((row) => row[column].length));
  for (const row of all)
    console.log(
      `  ${columns.map((column) => (column === "what" ? row[column].padEnd(width(column)) : row[column].padStart(width(column)))).join("   ")}`,
    );
}

export function ratioOf(ours: number, yardstick: number): string {
  const ratio = ours / yardstick;
  return `${ratio < 0.1 ? ratio.toPrecision(2) : ratio.toFixed(2)} ×`;
}

export const ms = (value: number) => `${value < 0.1 ? value.toPrecision(2) : value < 10 ? value.toFixed(2) : value.toFixed(0)} ms`;
