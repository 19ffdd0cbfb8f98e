import type { Plate } from "./plate";

/** The canvas as large as the plate, cleared, in CSS px. */
export function sizedCanvas(
  canvas: HTMLCanvasElement | null,
  { widthPx, eyeBottom }: Plate,
  ratio: number,
): CanvasRenderingContext2D | null {
  const context = canvas?.getContext("2d");
  if (!canvas || !context) return null;
  canvas.width = Math.round(widthPx * ratio);
  canvas.height = Math.round(eyeBottom * ratio);
  canvas.style.width = `${widthPx}px`;
  canvas.style.height = `${eyeBottom}px`;
  context.setTransform(ratio, 0, 0, ratio, 0, 0);
  return context;
}
