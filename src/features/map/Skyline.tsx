"use client";
import { memo, useMemo, useRef, useState } from "react";
import { area, curveBasis, line } from "d3";
import { naturalLashAt, sideLabel, type EyeSurvey, type Side } from "@/core/eye";
import { pulledTo, type Severity, type ZoneFacts } from "@/core/map";
import { formatMm } from "@/core/units";
import type { EyePlace } from "@/features/drawing/plate";

const FILLS: Record<Severity | "none", string> = { stop: "var(--rosehip-soft)", look: "var(--brass-soft)", note: "none", none: "none" };
const STROKES: Record<Severity | "none", string> = { stop: "var(--rosehip)", look: "var(--brass)", note: "var(--ivy)", none: "var(--ivy)" };
const INKS: Record<Severity | "none", string> = { stop: "var(--rosehip)", look: "var(--brass)", note: "var(--ink)", none: "var(--ink)" };

/** A zone of a layer of an eye, by its number from the inner corner. */
export type ZoneRef = { readonly side: Side; readonly index: number; readonly layer: number };
export type Drag = {
  /**
   * A zone's fibre pulled to a stocked length, or bare. `stroke` names the drag, `alone` leaves the other eye as it is;
   * `moving` says that the pointer still holds it, so that all but the handle may follow when there is time.
   */
  readonly onLength: (zone: ZoneRef, lengthMm: number | null, stroke: string, alone: boolean, moving: boolean) => void;
  /** A zone line moved to a place of the lash line. */
  readonly onEdge: (side: Side, layer: number, edge: number, at: number, stroke: string, alone: boolean, moving: boolean) => void;
  readonly onChoose: (zone: ZoneRef) => void;
  /** The pointer let go of whatever it held. */
  readonly onEnd: () => void;
};

export type SkylineScale = { readonly groundY: number; readonly pxPerMm: number; readonly topMm: number };

/**
 * The map as a skyline along one lash line: the natural lash as the ground, the limit as a fine line over it, base
 * lengths as steps, accents as needles, the under layer as a hem. One layer at a time is worked on; the others stand back.
 */
export const Skyline = memo(function Skyline({
  place,
  eye,
  layers,
  active,
  severities,
  chosen,
  scale,
  drag,
}: {
  place: EyePlace;
  eye: EyeSurvey;
  layers: readonly (readonly ZoneFacts[])[];
  /** The layer being worked on. */
  active: number;
  severities: readonly (readonly (Severity | "none")[])[];
  /** The chosen zone of this eye, or null. */
  chosen: number | null;
  scale: SkylineScale;
  drag: Drag;
}) {
  const zones = layers[active] ?? layers[0]!;
  return (
    <g>
      <Ground place={place} eye={eye} scale={scale} />
      <LimitLine d={limitPath(zones, place, eye.lashLineMm, scale)} />
      {layers.map((standing, i) => (i === active ? null : <Standing key={i} place={place} eye={eye} zones={standing} scale={scale} />))}
      {zones.map((zone, i) => (
        <Step
          key={i}
          place={place}
          lineMm={eye.lashLineMm}
          zone={zone}
          severity={severities[active]?.[i] ?? "none"}
          chosen={chosen === i}
          reachable={chosen === i || (chosen === null && i === 0)}
          scale={scale}
          drag={drag}
        />
      ))}
      {zones.slice(1).map((zone, i) => (
        <Edge
          key={i}
          side={zone.side}
          layer={active}
          edge={i + 1}
          x={place.lineX(zone.from * eye.lashLineMm)}
          toAt={place}
          lineMm={eye.lashLineMm}
          at={zone.from}
          scale={scale}
          drag={drag}
        />
      ))}
    </g>
  );
});

const Ground = memo(function Ground({ place, eye, scale }: { place: EyePlace; eye: EyeSurvey; scale: SkylineScale }) {
  const drawn = useMemo(() => {
    const lashAt = naturalLashAt(eye);
    const places = Array.from({ length: 33 }, (_, i) => i / 32);
    const x = (at: number) => place.lineX(at * eye.lashLineMm);
    const y = (mm: number) => scale.groundY - mm * scale.pxPerMm;
    const ground = area<number>(x, scale.groundY, (at) => y(lashAt(at).lengthMm)).curve(curveBasis);
    const spread = area<number>(
      x,
      (at) => y(lashAt(at).lengthMm - lashAt(at).spreadMm),
      (at) => y(lashAt(at).lengthMm + lashAt(at).spreadMm),
    ).curve(curveBasis);
    return { ground: ground(places) ?? "", spread: spread(places) ?? "" };
  }, [eye, place, scale]);
  return (
    <>
      <path d={drawn.ground} fill="var(--moss-soft)" />
      <path d={drawn.spread} fill="var(--moss)" opacity="0.35" />
    </>
  );
});

