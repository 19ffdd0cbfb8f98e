import type { Blade } from "@/core/drawing";
import { inPx, paintBlades, type Brush } from "./paint";

/** Lashes drawn together: a zone of a layer, or the natural ones. */
export type LashLayer = {
  readonly key: string;
  /** What it is drawn of; all the same, and it is not drawn anew. */
  readonly of: readonly unknown[];
  readonly blades: () => readonly Blade[];
  readonly brush: Pick<Brush, "point" | "pxPerMm">;
  readonly ink: string;
  readonly opacity: number;
};

type Painted = {
  readonly of: readonly unknown[];
  /** Null where it has no lash. */
  readonly bitmap: OffscreenCanvas | null;
  readonly x: number;
  readonly y: number;
};

const BLEED_PX = 2;

/**
 * Lashes on a canvas, each layer kept as a picture of its own: where one zone changes, only that one is drawn and all are
 * laid on each other again. So a drag repaints within a frame.
 */
export class LashLayers {
  private painted = new Map<string, Painted>();

  paint(context: CanvasRenderingContext2D, layers: readonly LashLayer[], ratio: number): void {
    const { width, height } = context.canvas;
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.clearRect(0, 0, width, height);
    const kept = new Map<string, Painted>();
    for (const layer of layers) {
      const of = [...layer.of, layer.ink, layer.opacity, layer.brush, ratio];
      const before = this.painted.get(layer.key);
      const painted = before && same(before.of, of) ? before : draw(layer, of, ratio);
      kept.set(layer.key, painted);
      if (painted.bitmap) context.drawImage(painted.bitmap, painted.x, painted.y);
    }
    this.painted = kept;
  }
}

const same = (a: readonly unknown[], b: readonly unknown[]) => a.length === b.length && a.every((part, i) => part === b[i]);

function draw({ blades, brush, ink, opacity }: LashLayer, of: readonly unknown[], ratio: number): Painted {
  const drawn = blades().map((blade) => inPx(blade, brush));
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const { outline } of drawn)
    for (let i = 0; i < outline.length; i += 2) {
      left = Math.min(left, outline[i]!);
      right = Math.max(right, outline[i]!);
      top = Math.min(top, outline[i + 1]!);
      bottom = Math.max(bottom, outline[i + 1]!);
    }
  if (right < left) return { of, bitmap: null, x: 0, y: 0 };
  const x = Math.floor(left * ratio) - BLEED_PX;
  const y = Math.floor(top * ratio) - BLEED_PX;
  const bitmap = new OffscreenCanvas(Math.ceil(right * ratio) - x + BLEED_PX, Math.ceil(bottom * ratio) - y + BLEED_PX);
  const context = bitmap.getContext("2d")!;
  context.setTransform(ratio, 0, 0, ratio, -x, -y);
  paintBlades(context, drawn, ink, opacity);
  return { of, bitmap, x, y };
}
