import { memo } from "react";
import { sideLabel } from "@/core/eye";
import { Nose } from "@/features/drawing/Nose";
import type { Plate } from "@/features/drawing/plate";
import type { SkylineScale } from "./drag";

/** Room under the ground for the zones' numbers and the landmarks' labels. */
export const FOOT_PX = 58;

/** What stands still behind the map: the scale of millimetres, which eye is which, the nose. */
export const Backdrop = memo(function Backdrop({ plate, scale }: { plate: Plate; scale: SkylineScale }) {
  const { groundY, pxPerMm, topMm } = scale;
  const ticks = Array.from({ length: Math.floor(topMm / 2) + 1 }, (_, i) => i * 2);
  return (
    <>
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
        <text key={side} x={(from + to) / 2} y={plate.eyeBottom + 14} textAnchor="middle" fontSize="14" fill="var(--ink)">
          {sideLabel(side)}
        </text>
      ))}
      {plate.noseX === null ? <NoseBeside plate={plate} /> : null}
      {plate.noseX && plate.view !== "side" ? (
        <Nose
          x={plate.noseX}
          y={plate.eyeBottom - 42}
          length={38}
          turned={plate.view === "pad"}
          ink={plate.view === "pad" ? "var(--ink-2)" : "var(--on-glass)"}
        />
      ) : null}
    </>
  );
});

/** Where one eye stands alone: on which side of it the nose is. */
function NoseBeside({ plate }: { plate: Plate }) {
  const { from, to, lineX } = plate.eyes[0]!;
  const right = lineX(0) > lineX(1);
  return (
    <text x={right ? to : from} y={plate.eyeBottom + 14} textAnchor={right ? "end" : "start"} fontSize="13" fill="var(--ink-2)">
      {right ? "nose \u2192" : "\u2190 nose"}
    </text>
  );
}