/** The longest fibre each zone may carry, as a fine line: its path, so that an unchanged one is not drawn anew. */
function limitPath(zones: readonly ZoneFacts[], place: EyePlace, lineMm: number, { groundY, pxPerMm }: SkylineScale): string {
  return (
    line()(
      zones.flatMap((zone) => {
        const y = groundY - (zone.pieces[0]?.limitMm ?? zone.limit.limitMm) * pxPerMm;
        return [[place.lineX(zone.from * lineMm), y] as [number, number], [place.lineX(zone.to * lineMm), y] as [number, number]];
      }),
    ) ?? ""
  );
}
const LimitLine = memo(function LimitLine({ d }: { d: string }) {
  return <path d={d} fill="none" stroke="var(--rosehip)" strokeWidth="1.25" strokeDasharray="2 3" pointerEvents="none" />;
});

/** A layer that is not worked on: only its line. */
const Standing = memo(function Standing({
  place,
  eye,
  zones,
  scale,
}: {
  place: EyePlace;
  eye: EyeSurvey;
  zones: readonly ZoneFacts[];
  scale: SkylineScale;
}) {
  const y = (mm: number) => scale.groundY - mm * scale.pxPerMm;
  const x = (at: number) => place.lineX(at * eye.lashLineMm);
  return (
    <g pointerEvents="none" opacity="0.75">
      {zones.map((zone, i) => {
        if (!zone.fibre) return null;
        const top = y(zone.fibre.lengthMm);
        if (zone.role === "accent")
          return <Needle key={i} x={(x(zone.from) + x(zone.to)) / 2} top={top} groundY={scale.groundY} ink="var(--moss)" />;
        return (
          <line
            key={i}
            x1={x(zone.from)}
            x2={x(zone.to)}
            y1={top}
            y2={top}
            stroke={zone.role === "under" ? "var(--brass)" : "var(--moss)"}
            strokeWidth="2"
            strokeDasharray={zone.role === "under" ? "3 3" : undefined}
          />
        );
      })}
    </g>
  );
});

const HEAD_PX = 7;
/** An accent: a needle with its eye at the tip. */
function Needle({ x, top, groundY, ink, bold }: { x: number; top: number; groundY: number; ink: string; bold?: boolean }) {
  return (
    <>
      <path
        d={`M${x} ${groundY}L${x - (bold ? 2.6 : 1.8)} ${top + HEAD_PX}L${x} ${top}L${x + (bold ? 2.6 : 1.8)} ${top + HEAD_PX}Z`}
        fill={ink}
      />
      <circle cx={x} cy={top + HEAD_PX + 4} r={bold ? 5 : 4} fill="var(--paper)" stroke={ink} strokeWidth={bold ? 2.5 : 1.75} />
    </>
  );
}

const Step = memo(function Step({
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
  const held = useRef<{ stroke: string; y: number; fromMm: number; sent?: number | null; alone: boolean } | null>(null);
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
  const word = role === "base" ? "zone" : role === "accent" ? "accent" : "under layer";
  const lengths = mm === null ? "bare" : [...(fibre?.classes ?? []).map((c) => Math.min(c.lengthMm, mm)), mm].map(formatMm).join("/");
  return (
    <g
      role="slider"
      tabIndex={reachable ? 0 : -1}
      aria-label={`${sideLabel(side)}, ${word} ${index + 1}`}
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
        held.current = {
          stroke: `${side}${layer}.${index}@${event.timeStamp}`,
          y: event.clientY,
          fromMm: mm ?? zone.stockedMm[0] ?? 6,
          alone: false,
        };
        drag.onChoose(ref);
      }}
      onPointerMove={(event) => {
        const from = held.current;
        if (!from) return;
        const to = pulledTo(zone.stockedMm, from.fromMm + (from.y - event.clientY) / pxPerMm);
        if (to === (from.sent === undefined ? mm : from.sent)) return;
        from.sent = to;
        from.alone = event.altKey;
        setPulled({ mm: to });
        drag.onLength(ref, to, from.stroke, from.alone, true);
      }}
      onLostPointerCapture={() => {
        const from = held.current;
        held.current = null;
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
          {fibre?.classes?.map(({ lengthMm }) => (
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
          ))}
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
        {lengths}
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

/** A zone line's handle, a small wedge on the ground to be pulled along it. */
const Edge = memo(function Edge({
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
  const held = useRef<{ stroke: string; x: number; at: number; sent?: number; alone: boolean } | null>(null);
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
        held.current = { stroke: `${side}${layer}|${edge}@${event.timeStamp}`, x: event.clientX, at, alone: false };
      }}
      onPointerMove={(event) => {
        const from = held.current;
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
        const from = held.current;
        held.current = null;
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
