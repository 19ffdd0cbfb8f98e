/**
 * The falling steps that come closest to weighted values, in their order: pool adjacent violators (Ayer et al., Annals of
 * Mathematical Statistics 26 (1955) 641-647). `fallingSteps([3, 4, 1], [1, 1, 1])` → [3.5, 3.5, 1]
 */
export function fallingSteps(values: readonly number[], weights: readonly number[]): number[] {
  const blocks: { sum: number; weight: number; places: number }[] = [];
  values.forEach((value, i) => {
    let block = { sum: value * weights[i]!, weight: weights[i]!, places: 1 };
    for (let last = blocks.at(-1); last && last.sum / last.weight <= block.sum / block.weight; last = blocks.at(-1)) {
      block = { sum: last.sum + block.sum, weight: last.weight + block.weight, places: last.places + block.places };
      blocks.pop();
    }
    blocks.push(block);
  });
  return blocks.flatMap(({ sum, weight, places }) => Array.from({ length: places }, () => sum / weight));
}
