import { memo } from "react";
import { sideLabel } from "@/core/eye";
import { Nose } from "@/features/drawing/Nose";
import type { Plate } from "@/features/drawing/plate";
import type { SkylineScale } from "./drag";

/** Room under the ground for the zones' numbers and the landmarks' labels. */
export const FOOT_PX = 58;

/** What stands still behind the map: the scale of millimetres, which eye is which, the nose. */
export const Backdrop = memo(function Backdrop({
  plate,
  width,
  scale,
  turned,
}: {
  plate: Plate;
  width: number;
  scale: SkylineScale;
  turned: boolean;
}) {
  const { groundY, pxPerMm, topMm } = scale;
  const ticks = Array.from({ length: Math.floor(topMm / 2) + 1 }, (_, i) => i * 2);
  return (
    <>
      <rect width={width} height={groundY + FOOT_PX} fill="var(--paper)" />
      {ticks.map((mm) => (
        <g key={mm}>
          <line
            x1={plate.eyes[0]!.from}
            x2={plate.eyes.at(-1)!.to}
            y1={groundY - mm * pxPerMm}
            y2={groundY - mm * pxPerMm}
            stroke="var(--line)"
            strokeWidth={mm === 0 ? 1.5 : 1}
            opacity={mm === 0 ? 1 : 0.75}
          />
          <text x={plate.eyes[0]!.from - 10} y={groundY - mm * pxPerMm + 4} textAnchor="end" fontSize="12" fill="var(--ink-2)">
            {mm === ticks.at(-1) ? `${mm} mm` : mm}
          </text>
        </g>
      ))}
      {plate.eyes.map(({ side, from, to }) => (
        <text key={side} x={(from + to) / 2} y={turned ? 13 : plate.eyeBottom + 12} textAnchor="middle" fontSize="14" fill="var(--ink)">
          {sideLabel(side)}
        </text>
      ))}
      {plate.noseX ? <Nose x={plate.noseX} y={plate.eyeBottom / 2 + (turned ? -40 : 40)} length={38} turned={turned} /> : null}
    </>
  );
});
