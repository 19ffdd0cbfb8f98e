import { degToRad, mulberry32 } from "../units";
import type { Blade, Point2, Shape } from "./shapes";

const HAIRS = 220;

/** How high the brow's run lies over its base at a place along it, in widths of the eye. */
const runAt = (t: number) => 0.14 * Math.sin(Math.PI * Math.min(1, t * 0.78 + 0.1)) - 0.34 * Math.max(0, t - 0.68) ** 1.15;

/** How far the brow reaches over its base, in widths of the eye. */
export const BROW_RISE = 0.2;

/**
 * A brow, faint: short hairs laid along its run, upright over the nose, lying flat at its tail. `place` puts a point x mm
 * from the inner corner outwards and so far over the brow's base where the drawing wants it.
 */
export function brow(widthMm: number, place: (x: number, overMm: number) => Point2, seed: number): Shape {
  const random = mulberry32(seed + 1);
  const thick = (t: number) => 0.085 * (t < 0.12 ? 0.55 + t * 3.7 : 1 - 0.85 * Math.max(0, t - 0.2));
  const blades = Array.from({ length: HAIRS }, (): Blade => {
    const t = random();
    const across = random() - 0.5;
    const lean = t < 0.14 ? 72 : t < 0.5 ? 46 - 40 * (t - 0.14) : 20 - 62 * (t - 0.5);
    // Hairs of the upper edge lie down, those of the lower edge rise to them.
    const angle = degToRad(lean - across * 30 + (random() - 0.5) * 12);
    const length = widthMm * (0.05 + 0.045 * random());
    const x = (-0.04 + 1.12 * t) * widthMm;
    const over = (runAt(t) + across * thick(t)) * widthMm;
    return {
      points: [0, 0.5, 1].map((u) =>
        place(x + Math.cos(angle) * length * u, over + Math.sin(angle) * length * u - 0.012 * widthMm * u * u),
      ),
      widthMm: 0.13,
      taperFrom: 0.2,
      tone: 0.5 + 0.5 * random(),
    };
  });
  return { kind: "blades", blades, ink: "hair", opacity: 0.34 };
}
