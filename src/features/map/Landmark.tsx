"use client";
import { memo, useRef, useState } from "react";
import { sideLabel, type Landmarks, type Side } from "@/core/eye";
import type { EyePlace } from "@/features/drawing/plate";
import { NUDGE_MM } from "./drag";

export const LANDMARK_WORDS: Readonly<Record<keyof Landmarks, string>> = {
  irisInner: "iris, inner edge",
  pupil: "pupil",
  irisOuter: "iris, outer edge",
  browPeak: "brow",
};
const SHORT: Readonly<Record<keyof Landmarks, string>> = { irisInner: "iris", pupil: "pupil", irisOuter: "iris", browPeak: "brow" };
/** The brow's label stands a row lower: its peak is often hardly past the iris. */
const LABEL_PX = { upper: 35, lower: 50 } as const;

/** A landmark of the open eye as a thread down the skyline, with its label as the handle it is pulled by. */
export const Landmark = memo(function Landmark({
  side,
  mark,
  at,
  lineMm,
  place,
  top,
  groundY,
  pxPerMm,
  onMove,
  onEnd,
}: {
  side: Side;
  mark: keyof Landmarks;
  at: number;
  lineMm: number;
  place: EyePlace;
  top: number;
  groundY: number;
  pxPerMm: number;
  onMove: (side: Side, mark: keyof Landmarks, at: number, stroke: string, done: boolean) => void;
  onEnd: () => void;
}) {
  const pulling = useRef<{ stroke: string; x: number; at: number; to: number } | null>(null);
  const [pulled, setPulled] = useState<number | null>(null);
  const x = place.lineX((pulled ?? at) * lineMm);
  const way = Math.sign(place.lineX(1) - place.lineX(0));
  const labelled = mark === "pupil" || mark === "browPeak";
  const labelY = groundY + (mark === "browPeak" ? LABEL_PX.lower : LABEL_PX.upper);
  const release = () => {
    const from = pulling.current;
    pulling.current = null;
    setPulled(null);
    if (from && from.to !== from.at) onMove(side, mark, from.to, from.stroke, true);
    onEnd();
  };
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={`${LANDMARK_WORDS[mark]}, ${sideLabel(side)}`}
      aria-valuemin={0}
      aria-valuemax={Math.round(lineMm * 10) / 10}
      aria-valuenow={Math.round(at * lineMm * 10) / 10}
      aria-valuetext={`${(at * lineMm).toFixed(1)} mm from the inner corner`}
      data-landmark={`${side}-${mark}`}
      className="cursor-ew-resize touch-none outline-none [&:focus-visible>rect]:stroke-ivy"
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        pulling.current = { stroke: `${side} ${mark}@${event.timeStamp}`, x: event.clientX, at, to: at };
      }}
      onPointerMove={(event) => {
        const from = pulling.current;
        if (!from) return;
        const to = Math.round((from.at * lineMm + (way * (event.clientX - from.x)) / pxPerMm) * 10) / (lineMm * 10);
        if (to === from.to) return;
        from.to = to;
        setPulled(Math.min(1, Math.max(0, to)));
        onMove(side, mark, to, from.stroke, false);
      }}
      onLostPointerCapture={release}
      onKeyDown={(event) => {
        if (event.key !== "ArrowLeft" && event.key !== "ArrowRight") return;
        event.preventDefault();
        event.stopPropagation();
        const step = ((event.key === "ArrowRight" ? 1 : -1) * way * NUDGE_MM) / lineMm;
        onMove(side, mark, at + step, `${side} ${mark} ${event.timeStamp}`, true);
      }}
    >
      <line
        x1={x}
        x2={x}
        y1={top}
        y2={groundY}
        stroke="var(--line-strong)"
        strokeDasharray={labelled ? "1.5 4" : "1 7"}
        pointerEvents="none"
      />
      <rect x={x - 18} y={labelY - 14} width="36" height="20" fill="transparent" />
      <text x={x} y={labelY} textAnchor="middle" fontSize={labelled ? 12.5 : 11.5} fill="var(--ink-2)" className="select-none">
        {SHORT[mark]}
      </text>
    </g>
  );
});
