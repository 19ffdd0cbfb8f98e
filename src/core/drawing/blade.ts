import type { Blade } from "./shapes";

/** What is left of its width at the tip. A drawing convention of this product. */
const TIP = 0.1;

/**
 * How much of its tone a blade keeps that is drawn wider than it is: as dark as it would be at its own width, nearly.
 * `thinTone(0.3, 0.6)` → 0.55
 */
export function thinTone(width: number, drawnWidth: number): number {
  return Math.max(FAINTEST, Math.min(1, width / drawnWidth) ** THIN_POWER);
}
const FAINTEST = 0.2;
const THIN_POWER = 0.85;

/**
 * A blade as a closed outline, there along one side and back along the other: `[x0, y0, x1, y1, …]` in the points' own
 * unit times `scale`. Never narrower at its root than `leastWidth`, so that a screen does not drop it.
 */
export function bladeOutline({ points, widthMm, taperFrom }: Blade, scale = 1, leastWidth = 0): Float32Array {
  const last = points.length - 1;
  const half = Math.max(leastWidth, widthMm * scale) / 2;
  const out = new Float32Array((last + 1) * 4);
  for (let i = 0; i <= last; i++) {
    const [x, y] = points[i]!;
    const [ax, ay] = points[i > 0 ? i - 1 : 0]!;
    const [bx, by] = points[i < last ? i + 1 : last]!;
    const length = Math.hypot(bx - ax, by - ay) || 1;
    const u = i / last;
    const w = (half * (u <= taperFrom ? 1 : 1 - ((1 - TIP) * (u - taperFrom)) / (1 - taperFrom))) / length;
    const [nx, ny] = [-(by - ay) * w, (bx - ax) * w];
    const j = 2 * i;
    const k = out.length - 2 - j;
    out[j] = x * scale + nx;
    out[j + 1] = y * scale + ny;
    out[k] = x * scale - nx;
    out[k + 1] = y * scale - ny;
  }
  return out;
}
