export type Mm = readonly [x: number, y: number];

const STEPS = 12;

/**
 * A smooth curve through points as many short straight pieces: Catmull-Rom, ends repeated. Two points give a line.
 * (Catmull and Rom, "A class of local interpolating splines", 1974.)
 */
export function curveThrough(points: readonly Mm[]): Mm[] {
  if (points.length < 3) return [...points];
  const at = (i: number) => points[Math.min(points.length - 1, Math.max(0, i))]!;
  const curve: Mm[] = [points[0]!];
  for (let i = 0; i < points.length - 1; i++) {
    const [p0, p1, p2, p3] = [at(i - 1), at(i), at(i + 1), at(i + 2)];
    for (let k = 1; k <= STEPS; k++) {
      const t = k / STEPS;
      const mix = (a: number, b: number, c: number, d: number) =>
        0.5 * (2 * b + (c - a) * t + (2 * a - 5 * b + 4 * c - d) * t ** 2 + (3 * b - a - 3 * c + d) * t ** 3);
      curve.push([mix(p0[0], p1[0], p2[0], p3[0]), mix(p0[1], p1[1], p2[1], p3[1])]);
    }
  }
  return curve;
}

/** Length of a curve given as short straight pieces. */
export function lengthOf(curve: readonly Mm[]): number {
  return curve.slice(1).reduce((sum, [x, y], i) => sum + Math.hypot(x - curve[i]![0], y - curve[i]![1]), 0);
}

/** Where along a curve the place nearest to a point lies, 0 its beginning .. 1 its end. */
export function fractionNearest(curve: readonly Mm[], [px, py]: Mm): number {
  const total = lengthOf(curve);
  let best = { off: Infinity, along: 0 };
  let passed = 0;
  curve.slice(1).forEach(([x2, y2], i) => {
    const [x1, y1] = curve[i]!;
    const [dx, dy] = [x2 - x1, y2 - y1];
    const piece = Math.hypot(dx, dy);
    const t = piece > 0 ? Math.min(1, Math.max(0, ((px - x1) * dx + (py - y1) * dy) / piece ** 2)) : 0;
    const off = Math.hypot(x1 + t * dx - px, y1 + t * dy - py);
    if (off < best.off) best = { off, along: passed + t * piece };
    passed += piece;
  });
  return total > 0 ? best.along / total : 0;
}
