import { memo, useMemo } from "react";
import type { Survey } from "@/core/eye";
import { onPaper, padZones, type LashMap } from "@/core/map";
import type { EyePlace, Plate } from "./plate";

/** The map as it is written on the pad: zone lines, lengths, numbers, landmarks of one layer, over the lashes. */
export const MapOnPad = memo(function MapOnPad({
  plate,
  place,
  survey,
  map,
  layer,
  chosen,
}: {
  plate: Plate;
  place: EyePlace;
  survey: Survey;
  map: LashMap;
  layer: number;
  chosen: number | null;
}) {
  const { side, pxPerMm: k } = place;
  const pad = useMemo(() => padZones(survey, map, side, layer, "bedHead", plate.longestMm), [survey, map, side, layer, plate.longestMm]);
  const own = onPaper(side, "bedHead");
  const at = (p: readonly [number, number]) => place.point(own(p));
  const line = (from: readonly [number, number], to: readonly [number, number]) => {
    const [[x1, y1], [x2, y2]] = [at(from), at(to)];
    return { x1, y1, x2, y2 };
  };
  const size = Math.max(11.5, Math.min(16, pad.lengthTextMm * k));
  return (
    <g pointerEvents="none" className="select-none">
      {pad.zoneLines.map(({ from, to }, i) => (
        <line key={i} {...line(from, to)} stroke="var(--ivy)" strokeWidth="1" opacity="0.45" />
      ))}
      {pad.lengths.map(({ at: p, text, leader }, i) => {
        const [x, y] = at(p);
        const mine = i === chosen;
        return (
          <g key={i}>
            <line {...line(...leader)} stroke="var(--ivy)" strokeWidth={mine ? 1.5 : 0.75} opacity={mine ? 0.9 : 0.35} />
            <text
              x={x}
              y={y}
              dy="0.36em"
              textAnchor="middle"
              fontSize={mine ? size + 3 : size}
              fontWeight={mine ? 700 : 600}
              fill={mine ? "var(--ivy)" : "var(--ink)"}
            >
              {text}
            </text>
          </g>
        );
      })}
      {pad.landmarks.map(({ tick, label, labelAt }, i) => {
        const [x, y] = at(labelAt);
        return (
          <g key={i}>
            <line {...line(...tick)} stroke="var(--ink-2)" strokeWidth="1.25" />
            <text x={x} y={y} dy="0.36em" textAnchor="middle" fontSize="11" fill="var(--ink-2)">
              {label}
            </text>
          </g>
        );
      })}
    </g>
  );
});
