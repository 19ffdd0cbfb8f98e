/** Mean of a curve over a stretch. */
export function meanOver(curve: (at: number) => number, from: number, to: number, samples = 8): number {
  let sum = 0;
  for (let k = 0; k < samples; k++) sum += curve(from + ((k + 0.5) / samples) * (to - from));
  return sum / samples;
}
