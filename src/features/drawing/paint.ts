import { bladeOutline, thinTone, type Blade, type Palette, type Point2, type Shade, type Shape } from "@/core/drawing";

type Context = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

export type Brush = {
  readonly palette: Palette;
  /** Where a point of the drawing, mm, stands on the canvas, px. */
  readonly point: (p: Point2) => Point2;
  readonly pxPerMm: number;
};

/** Nothing is drawn thinner than this, px: a screen would drop it. */
const LEAST_PX = { line: 0.6, blade: 0.62 } as const;
/** Blades are painted in so many tones, palest first. */
const TONES = 10;

/** Shapes painted onto a canvas, back to front, in CSS px. */
export function paintShapes(context: Context, shapes: readonly Shape[], brush: Brush): void {
  for (const shape of shapes) paintShape(context, shape, brush);
}

function paintShape(context: Context, shape: Shape, brush: Brush): void {
  const { palette, point, pxPerMm } = brush;
  switch (shape.kind) {
    case "area":
      context.globalAlpha = shape.opacity;
      context.fillStyle = typeof shape.fill === "string" ? palette[shape.fill] : shadeOf(context, shape.fill, brush);
      context.fill(outlineOf(shape.outline, point));
      break;
    case "line":
      context.globalAlpha = shape.opacity;
      context.strokeStyle = palette[shape.ink];
      context.lineWidth = Math.max(LEAST_PX.line, shape.widthMm * pxPerMm);
      context.lineCap = context.lineJoin = "round";
      context.stroke(outlineOf(shape.points, point, false));
      break;
    case "blades":
      paintBlades(
        context,
        shape.blades.map((blade) => inPx(blade, brush)),
        palette[shape.ink],
        shape.opacity,
      );
      break;
    case "within":
      context.save();
      context.clip(outlineOf(shape.outline, point));
      paintShapes(context, shape.shapes, brush);
      context.restore();
  }
  context.globalAlpha = 1;
}

function outlineOf(points: readonly Point2[], point: Brush["point"], closed = true): Path2D {
  const path = new Path2D();
  points.forEach((p, i) => {
    const [x, y] = point(p);
    if (i) path.lineTo(x, y);
    else path.moveTo(x, y);
  });
  if (closed) path.closePath();
  return path;
}

function shadeOf(context: Context, { from, to, round, stops }: Shade, { palette, point }: Brush): CanvasGradient {
  const [[x1, y1], [x2, y2]] = [point(from), point(to)];
  const gradient = round
    ? context.createRadialGradient(x1, y1, 0, x1, y1, Math.hypot(x2 - x1, y2 - y1))
    : context.createLinearGradient(x1, y1, x2, y2);
  for (const [at, ink, opacity] of stops) gradient.addColorStop(at, withOpacity(palette[ink], opacity));
  return gradient;
}

const withOpacity = (hex: string, opacity: number) =>
  `${hex}${Math.round(opacity * 255)
    .toString(16)
    .padStart(2, "0")}`;

/** A blade's outline in px, with its tone. */
export type PxBlade = { readonly outline: Float32Array; readonly tone: number };

export const inPx = (blade: Blade, { point, pxPerMm }: Pick<Brush, "point" | "pxPerMm">): PxBlade => ({
  outline: bladeOutline({ ...blade, points: blade.points.map(point), widthMm: blade.widthMm * pxPerMm }, 1, LEAST_PX.blade),
  tone: blade.tone * thinTone(blade.widthMm * pxPerMm, LEAST_PX.blade),
});

/** Blades of one ink, all of a tone at once. */
export function paintBlades(context: Context, blades: readonly PxBlade[], ink: string, opacity: number): void {
  const paths = Array.from({ length: TONES + 1 }, () => null as Path2D | null);
  for (const { outline, tone } of blades) {
    const step = Math.round(Math.min(1, Math.max(0, tone)) * TONES);
    const path = (paths[step] ??= new Path2D());
    path.moveTo(outline[0]!, outline[1]!);
    for (let i = 2; i < outline.length; i += 2) path.lineTo(outline[i]!, outline[i + 1]!);
    path.closePath();
  }
  context.fillStyle = ink;
  paths.forEach((path, step) => {
    if (!path) return;
    context.globalAlpha = (opacity * step) / TONES;
    context.fill(path);
  });
  context.globalAlpha = 1;
}
