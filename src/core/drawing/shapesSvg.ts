import { bladeOutline, thinTone } from "./blade";
import type { Palette } from "./palette";
import type { Point2, Shade, Shape } from "./shapes";

const DIGITS = 3;
const n = (value: number) => String(Number(value.toFixed(DIGITS)));

/**
 * Shapes as SVG markup in millimetres, every point through `place`, widths times `scale`. Ids of shades and clips begin
 * with `id`, so that several drawings may stand in one file. `leastMm`: nothing is drawn thinner than that.
 */
export function shapesSvg(
  shapes: readonly Shape[],
  {
    palette,
    place,
    scale = 1,
    id,
    leastMm = 0,
  }: { palette: Palette; place: (p: Point2) => Point2; scale?: number; id: string; leastMm?: number },
): string {
  let ids = 0;
  const path = (points: readonly Point2[]) => points.map((p, i) => `${i ? "L" : "M"}${place(p).map(n).join(" ")}`).join("");
  const shade = ({ from, to, round, stops }: Shade, name: string) => {
    const [[x1, y1], [x2, y2]] = [place(from), place(to)];
    const at = round
      ? `cx="${n(x1)}" cy="${n(y1)}" r="${n(Math.hypot(x2 - x1, y2 - y1))}"`
      : `x1="${n(x1)}" y1="${n(y1)}" x2="${n(x2)}" y2="${n(y2)}"`;
    const tag = round ? "radialGradient" : "linearGradient";
    return `<${tag} id="${name}" gradientUnits="userSpaceOnUse" ${at}>${stops
      .map(([offset, ink, opacity]) => `<stop offset="${offset}" stop-color="${palette[ink]}" stop-opacity="${n(opacity)}"/>`)
      .join("")}</${tag}>`;
  };
  const draw = (shape: Shape): string => {
    switch (shape.kind) {
      case "area": {
        const opacity = shape.opacity === 1 ? "" : ` opacity="${n(shape.opacity)}"`;
        if (typeof shape.fill === "string") return `<path d="${path(shape.outline)}Z" fill="${palette[shape.fill]}"${opacity}/>`;
        const name = `${id}${ids++}`;
        return `${shade(shape.fill, name)}<path d="${path(shape.outline)}Z" fill="url(#${name})"${opacity}/>`;
      }
      case "line":
        return `<path d="${path(shape.points)}" fill="none" stroke="${palette[shape.ink]}" stroke-width="${n(Math.max(leastMm, shape.widthMm * scale))}" stroke-linecap="round" stroke-linejoin="round" opacity="${n(shape.opacity)}"/>`;
      case "blades":
        return `<g fill="${palette[shape.ink]}" opacity="${n(shape.opacity)}">${shape.blades
          .map((blade) => {
            const outline = bladeOutline({ ...blade, points: blade.points.map(place), widthMm: Math.max(leastMm, blade.widthMm * scale) });
            const tone = blade.tone * (leastMm > 0 ? thinTone(blade.widthMm * scale, leastMm) : 1);
            let d = "";
            for (let i = 0; i < outline.length; i += 2) d += `${i ? "L" : "M"}${n(outline[i]!)} ${n(outline[i + 1]!)}`;
            return `<path d="${d}Z"${tone < 1 ? ` opacity="${n(tone)}"` : ""}/>`;
          })
          .join("")}</g>`;
      case "within": {
        const name = `${id}${ids++}`;
        return `<clipPath id="${name}"><path d="${path(shape.outline)}Z"/></clipPath><g clip-path="url(#${name})">${shape.shapes.map(draw).join("")}</g>`;
      }
    }
  };
  return shapes.map(draw).join("");
}
