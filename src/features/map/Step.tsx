"use client";
import { memo, useRef, useState } from "react";
import { sideLabel } from "@/core/eye";
import { lengthWords, pulledTo, ZONE_WORDS, type Severity, type ZoneFacts } from "@/core/map";
import type { EyePlace } from "@/features/drawing/plate";
import type { Drag, SkylineScale } from "./drag";
import { Needle } from "./Needle";

const FILLS: Record<Severity | "none", string> = { stop: "var(--rosehip-soft)", look: "var(--brass-soft)", note: "none", none: "none" };
const STROKES: Record<Severity | "none", string> = { stop: "var(--rosehip)", look: "var(--brass)", note: "var(--ivy)", none: "var(--ivy)" };
const INKS: Record<Severity | "none", string> = { stop: "var(--rosehip)", look: "var(--brass)", note: "var(--ink)", none: "var(--ink)" };

/** Narrower than this the word does not fit between its lines. */
const BARE_PX = 38;

/** One zone of the layer worked on, and the handle its length is pulled by: a step, or an accent's needle. */
export const Step = memo(function Step({
  place,
  lineMm,
  zone,
  severity,
  chosen,
  reachable,
  scale,
  drag,
}: {
  place: EyePlace;
  lineMm: number;
  zone: ZoneFacts;
  severity: Severity | "none";
  chosen: boolean;
  reachable: boolean;
  scale: SkylineScale;
  drag: Drag;
}) {
  const pulling = useRef<{ stroke: string; y: number; fromMm: number; sent?: number | null; alone: boolean } | null>(null);
  // The step under the hand shows where it is pulled before the map has followed.
  const [pulled, setPulled] = useState<{ readonly mm: number | null } | null>(null);
  const { groundY, pxPerMm, topMm } = scale;
  const { side, index, layer, role, fibre } = zone;
  const y = (mm: number) => groundY - mm * pxPerMm;
  const [a, b] = [place.lineX(zone.from * lineMm), place.lineX(zone.to * lineMm)];
  const [x1, x2] = [Math.min(a, b), Math.max(a, b)];
  const mm = pulled ? pulled.mm : (fibre?.lengthMm ?? null);
  const middle = (x1 + x2) / 2;
  const ref = { side, index, layer };
  const lengths =
    mm === null
      ? "bare"
      : lengthWords({
          lengthMm: mm,
          classes: fibre?.classes?.map((c) => ({ ...c, lengthMm: c.lengthMm === null ? null : Math.min(c.lengthMm, mm) })),
        });
  return (
    <g
      role="slider"
      tabIndex={reachable ? 0 : -1}
      aria-label={`${sideLabel(side)}, ${ZONE_WORDS[role]} ${index + 1}`}
      aria-valuemin={0}
      aria-valuemax={25}
      aria-valuenow={mm ?? 0}
      aria-valuetext={mm === null ? "bare" : `${lengths} mm${severity === "stop" ? ", stop" : severity === "look" ? ", look" : ""}`}
      aria-orientation="vertical"
      data-zone={`${side}-${index + 1}`}
      data-severity={severity}
      className="cursor-ns-resize touch-none outline-none [&:focus-visible>.frame]:stroke-ivy"
      onFocus={() => !chosen && drag.onChoose(ref)}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        pulling.current = {
          stroke: `${side}${layer}.${index}@${event.timeStamp}`,
          y: event.clientY,
          fromMm: mm ?? zone.stockedMm[0] ?? 6,
          alone: false,
        };
        drag.onChoose(ref);
      }}
      onPointerMove={(event) => {
        const from = pulling.current;
        if (!from) return;
        const to = pulledTo(zone.stockedMm, from.fromMm + (from.y - event.clientY) / pxPerMm);
        if (to === (from.sent === undefined ? mm : from.sent)) return;
        from.sent = to;
        from.alone = event.altKey;
        setPulled({ mm: to });
        drag.onLength(ref, to, from.stroke, from.alone, true);
      }}
      onLostPointerCapture={() => {
        const from = pulling.current;
        pulling.current = null;
        setPulled(null);
        if (from && from.sent !== undefined) drag.onLength(ref, from.sent, from.stroke, from.alone, false);
        drag.onEnd();
      }}
    >
      <rect x={x1} y={y(topMm)} width={x2 - x1} height={topMm * pxPerMm + 26} fill="transparent" />
      {mm === null ? (
        <line x1={x1 + 3} x2={x2 - 3} y1={groundY - 2} y2={groundY - 2} stroke="var(--ink-2)" strokeWidth="2" strokeDasharray="2 3" />
      ) : role === "accent" ? (
        <Needle x={middle} top={y(mm)} groundY={groundY} ink={STROKES[severity]} bold={chosen} />
      ) : (
        <>
          <rect
            x={x1 + 0.75}
            y={y(mm)}
            width={Math.max(1, x2 - x1 - 1.5)}
            height={mm * pxPerMm}
            fill={FILLS[severity] === "none" ? "var(--ivy)" : FILLS[severity]}
            opacity={FILLS[severity] === "none" ? (chosen ? 0.26 : 0.1) : 0.75}
          />
          <line
            x1={x1 + 1.5}
            x2={x2 - 1.5}
            y1={y(mm)}
            y2={y(mm)}
            stroke={STROKES[severity]}
            strokeWidth={chosen ? 5.5 : 4}
            strokeLinecap="round"
            strokeDasharray={role === "under" ? "1 6" : undefined}
          />
          {fibre?.classes?.map(
            ({ lengthMm }) =>
              lengthMm !== null && (
                <line
                  key={lengthMm}
                  x1={x1 + 4}
                  x2={x2 - 4}
                  y1={y(lengthMm)}
                  y2={y(lengthMm)}
                  stroke={STROKES[severity]}
                  strokeWidth="2"
                  strokeDasharray="5 4"
                />
              ),
          )}
        </>
      )}
      <text
        x={middle}
        y={(mm === null ? groundY - 9 : y(mm)) - 9}
        textAnchor="middle"
        fontSize={x2 - x1 < 18 ? 12.5 : chosen ? 18 : 15.5}
        fontWeight={chosen ? 700 : 600}
        fill={INKS[severity]}
        className="select-none"
        stroke="var(--paper)"
        strokeWidth="3.5"
        paintOrder="stroke"
      >
        {mm === null && x2 - x1 < BARE_PX ? "–" : lengths}
      </text>
      <text
        x={middle}
        y={groundY + 17}
        textAnchor="middle"
        fontSize="12.5"
        fontWeight={chosen ? 700 : 400}
        fill={chosen ? "var(--ink)" : "var(--ink-2)"}
        className="select-none"
      >
        {index + 1}
      </text>
      <rect
        className="frame"
        x={x1 + 1}
        y={y(topMm)}
        width={Math.max(1, x2 - x1 - 2)}
        height={topMm * pxPerMm}
        rx="3"
        fill="none"
        stroke={chosen ? "var(--line-strong)" : "transparent"}
        strokeWidth="1.25"
      />
    </g>
  );
});
