"use client";
import { memo, useMemo, useRef } from "react";
import { area, curveBasis, line } from "d3";
import { naturalLashAt, sideLabel, type EyeSurvey, type Side } from "@/core/eye";
import type { Severity, ZoneFacts } from "@/core/map";
import { formatMm } from "@/core/units";
import type { EyePlace } from "@/features/drawing/plate";

const FILLS: Record<Severity | "none", string> = { stop: "var(--rosehip-soft)", look: "var(--brass-soft)", note: "none", none: "none" };
const STROKES: Record<Severity | "none", string> = { stop: "var(--rosehip)", look: "var(--brass)", note: "var(--ivy)", none: "var(--ivy)" };

export type ZoneRef = { readonly side: Side; readonly index: number };

/**
 * The map as a skyline along one lash line: the natural lash as the ground, the limit as a fine line over it, each
 * zone's fibre as a step to be dragged or keyed. All in true millimetres of the plate.
 */
export const Skyline = memo(function Skyline({
  place,
  eye,
  zones,
  severities,
  chosen,
  groundY,
  pxPerMm,
  topMm,
  onChoose,
  onDrag,
}: {
  place: EyePlace;
  eye: EyeSurvey;
  zones: readonly ZoneFacts[];
  severities: readonly (Severity | "none")[];
  chosen: ZoneRef | null;
  groundY: number;
  pxPerMm: number;
  topMm: number;
  onChoose: (zone: ZoneRef) => void;
  onDrag: (zone: ZoneRef, wishMm: number, stroke: string, alone: boolean) => void;
}) {
  const drag = useRef<{ stroke: string; y: number; fromMm: number } | null>(null);
  const y = (mm: number) => groundY - mm * pxPerMm;
  const x = (at: number) => place.lineX(at * eye.lashLineMm);

  const natural = useMemo(() => {
    const lashAt = naturalLashAt(eye);
    const places = Array.from({ length: 33 }, (_, i) => i / 32);
    const sx = (at: number) => place.lineX(at * eye.lashLineMm);
    const sy = (mm: number) => groundY - mm * pxPerMm;
    const ground = area<number>(sx, groundY, (at) => sy(lashAt(at).lengthMm)).curve(curveBasis);
    const spread = area<number>(
      sx,
      (at) => sy(lashAt(at).lengthMm - lashAt(at).spreadMm),
      (at) => sy(lashAt(at).lengthMm + lashAt(at).spreadMm),
    ).curve(curveBasis);
    return { ground: ground(places) ?? "", spread: spread(places) ?? "" };
  }, [eye, place, groundY, pxPerMm]);
  const limit = useMemo(() => {
    const corners = zones.flatMap((zone) => [
      [place.lineX(zone.from * eye.lashLineMm), groundY - zone.limit.limitMm * pxPerMm] as [number, number],
      [place.lineX(zone.to * eye.lashLineMm), groundY - zone.limit.limitMm * pxPerMm] as [number, number],
    ]);
    return line()(corners) ?? "";
  }, [zones, place, eye, groundY, pxPerMm]);

  const wishAt = (clientY: number) => {
    const held = drag.current;
    return held ? held.fromMm + (held.y - clientY) / pxPerMm : null;
  };

  return (
    <g>
      <path d={natural.ground} fill="var(--moss-soft)" />
      <path d={natural.spread} fill="var(--moss)" opacity="0.35" />
      <path d={limit} fill="none" stroke="var(--rosehip)" strokeWidth="1.25" strokeDasharray="2 3" pointerEvents="none" />
      {zones.map((zone, i) => {
        const [x1, x2] = [Math.min(x(zone.from), x(zone.to)), Math.max(x(zone.from), x(zone.to))];
        const isChosen = chosen?.side === zone.side && chosen.index === i;
        const severity = severities[i] ?? "none";
        const mm = zone.fibre?.lengthMm ?? null;
        const middle = (x1 + x2) / 2;
        const name = `${sideLabel(zone.side)}, zone ${i + 1}`;
        return (
          <g
            key={i}
            role="slider"
            tabIndex={isChosen || (!chosen && i === 0) ? 0 : -1}
            aria-label={name}
            aria-valuemin={0}
            aria-valuemax={25}
            aria-valuenow={mm ?? 0}
            aria-valuetext={
              mm === null ? "bare" : `${formatMm(mm)} mm${severity === "stop" ? ", stop" : severity === "look" ? ", look" : ""}`
            }
            aria-orientation="vertical"
            data-zone={`${zone.side}-${i + 1}`}
            data-severity={severity}
            className="cursor-ns-resize touch-none outline-none [&:focus-visible>.frame]:stroke-ivy"
            onFocus={() => !isChosen && onChoose({ side: zone.side, index: i })}
            onPointerDown={(event) => {
              event.currentTarget.setPointerCapture(event.pointerId);
              drag.current = { stroke: `${zone.side}${i}@${event.timeStamp}`, y: event.clientY, fromMm: mm ?? zone.stockedMm[0] ?? 6 };
              onChoose({ side: zone.side, index: i });
            }}
            onPointerMove={(event) => {
              const wish = wishAt(event.clientY);
              if (wish !== null && drag.current) onDrag({ side: zone.side, index: i }, wish, drag.current.stroke, event.altKey);
            }}
            onPointerUp={() => (drag.current = null)}
            onPointerCancel={() => (drag.current = null)}
          >
            <rect x={x1} y={y(topMm)} width={x2 - x1} height={topMm * pxPerMm + 26} fill="transparent" />
            {mm !== null ? (
              <>
                <rect
                  x={x1 + 0.75}
                  y={y(mm)}
                  width={Math.max(1, x2 - x1 - 1.5)}
                  height={mm * pxPerMm}
                  fill={FILLS[severity] === "none" ? "var(--ivy)" : FILLS[severity]}
                  opacity={FILLS[severity] === "none" ? (isChosen ? 0.26 : 0.1) : 0.75}
                />
                <line
                  x1={x1 + 1.5}
                  x2={x2 - 1.5}
                  y1={y(mm)}
                  y2={y(mm)}
                  stroke={STROKES[severity]}
                  strokeWidth={isChosen ? 5.5 : 4}
                  strokeLinecap="round"
                />
              </>
            ) : (
              <line x1={x1 + 3} x2={x2 - 3} y1={groundY - 2} y2={groundY - 2} stroke="var(--ink-2)" strokeWidth="2" strokeDasharray="2 3" />
            )}
            <text
              x={middle}
              y={(mm === null ? groundY - 9 : y(mm)) - 9}
              textAnchor="middle"
              fontSize={x2 - x1 < 18 ? 12.5 : isChosen ? 18 : 15.5}
              fontWeight={isChosen ? 700 : 600}
              fill={severity === "stop" ? "var(--rosehip)" : severity === "look" ? "var(--brass)" : "var(--ink)"}
              className="select-none"
              stroke="var(--paper)"
              strokeWidth="3.5"
              paintOrder="stroke"
            >
              {mm === null ? "bare" : formatMm(mm)}
            </text>
            <text
              x={middle}
              y={groundY + 17}
              textAnchor="middle"
              fontSize="12.5"
              fontWeight={isChosen ? 700 : 400}
              fill={isChosen ? "var(--ink)" : "var(--ink-2)"}
              className="select-none"
            >
              {i + 1}
            </text>
            <rect
              className="frame"
              x={x1 + 1}
              y={y(topMm)}
              width={Math.max(1, x2 - x1 - 2)}
              height={topMm * pxPerMm}
              rx="3"
              fill="none"
              stroke={isChosen ? "var(--line-strong)" : "transparent"}
              strokeWidth="1.25"
            />
          </g>
        );
      })}
    </g>
  );
});
