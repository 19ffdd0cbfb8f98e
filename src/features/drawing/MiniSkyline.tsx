import { baseLayer, type LashMap } from "@/core/map";
import { SIDES } from "@/core/eye";

const LOWEST_MM = 4;

/** A map at a glance: both eyes as the client is faced, outer corners at the ends. */
export function MiniSkyline({ map, width = 74, height = 24 }: { map: LashMap; width?: number; height?: number }) {
  const half = (width - 6) / 2;
  const bars = SIDES.flatMap((side) => {
    const { boundaries, zones } = baseLayer(map, side);
    return zones.flatMap((fibre, i) => {
      if (!fibre) return [];
      const [from, to] = [boundaries[i]! * half, boundaries[i + 1]! * half];
      const tall = ((fibre.lengthMm - LOWEST_MM) / 11) * height;
      const x = side === "right" ? half - to : half + 6 + from;
      return [{ key: `${side}${i}`, x, width: Math.max(1, to - from - 1), tall }];
    });
  });
  return (
    <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} aria-hidden="true" className="shrink-0">
      {bars.map((bar) => (
        <rect key={bar.key} x={bar.x} y={height - bar.tall} width={bar.width} height={bar.tall} fill="var(--ivy)" opacity="0.8" />
      ))}
    </svg>
  );
}
