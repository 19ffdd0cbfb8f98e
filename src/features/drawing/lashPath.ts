import type { DrawnLash } from "@/core/eye";
import type { EyePlace } from "./plate";

/** A lash as a filled sliver that tapers to its tip: SVG path data in px. */
export function lashPath(lash: DrawnLash, place: EyePlace, pxPerMm: number): string {
  // Half the true width, but never so thin that the screen drops it.
  const half = Math.max(0.32, (lash.widthMm * pxPerMm) / 2);
  const points = lash.points.map(place.point);
  const last = points.length - 1;
  let there = "";
  let back = "";
  for (let i = 0; i <= last; i++) {
    const [x, y] = points[i]!;
    const [ax, ay] = points[Math.max(0, i - 1)]!;
    const [bx, by] = points[Math.min(last, i + 1)]!;
    const length = Math.hypot(bx - ax, by - ay) || 1;
    const w = (half * (i < last / 2 ? 1 : 1 - (i - last / 2) / (last / 2))) / length;
    const [nx, ny] = [-(by - ay) * w, (bx - ax) * w];
    there += `${i ? "L" : ""}${tenth(x + nx)} ${tenth(y + ny)}`;
    back = `L${tenth(x - nx)} ${tenth(y - ny)}${back}`;
  }
  return `M${there}${back}Z`;
}

/** A tenth of a pixel is as fine as a screen shows. */
const tenth = (px: number) => Math.round(px * 10) / 10;

/** Points as an open line: SVG path data. */
export function linePath(points: readonly (readonly [number, number])[], place: EyePlace): string {
  return points
    .map((p, i) => {
      const [x, y] = place.point(p);
      return `${i ? "L" : "M"}${x.toFixed(1)} ${y.toFixed(1)}`;
    })
    .join("");
}
