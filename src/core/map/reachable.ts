import { asksStep, brokenBetween, halves, levelOf, RANKS, runsOf, type LineLimits, type LineZone } from "./line";

/**
 * The lengths each zone can have in a line that gives up as little drop, corner and step as any: what a look may be hung
 * from. Levels in mm (the mean of both eyes where a line is planned for both), ascending.
 */
export function reachable(zones: readonly LineZone[], limits: LineLimits): number[][] {
  const reached: number[][] = zones.map(() => []);
  for (const { from, zones: run, toCorner } of runsOf(zones)) {
    const own = (i: number, c: number) => RANKS.corner * halves(run[i]!.choices[c]!.belowMm ?? 0);
    const between = (i: number, a: number, b: number) => {
      const broken = brokenBetween(
        run[i - 1]!.choices[a]!,
        run[i]!.choices[b]!,
        limits,
        toCorner && i === run.length - 1,
        asksStep(run, i),
      );
      return RANKS.drop * halves(broken.dropMm) + RANKS.step * halves(broken.stepMm);
    };
    const inwards = run.map(({ choices }, i) => choices.map((_, c) => own(i, c)));
    const outwards = run.map(({ choices }) => choices.map(() => 0));
    for (let i = 1; i < run.length; i++)
      inwards[i] = inwards[i]!.map((mine, c) => mine + Math.min(...inwards[i - 1]!.map((sum, a) => sum + between(i, a, c))));
    for (let i = run.length - 2; i >= 0; i--)
      outwards[i] = outwards[i]!.map((_, b) => Math.min(...outwards[i + 1]!.map((sum, c) => sum + own(i + 1, c) + between(i + 1, b, c))));
    const least = Math.min(...inwards.at(-1)!);
    run.forEach(({ choices }, i) => {
      reached[from + i] = choices.filter((_, c) => inwards[i]![c]! + outwards[i]![c]! === least).map(levelOf);
    });
  }
  return reached;
}
