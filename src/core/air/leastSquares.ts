/** Straight line through points by least squares; slope 0 where all stand at one place. */
export function leastSquares(points: readonly (readonly [x: number, y: number])[]): { slope: number; intercept: number } {
  const n = points.length;
  const meanX = points.reduce((sum, [x]) => sum + x, 0) / n;
  const meanY = points.reduce((sum, [, y]) => sum + y, 0) / n;
  const across = points.reduce((sum, [x]) => sum + (x - meanX) ** 2, 0);
  const slope = across === 0 ? 0 : points.reduce((sum, [x, y]) => sum + (x - meanX) * (y - meanY), 0) / across;
  return { slope, intercept: meanY - slope * meanX };
}
