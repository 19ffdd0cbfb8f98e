"use client";
import { useMemo, useRef } from "react";
import { line } from "d3";
import { interpolateMonotone, sideLabel, type EyeSurvey, type Side } from "@/core/eye";
import type { EyePlace } from "@/features/drawing/plate";
import type { SkylineScale } from "./drag";

/** The look as a curve over the skyline, bent by its handles; hung from the longest fibre. */
export function LookLine({
  side,
  eye,
  place,
  scale,
  handles,
  longestMm,
  onBend,
  onEnd,
}: {
  side: Side;
  eye: EyeSurvey;
  place: EyePlace;
  scale: SkylineScale;
  handles: readonly { readonly at: number; readonly dropMm: number }[];
  longestMm: number;
  onBend: (handle: number, dropMm: number, stroke: string) => void;
  onEnd: () => void;
}) {
  const pulled = useRef<{ handle: number; stroke: string; y: number; dropMm: number } | null>(null);
  const x = (at: number) => place.lineX(at * eye.lashLineMm);
  const y = (dropMm: number) => scale.groundY - (longestMm - dropMm) * scale.pxPerMm;
  const path = useMemo(() => {
    const drop = interpolateMonotone(
      handles.map(({ at }) => at),
      handles.map(({ dropMm }) => dropMm),
    );
    const places = Array.from({ length: 49 }, (_, i) => i / 48);
    const sx = (at: number) => place.lineX(at * eye.lashLineMm);
    return line<number>(sx, (at) => scale.groundY - (longestMm - drop(at)) * scale.pxPerMm)(places) ?? "";
  }, [handles, eye, place, scale, longestMm]);
  return (
    <g>
      <path d={path} fill="none" stroke="var(--brass)" strokeWidth="2" pointerEvents="none" />
      {handles.map(({ at, dropMm }, i) => (
        <circle
          key={i}
          role="slider"
          tabIndex={0}
          aria-label={`Look, ${sideLabel(side)}, handle ${i + 1}`}
          aria-valuemin={0}
          aria-valuemax={12}
          aria-valuenow={Math.round(dropMm * 10) / 10}
          aria-valuetext={`${dropMm.toFixed(1)} mm below the longest`}
          aria-orientation="vertical"
          data-handle={`${side}-${i + 1}`}
          cx={x(at)}
          cy={y(dropMm)}
          r="8"
          fill="var(--paper)"
          stroke="var(--brass)"
          strokeWidth="2.5"
          className="cursor-ns-resize touch-none"
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId);
            pulled.current = { handle: i, stroke: `look ${i}@${event.timeStamp}`, y: event.clientY, dropMm };
          }}
          onPointerMove={(event) => {
            const from = pulled.current;
            if (from) onBend(from.handle, from.dropMm + (event.clientY - from.y) / scale.pxPerMm, from.stroke);
          }}
          onLostPointerCapture={() => {
            pulled.current = null;
            onEnd();
          }}
          onKeyDown={(event) => {
            if (event.key !== "ArrowUp" && event.key !== "ArrowDown") return;
            event.preventDefault();
            event.stopPropagation();
            onBend(i, dropMm + (event.key === "ArrowUp" ? -0.25 : 0.25), `look ${i} ${event.timeStamp}`);
          }}
        />
      ))}
    </g>
  );
}
