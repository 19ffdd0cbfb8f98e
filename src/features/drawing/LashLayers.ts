import type { Blade } from "@/core/drawing";
import { inPx, paintBlades, type Brush, type PxBlade } from "./paint";

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
 * Lashes on two canvases. At rest all lie on the first, each layer kept as a picture of its own: where one changes, only that
 * one is drawn. While something moves, what changes is drawn straight onto the second and the first stands still without
 * it: so a drag repaints within a frame.
 */
export class LashLayers {
  private painted = new Map<string, Painted>();
  /** What moves, as it was drawn last; empty at rest. */
  private moved = new Map<string, readonly unknown[]>();

  paint(resting: CanvasRenderingContext2D, moving: CanvasRenderingContext2D, layers: readonly LashLayer[], ratio: number): void {
    const kept = new Map<string, Painted>();
    for (const layer of layers) {
      const of = wholeOf(layer, ratio);
      const before = this.painted.get(layer.key);
      kept.set(layer.key, before && same(before.of, of) ? before : draw(layer, of, ratio));
    }
    this.painted = kept;
    this.lay(resting, new Set());
    if (this.moved.size) clear(moving);
    this.moved = new Map();
  }

  /** As `paint`, for as long as a hand moves something: what differs from how it lay at rest is drawn by itself. */
  paintMoving(resting: CanvasRenderingContext2D, moving: CanvasRenderingContext2D, layers: readonly LashLayer[], ratio: number): void {
    const changed = layers
      .map((layer) => ({ layer, of: wholeOf(layer, ratio) }))
      .filter(({ layer, of }) => !same(this.painted.get(layer.key)?.of ?? [], of));
    const gone = [...this.painted.keys()].filter((key) => !layers.some((layer) => layer.key === key));
    const lifted = new Set([...changed.map(({ layer }) => layer.key), ...gone]);
    const before = this.moved;
    const sameKeys = before.size === lifted.size && [...lifted].every((key) => before.has(key));
    if (sameKeys && changed.every(({ layer, of }) => same(before.get(layer.key)!, of))) return;
    // What was lifted once stays lifted, so that the first canvas is laid anew as seldom as can be.
    const away = new Set([...before.keys(), ...lifted]);
    if (away.size > before.size) this.lay(resting, away);
    clear(moving);
    moving.setTransform(ratio, 0, 0, ratio, 0, 0);
    const stillThere: Painted[] = [];
    const byKey = new Map(layers.map((layer) => [layer.key, layer]));
    for (const key of away) {
      const layer = byKey.get(key);
      if (!layer) continue;
      if (lifted.has(key)) paintBlades(moving, pxOf(layer), layer.ink, layer.opacity);
      else stillThere.push(this.painted.get(key)!);
    }
    moving.setTransform(1, 0, 0, 1, 0, 0);
    for (const { bitmap, x, y } of stillThere) if (bitmap) moving.drawImage(bitmap, x, y);
    this.moved = new Map(
      [...away].map((key) => [key, changed.find(({ layer }) => layer.key === key)?.of ?? this.painted.get(key)?.of ?? []]),
    );
  }

  /** Lays all pictures on each other but those that are away. */
  private lay(context: CanvasRenderingContext2D, away: ReadonlySet<string>): void {
    clear(context);
    for (const [key, { bitmap, x, y }] of this.painted) if (bitmap && !away.has(key)) context.drawImage(bitmap, x, y);
  }
}

const same = (a: readonly unknown[], b: readonly unknown[]) => a.length === b.length && a.every((part, i) => part === b[i]);
const wholeOf = ({ of, ink, opacity, brush }: LashLayer, ratio: number) => [...of, ink, opacity, brush, ratio];
const pxOf = ({ blades, brush }: LashLayer): PxBlade[] => blades().map((blade) => inPx(blade, brush));

function clear(context: CanvasRenderingContext2D): void {
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.clearRect(0, 0, context.canvas.width, context.canvas.height);
}

function draw(layer: LashLayer, of: readonly unknown[], ratio: number): Painted {
  const drawn = pxOf(layer);
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
  paintBlades(context, drawn, layer.ink, layer.opacity);
  return { of, bitmap, x, y };
}
