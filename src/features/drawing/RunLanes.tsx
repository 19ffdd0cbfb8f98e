"use client";
import { scaleLinear, timeTicks } from "d3";
import { useMemo, type ReactNode } from "react";
import { AREA_LABELS, type Area } from "@/core/eye";
import type { Lanes, Phase } from "@/core/processing";
import { formatClock } from "@/core/units";
import { useWidth } from "@/ui";

const LANE = 64;
const BAR = 44;
const TOP = 26;

/** Processing drawn in time: a lane an area, now as a line, the leaflet's end as a wall, the paste below. */
export function RunLanes({
  lanes,
  nowMs,
  timeZone,
  begun,
  laneButton,
}: {
  lanes: Lanes;
  nowMs: number;
  timeZone: string;
  begun: boolean;
  /** What stands before a lane instead of its name; as high as the lane, for a knuckle. */
  laneButton?: (area: Area) => ReactNode;
}) {
  const [ref, width] = useWidth<HTMLDivElement>(1180);
  const left = laneButton ? (width < 560 ? 136 : 214) : 138;
  const right = Math.max(width - 8, left + 120);
  // The axis holds still for half a minute at a time, so that only the line of now moves.
  const fromMs = Math.floor((lanes.fromMs - 30_000) / 30_000) * 30_000;
  const toMs = Math.ceil((Math.max(lanes.toMs, nowMs) + 60_000) / 60_000) * 60_000;
  const x = useMemo(() => scaleLinear([fromMs, toMs], [left, right]), [fromMs, toMs, left, right]);
  const clock = useMemo(() => new Intl.DateTimeFormat("en-GB", { timeZone, hour: "2-digit", minute: "2-digit" }), [timeZone]);
  const rows = lanes.lanes.length + (lanes.pastes.length > 0 ? 1 : 0);
  const height = TOP + rows * LANE + 30;
  // A scale of times would bring every way of writing one with it.
  const most = Math.max(3, Math.floor((right - left) / 96));
  const ticks = timeTicks(new Date(fromMs), new Date(toMs), most).filter((tick) => x(tick) < right - 16);
  const nowX = x(nowMs);
  return (
    <div ref={ref} className="relative w-full">
      <svg
        viewBox={`0 0 ${width} ${height}`}
        width={width}
        height={height}
        role="img"
        aria-label={lanesWords(lanes, nowMs)}
        className="block"
      >
        {ticks.map((tick) => (
          <g key={tick.getTime()}>
            <line x1={x(tick)} x2={x(tick)} y1={TOP - 4} y2={height - 26} stroke="var(--line)" />
            <text x={x(tick)} y={14} textAnchor="middle" className="fill-ink-2 text-[0.8125rem]">
              {clock.format(tick)}
            </text>
          </g>
        ))}
        {lanes.lanes.map(({ area, phases }, row) => {
          const y = TOP + row * LANE + (LANE - BAR) / 2;
          return (
            <g key={area}>
              {laneButton ? null : (
                <text x={0} y={y + BAR / 2 + 6} className="fill-ink text-[1.0625rem] font-semibold">
                  {AREA_LABELS[area]}
                </text>
              )}
              {phases.map((phase, i) => (
                <PhaseBar
                  key={phase.stepId + phase.fromMs}
                  phase={phase}
                  nextMs={phases[i + 1]?.fromMs ?? Infinity}
                  x={x}
                  y={y}
                  nowX={nowX}
                />
              ))}
            </g>
          );
        })}
        {lanes.pastes.length > 0 ? (
          <g>
            <text x={0} y={TOP + (rows - 1) * LANE + LANE / 2 + 6} className="fill-ink text-[1.0625rem] font-semibold">
              paste
            </text>
            {lanes.pastes.map((paste, i) => {
              const y = TOP + (rows - 1) * LANE + (LANE - BAR) / 2;
              const w = Math.max(4, x(paste.toMs) - x(paste.fromMs));
              return (
                <g key={i}>
                  <rect
                    x={x(paste.fromMs)}
                    y={y + 6}
                    width={w}
                    height={BAR - 12}
                    rx="4"
                    fill={paste.state === "mixed" ? "var(--moss)" : "none"}
                    stroke="var(--moss)"
                    strokeWidth="1.5"
                    strokeDasharray={paste.state === "mixed" ? undefined : "4 3"}
                  />
                  {w > 70 ? (
                    <text x={x(paste.fromMs) + 9} y={y + BAR / 2 + 5} className="fill-ink text-[0.9375rem] font-semibold">
                      {paste.state === "mixed" ? "mixed" : w > 150 ? "mix here, not before" : "mix here"}
                    </text>
                  ) : null}
                </g>
              );
            })}
          </g>
        ) : null}
        {begun ? (
          <g>
            <line x1={nowX} x2={nowX} y1={TOP - 8} y2={height - 22} stroke="var(--ink)" strokeWidth="2" />
            <text x={Math.min(nowX, right - 40)} y={height - 6} textAnchor="middle" className="fill-ink text-[0.9375rem] font-semibold">
              now {clock.format(nowMs)}
            </text>
          </g>
        ) : null}
      </svg>
      {laneButton
        ? lanes.lanes.map(({ area }, row) => (
            <div key={area} className="absolute left-0" style={{ top: TOP + row * LANE, height: LANE, width: left - 12 }}>
              {laneButton(area)}
            </div>
          ))
        : null}
    </div>
  );
}

