"use client";
import { memo, useRef, useState } from "react";
import type { Side } from "@/core/eye";
import type { EyePlace } from "@/features/drawing/plate";
import type { Drag, SkylineScale } from "./drag";

/** A zone line's handle, a small wedge on the ground to be pulled along it. */
export const ZoneLine = memo(function ZoneLine({
  side,
  layer,
  edge,
  x,
  toAt,
  lineMm,
  at,
  scale,
  drag,
}: {
  side: Side;
  layer: number;
  edge: number;
  x: number;
  toAt: EyePlace;
  lineMm: number;
  at: number;
  scale: SkylineScale;
  drag: Drag;
}) {
  const pulling = useRef<{ stroke: string; x: number; at: number; sent?: number; alone: boolean } | null>(null);
  const [pulled, setPulled] = useState<number | null>(null);
  const { groundY } = scale;
  const way = Math.sign(toAt.lineX(1) - toAt.lineX(0));
  const shown = pulled === null ? x : toAt.lineX(pulled * lineMm);
  return (
    <g
      data-edge={`${side}-${edge}`}
      className="cursor-ew-resize touch-none"
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        pulling.current = { stroke: `${side}${layer}|${edge}@${event.timeStamp}`, x: event.clientX, at, alone: false };
      }}
      onPointerMove={(event) => {
        const from = pulling.current;
        if (!from) return;
        const wish = from.at + (way * (event.clientX - from.x)) / (lineMm * scale.pxPerMm);
        const to = Math.round(wish * lineMm * 10) / (lineMm * 10);
        if (to === from.sent) return;
        from.sent = to;
        from.alone = event.altKey;
        setPulled(to);
        drag.onEdge(side, layer, edge, to, from.stroke, from.alone, true);
      }}
      onLostPointerCapture={() => {
        const from = pulling.current;
        pulling.current = null;
        setPulled(null);
        if (from?.sent !== undefined) drag.onEdge(side, layer, edge, from.sent, from.stroke, from.alone, false);
        drag.onEnd();
      }}
    >
      <rect x={shown - 7} y={groundY - 4} width="14" height="24" fill="transparent" />
      <path d={`M${shown} ${groundY + 1}l4 7h-8z`} fill="var(--line-strong)" />
      {pulled === null ? null : (
        <line x1={shown} x2={shown} y1={groundY} y2={groundY - scale.topMm * scale.pxPerMm} stroke="var(--line-strong)" />
      )}
    </g>
  );
});
