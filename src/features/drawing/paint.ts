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

/** A blade in px, with its tone: its outline, or, where it is too thin for sides, the line it runs along. */
export type PxBlade = { readonly outline: Float32Array; readonly isThin: boolean; readonly tone: number };

/** Up to this wide a blade is drawn as a line, px: its taper shows in its ink alone, and lines are painted many times as fast. */
const THIN_PX = 0.85;

export function inPx({ points, widthMm, taperFrom, tone }: Blade, { point, pxPerMm }: Pick<Brush, "point" | "pxPerMm">): PxBlade {
  const width = widthMm * pxPerMm;
  const inked = tone * thinTone(width, LEAST_PX.blade);
  if (width > THIN_PX)
    return {
      outline: bladeOutline({ points: points.map(point), widthMm: width, taperFrom, tone }, 1, LEAST_PX.blade),
      isThin: false,
      tone: inked,
    };
  const outline = new Float32Array(points.length * 2);
  points.forEach((p, i) => {
    const [x, y] = point(p);
    outline[2 * i] = x;
    outline[2 * i + 1] = y;
  });
  return { outline, isThin: true, tone: inked };
}

/** Of a thin blade the part from here on is its tip, drawn half as wide. */
const TIP_FROM = 0.55;

/** Blades of one ink, all of a tone at once. */
export function paintBlades(context: Context, blades: readonly PxBlade[], ink: string, opacity: number): void {
  const tones = Array.from({ length: TONES + 1 }, () => ({
    wide: null as Path2D | null,
    thin: null as Path2D | null,
    tips: null as Path2D | null,
  }));
  for (const { outline, isThin, tone } of blades) {
    const paths = tones[Math.round(Math.min(1, Math.max(0, tone)) * TONES)]!;
    const last = outline.length / 2 - 1;
    if (isThin) {
      const tip = Math.max(1, Math.floor(last * TIP_FROM));
      along((paths.thin ??= new Path2D()), outline, 0, tip);
      along((paths.tips ??= new Path2D()), outline, tip, last);
    } else {
      const path = (paths.wide ??= new Path2D());
      along(path, outline, 0, last);
      path.closePath();
    }
  }
  context.fillStyle = context.strokeStyle = ink;
  context.lineCap = "butt";
  context.lineJoin = "bevel";
  tones.forEach(({ wide, thin, tips }, step) => {
    context.globalAlpha = (opacity * step) / TONES;
    if (wide) context.fill(wide);
    context.lineWidth = LEAST_PX.blade;
    if (thin) context.stroke(thin);
    context.lineWidth = LEAST_PX.blade / 2;
    if (tips) context.stroke(tips);
  });
  context.globalAlpha = 1;
}

function along(path: Path2D, points: Float32Array, from: number, to: number): void {
  path.moveTo(points[2 * from]!, points[2 * from + 1]!);
  for (let i = from + 1; i <= to; i++) path.lineTo(points[2 * i]!, points[2 * i + 1]!);
}
