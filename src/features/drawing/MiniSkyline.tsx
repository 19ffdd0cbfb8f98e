import { SIDES } from "@/core/eye";
import type { MapProfile } from "@/core/map";

const LOWEST_MM = 4;
const BETWEEN_PX = 6;

/** A map at a glance: both eyes as the client is faced, outer corners at the ends. */
export function MiniSkyline({ profile, width = 74, height = 24 }: { profile: MapProfile; width?: number; height?: number }) {
  const half = (width - BETWEEN_PX) / 2;
  const bars = SIDES.flatMap((side) =>
    profile[side].map(([start, end, lengthMm]) => {
      const [from, to] = [start * half, end * half];
      const tall = ((lengthMm - LOWEST_MM) / 11) * height;
      const x = side === "right" ? half - to : half + BETWEEN_PX + from;
      const wide = Math.max(1, to - from - 1).toFixed(1);
      return `M${x.toFixed(1)} ${height}v${(-tall).toFixed(1)}h${wide}v${tall.toFixed(1)}z`;
    }),
  );
  return (
    <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} aria-hidden="true" className="shrink-0">
      <path d={bars.join("")} fill="var(--ivy)" opacity="0.8" />
    </svg>
  );
}