function PhaseBar({ phase, nextMs, x, y, nowX }: { phase: Phase; nextMs: number; x: (ms: number) => number; y: number; nowX: number }) {
  const from = x(phase.fromMs);
  const to = x(phase.toMs);
  const wall = x(phase.wallMs);
  // Of a phase that lies on, the wall stands through what comes after; of one ahead it is left out where the next begins before it.
  const reach = phase.state === "on" || nextMs === Infinity ? wall : Math.min(wall, x(nextMs));
  const lies = phase.state !== "ahead";
  // What lies past the leaflet's end stands beyond the wall.
  const over = lies && to > wall;
  const filled = phase.state === "on" ? Math.min(nowX, over ? wall : to) : Math.min(to, wall);
  const label = `${phase.name} ${formatClock((phase.state === "done" ? phase.toMs - phase.fromMs : phase.plannedToMs - phase.fromMs) / 1000)}`;
  const room = Math.min(to, wall) - from;
  const fits = room > label.length * 7.4 + 16;
  const dark = phase.state === "done" || (phase.state === "on" && filled - from > label.length * 7.4 + 16);
  return (
    <g>
      {phase.state === "done" ? null : (
        <>
          {reach > to + 1 ? (
            <rect x={to} y={y} width={reach - to} height={BAR} fill="none" stroke="var(--rosehip)" strokeWidth="1" strokeDasharray="2 3" />
          ) : null}
          {reach < wall ? null : (
            <line x1={wall} x2={wall} y1={y - 8} y2={y + BAR + 8} stroke="var(--rosehip)" strokeWidth={phase.state === "on" ? 3 : 1.5} />
          )}
        </>
      )}
      <rect
        x={from}
        y={y}
        width={Math.max(2, Math.min(to, over ? wall : to) - from)}
        height={BAR}
        rx="4"
        fill="var(--leaf)"
        stroke="var(--line-strong)"
      />
      {lies ? (
        <rect
          x={from}
          y={y}
          width={Math.max(2, filled - from)}
          height={BAR}
          rx="4"
          fill={phase.state === "on" ? "var(--ivy)" : "var(--moss-soft)"}
        />
      ) : null}
      {over ? (
        <rect x={wall} y={y} width={Math.max(3, Math.min(to, Math.max(nowX, wall)) - wall)} height={BAR} fill="var(--rosehip)" />
      ) : null}
      {fits ? (
        <text
          x={from + 9}
          y={y + BAR / 2 + 5}
          className="text-[0.9375rem] font-semibold"
          fill={phase.state === "on" && dark ? "var(--on-ivy)" : "var(--ink)"}
          stroke={phase.state === "on" && !dark ? "var(--leaf)" : "none"}
          strokeWidth="3"
          paintOrder="stroke"
        >
          {label}
        </text>
      ) : null}
      {phase.looks.map((look, i) => (
        <g key={i}>
          <circle cx={x(look.atMs)} cy={y + BAR} r="4" fill="var(--paper)" stroke="var(--ink)" strokeWidth="1.5" />
          <text x={x(look.atMs)} y={y + BAR + 16} textAnchor="middle" className="fill-ink text-xs">
            {look.depth}
          </text>
        </g>
      ))}
    </g>
  );
}

/** The lanes in words, for those who listen. */
function lanesWords({ lanes }: Lanes, nowMs: number): string {
  return lanes
    .map(({ area, phases }) => {
      const on = phases.find(({ state }) => state === "on");
      const ahead = phases.filter(({ state }) => state === "ahead").map(({ name }) => name);
      return `${AREA_LABELS[area]}: ${on ? `${on.name} on, ${formatClock((on.plannedToMs - nowMs) / 1000)} left` : "nothing on"}${ahead.length ? `; to come: ${ahead.join(", ")}` : ""}`;
    })
    .join(". ");
}
