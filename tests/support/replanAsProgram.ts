import type { ToPlace } from "@/core/placing";

/**
 * What remains of a set as a mixed-integer program in CPLEX LP text, for a general solver: one binary for every lash that
 * may still be placed, worth what it adds to w(2u − u²), and mirrored zones within one lash of equal share. The same
 * objective as `replan` where the eyes can be evened, written a second time.
 */
export function replanAsProgram(all: readonly ToPlace[], budgetS: number): string {
  const lash = (i: number, n: number) => `x${i}_${n}`;
  const shows = (u: number) => 2 * u - u * u;
  const worth: string[] = [];
  const cost: string[] = [];
  const binaries: string[] = [];
  const rows: string[] = [];
  all.forEach(({ spot, placed, weight, seconds }, i) => {
    for (let n = placed + 1; n <= spot.planned; n++) {
      worth.push(`+ ${(weight * (shows(n / spot.planned) - shows((n - 1) / spot.planned))).toFixed(12)} ${lash(i, n)}`);
      cost.push(`+ ${seconds} ${lash(i, n)}`);
      binaries.push(lash(i, n));
      if (n > placed + 1) rows.push(`${lash(i, n - 1)} - ${lash(i, n)} >= 0`);
    }
  });
  all.forEach((a, i) => {
    const j = all.findIndex(
      ({ spot }, k) =>
        k > i && spot.side !== a.spot.side && spot.layer === a.spot.layer && spot.zone === a.spot.zone && spot.piece === a.spot.piece,
    );
    if (j < 0) return;
    const b = all[j]!;
    const share = (of: ToPlace, index: number, sign: number) =>
      Array.from(
        { length: Math.max(0, of.spot.planned - of.placed) },
        (_, k) => `${sign < 0 ? "-" : "+"} ${1 / of.spot.planned} ${lash(index, of.placed + k + 1)}`,
      ).join(" ");
    const now = a.placed / a.spot.planned - b.placed / b.spot.planned;
    const oneLash = 1 / Math.min(a.spot.planned, b.spot.planned) + 1e-9;
    const apart = `${share(a, i, 1)} ${share(b, j, -1)}`.trim();
    if (apart) rows.push(`${apart} <= ${oneLash - now}`, `${apart} >= ${-oneLash - now}`);
  });
  return [
    "Maximize",
    ` obj: ${worth.join(" ")}`,
    "Subject To",
    ` time: ${cost.join(" ")} <= ${budgetS}`,
    ...rows.map((row, i) => ` r${i}: ${row}`),
    "Binary",
    ` ${binaries.join(" ")}`,
    "End",
  ].join("\n");
}
