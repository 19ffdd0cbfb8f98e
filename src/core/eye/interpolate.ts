/**
 * Smooth curve through points that never overshoots them (monotone cubic), flat beyond both ends.
 * Fritsch and Carlson, "Monotone piecewise cubic interpolation", SIAM J. Numer. Anal. 17 (1980) 238-246,
 * with the harmonic-mean slopes of Fritsch and Butland (1984).
 *
 * `xs` ascending, as many as `ys`. `interpolateMonotone([0, 1], [7, 9])(0.5)` → 8
 */
export function interpolateMonotone(xs: readonly number[], ys: readonly number[]): (x: number) => number {
  const n = xs.length;
  if (n === 0 || n !== ys.length) throw new RangeError("interpolateMonotone needs as many xs as ys, at least one.");
  const x = (i: number) => xs[i] as number;
  const y = (i: number) => ys[i] as number;
  const step = (i: number) => x(i + 1) - x(i);
  const secant = (i: number) => (y(i + 1) - y(i)) / step(i);
  const slopes = xs.map((_, i) => {
    if (n === 1) return 0;
    if (i === 0) return secant(0);
    if (i === n - 1) return secant(n - 2);
    const [a, b] = [secant(i - 1), secant(i)];
    if (a * b <= 0) return 0;
    const w1 = 2 * step(i) + step(i - 1);
    const w2 = step(i) + 2 * step(i - 1);
    return (w1 + w2) / (w1 / a + w2 / b);
  });
  return (at) => {
    if (at <= x(0)) return y(0);
    if (at >= x(n - 1)) return y(n - 1);
    let i = 0;
    while (at > x(i + 1)) i += 1;
    const h = step(i);
    const t = (at - x(i)) / h;
    const [m0, m1] = [(slopes[i] as number) * h, (slopes[i + 1] as number) * h];
    return (
      (2 * t ** 3 - 3 * t ** 2 + 1) * y(i) + (t ** 3 - 2 * t ** 2 + t) * m0 + (3 * t ** 2 - 2 * t ** 3) * y(i + 1) + (t ** 3 - t ** 2) * m1
    );
  };
}
