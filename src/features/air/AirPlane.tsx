"use client";
import { line, scaleLinear } from "d3";
import { useRef } from "react";
import { airAfter, saturationPressurePa, vapourDensityGm3, type Air, type RoomTraits } from "@/core/air";
import type { AirAt } from "@/core/adhesive";
import { clamp } from "@/core/units";
import { useWidth } from "@/ui";

type Window = {
  readonly id: string;
  readonly name: string;
  readonly humidityLow: number;
  readonly humidityHigh: number;
  readonly temperatureLowC: number;
  readonly temperatureHighC: number;
};

const WARMTH: readonly [number, number] = [14, 32];
const DAMP: readonly [number, number] = [0.15, 0.8];
const DENSITIES = [4, 6, 8, 10, 12, 14, 16];
const DEW_POINTS = [2, 6, 10, 14, 18];
/** Windows are told apart by the stitch of their edge and by name, not by tint alone. */
const STITCHES = ["", "9 4", "2 4", "12 4 2 4", "5 5"];
const STEP = { temperatureC: 0.5, relativeHumidity: 0.01 };
/** A machine's way is drawn this far, with a knot every half hour. */
const WAY_MINUTES = 90;

/**
 * The room as a place: warmth across, damp up; each bottle's window, lines of equal water and of equal dew point, the
 * day's trail, where the room's machines would take it, and a target to be dragged (or moved by the arrow keys).
 */
export function AirPlane({
  air,
  trail,
  windows,
  chosenId,
  target,
  onTarget,
  room,
  people,
  label,
}: {
  air: Air | null;
  trail: readonly AirAt[];
  windows: readonly Window[];
  chosenId: string | null;
  target: Air | null;
  onTarget: (target: Air) => void;
  room: { volumeM3: number; traits: RoomTraits };
  people: number;
  label: (ms: number) => string;
}) {
  const [ref, width] = useWidth<HTMLDivElement>(760);
  const svg = useRef<SVGSVGElement>(null);
  const height = clamp(width * 0.66, 300, 530);
  const left = 44;
  const x = scaleLinear(WARMTH, [left, width - 24]);
  const y = scaleLinear(DAMP, [height - 34, 12]);
  const inPlane = (a: Air) => [x(clamp(a.temperatureC, ...WARMTH)), y(clamp(a.relativeHumidity, ...DAMP))] as [number, number];
  const warmths = Array.from({ length: 37 }, (_, i) => WARMTH[0] + (i / 36) * (WARMTH[1] - WARMTH[0]));
  const curve = (humidityAt: (t: number) => number) =>
    line()(
      warmths.flatMap((t) => {
        const rh = humidityAt(t);
        return rh >= DAMP[0] && rh <= DAMP[1] ? [[x(t), y(rh)] as [number, number]] : [];
      }),
    ) ?? "";
  const chosen = windows.find((window) => window.id === chosenId);
  const box = (window: Window) => ({
    x: x(window.temperatureLowC),
    y: y(window.humidityHigh),
    width: x(window.temperatureHighC) - x(window.temperatureLowC),
    height: y(window.humidityLow) - y(window.humidityHigh),
    rx: 10,
  });
  const now = air ? inPlane(air) : null;
  const marks = trailMarks(trail.map(inPlane), now).map((i) => ({ at: inPlane(trail[i]!), words: label(trail[i]!.atMs) }));
  const nowOnRight = now !== null && now[0] > width - 190;
  const ways = air ? machineWays(room, air, people) : [];

  const airAt = (event: React.PointerEvent): Air => {
    const at = svg.current!.getBoundingClientRect();
    const [t, rh] = [x.invert(event.clientX - at.left), y.invert(event.clientY - at.top)];
    return { temperatureC: Math.round(clamp(t, ...WARMTH) * 10) / 10, relativeHumidity: Math.round(clamp(rh, ...DAMP) * 100) / 100 };
  };
  const key = (event: React.KeyboardEvent) => {
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key];
    if (!by || !target) return;
    event.preventDefault();
    onTarget({
      temperatureC: clamp(target.temperatureC + by[0]! * STEP.temperatureC, ...WARMTH),
      relativeHumidity: clamp(Math.round((target.relativeHumidity + by[1]! * STEP.relativeHumidity) * 100) / 100, ...DAMP),
    });
  };
  const goal = target ? inPlane(target) : null;
  const atNow = goal !== null && now !== null && Math.hypot(goal[0] - now[0], goal[1] - now[1]) < 12;

  return (
    <div ref={ref}>
      <svg
        ref={svg}
        width={width}
        height={height}
        role="group"
        aria-label="The room's temperature and humidity, with each bottle's window"
        className="touch-pan-y select-none"
      >
        {x.ticks(9).map((t) => (
          <g key={t}>
            <line x1={x(t)} x2={x(t)} y1={y(DAMP[1])} y2={y(DAMP[0])} stroke="var(--line)" opacity="0.6" />
            <text x={x(t)} y={height - 12} textAnchor="middle" fontSize="13" fill="var(--ink-2)">
              {t} °C
            </text>
          </g>
        ))}
        {y.ticks(7).map((rh) => (
          <g key={rh}>
            <line x1={left} x2={width - 24} y1={y(rh)} y2={y(rh)} stroke="var(--line)" opacity="0.6" />
            <text x={left - 8} y={y(rh) + 4} textAnchor="end" fontSize="13" fill="var(--ink-2)">
              {Math.round(rh * 100)} %
            </text>
          </g>
        ))}
        {DENSITIES.map((grams) => {
          const end = grams / vapourDensityGm3({ temperatureC: WARMTH[1], relativeHumidity: 1 });
          return (
            <g key={grams}>
              <path
                d={curve((t) => grams / vapourDensityGm3({ temperatureC: t, relativeHumidity: 1 }))}
                fill="none"
                stroke="var(--moss)"
                opacity="0.65"
              />
              {end > DAMP[0] + 0.02 ? (
                <Label x={width - 26} y={y(end) - 5} anchor="end">
                  {grams} g/m³
                </Label>
              ) : null}
            </g>
          );
        })}
        {DEW_POINTS.map((dew) => {
          const humidityAt = (t: number) => saturationPressurePa(dew) / saturationPressurePa(t);
          const start = humidityAt(WARMTH[0]);
          // Named at the left edge, or at the upper one where it comes in from above.
          const at: [number, number] | null =
            start <= DAMP[1] && start > DAMP[0] + 0.02
              ? [left + 4, y(start) + 14]
              : start > DAMP[1]
                ? [x(warmthAt(dew, DAMP[1])) + 4, y(DAMP[1]) + 13]
                : null;
          return (
            <g key={dew}>
              <path d={curve(humidityAt)} fill="none" stroke="var(--ink-2)" strokeDasharray="1 5" strokeLinecap="round" opacity="0.7" />
              {at ? (
                <Label x={at[0]} y={at[1]}>
                  dew {dew} °C
                </Label>
              ) : null}
            </g>
          );
        })}
        {chosen ? <rect {...box(chosen)} fill="var(--moss-soft)" fillOpacity="0.6" /> : null}
        {windows.map((window, i) => (
          <rect
            key={window.id}
            {...box(window)}
            fill="none"
            stroke={window === chosen ? "var(--ivy)" : "var(--ink-2)"}
            strokeWidth={window === chosen ? 2.25 : 1.25}
            strokeDasharray={STITCHES[i % STITCHES.length]}
          />
        ))}
        {windows.map((window) => {
          const [at, anchor] = namePlace(box(window), now);
          return (
            <text
              key={window.id}
              x={at[0]}
              y={at[1]}
              textAnchor={anchor}
              fontSize="15"
              fontFamily="var(--font-serif)"
              fontWeight="600"
              fill={window === chosen ? "var(--ivy)" : "var(--ink-2)"}
              stroke="var(--paper)"
              strokeWidth="3.5"
              paintOrder="stroke"
            >
              {window.name}
            </text>
          );
        })}
        {trail.length > 1 ? (
          <path d={line()(trail.map(inPlane)) ?? ""} fill="none" stroke="var(--ink)" strokeWidth="2" strokeLinejoin="round" />
        ) : null}
        {marks.map(({ at, words }) => (
          <g key={words}>
            <circle cx={at[0]} cy={at[1]} r="3.5" fill="var(--ink)" />
            <text
              x={at[0] - 9}
              y={at[1] + 4}
              textAnchor="end"
              fontSize="13"
              fill="var(--ink)"
              stroke="var(--paper)"
              strokeWidth="3.5"
              paintOrder="stroke"
            >
              {words}
            </text>
          </g>
        ))}
        {ways.map(({ name, points }) => {
          const places = points.map(inPlane);
          const end = places.at(-1)!;
          return (
            <g key={name}>
              <path d={line()(places) ?? ""} fill="none" stroke="var(--ivy)" strokeWidth="1.5" strokeDasharray="6 4" opacity="0.8" />
              {places
                .filter((_, i) => i > 0 && i % 6 === 0)
                .map((at, i) => (
                  <circle key={i} cx={at[0]} cy={at[1]} r="2.5" fill="var(--ivy)" />
                ))}
              <Label
                x={end[0] + (name === "heater" ? 6 : 0)}
                y={end[1] + (name === "dryer" ? 16 : -7)}
                anchor={name === "heater" ? "start" : "middle"}
              >
                {name}, 90 min
              </Label>
            </g>
          );
        })}
        {now && air ? (
          <g>
            <circle cx={now[0]} cy={now[1]} r="9" fill="var(--ink)" />
            <circle cx={now[0]} cy={now[1]} r="3" fill="var(--paper)" />
            <text
              x={now[0] + (nowOnRight ? -22 : 22)}
              y={now[1] + 5}
              textAnchor={nowOnRight ? "end" : "start"}
              fontSize="15.5"
              fontWeight="700"
              fill="var(--ink)"
              stroke="var(--paper)"
              strokeWidth="4"
              paintOrder="stroke"
            >
              now {air.temperatureC.toFixed(1)} °C, {Math.round(air.relativeHumidity * 100)} %
            </text>
          </g>
        ) : null}
        {goal && target ? (
          <g>
            {now ? (
              <line
                x1={now[0]}
                y1={now[1]}
                x2={goal[0]}
                y2={goal[1]}
                stroke="var(--ivy)"
                strokeWidth="2.5"
                strokeDasharray="1 6"
                strokeLinecap="round"
              />
            ) : null}
            <g
              role="slider"
              tabIndex={0}
              aria-label="Target for the room"
              aria-valuemin={DAMP[0] * 100}
              aria-valuemax={DAMP[1] * 100}
              aria-valuenow={Math.round(target.relativeHumidity * 100)}
              aria-valuetext={`${target.temperatureC.toFixed(1)} °C, ${Math.round(target.relativeHumidity * 100)} %`}
              data-testid="air-target"
              className="group cursor-grab touch-none outline-none active:cursor-grabbing"
              onKeyDown={key}
              onPointerDown={(event) => {
                event.currentTarget.setPointerCapture(event.pointerId);
                event.currentTarget.focus();
              }}
              onPointerMove={(event) => event.currentTarget.hasPointerCapture(event.pointerId) && onTarget(airAt(event))}
            >
              <circle cx={goal[0]} cy={goal[1]} r="22" fill="transparent" />
              {/* Where nothing is to be changed the ring lies round the room's own dot. */}
              <circle
                cx={goal[0]}
                cy={goal[1]}
                r={atNow ? 15 : 8}
                fill={atNow ? "transparent" : "var(--paper)"}
                stroke="var(--ivy)"
                className="[stroke-width:2.75] group-focus-visible:[stroke-width:6]"
              />
            </g>
          </g>
        ) : null}
      </svg>
    </div>
  );
}

function Label({
  x,
  y,
  anchor = "start",
  children,
}: {
  x: number;
  y: number;
  anchor?: "start" | "middle" | "end";
  children: React.ReactNode;
}) {
  return (
    <text x={x} y={y} textAnchor={anchor} fontSize="12" fill="var(--ink-2)" stroke="var(--paper)" strokeWidth="3" paintOrder="stroke">
      {children}
    </text>
  );
}

/** A window's name stands in its lower right corner, or in the upper left where the room's own figures stand there. */
function namePlace(
  box: { x: number; y: number; width: number; height: number },
  now: [number, number] | null,
): [[number, number], "start" | "end"] {
  const low: [number, number] = [box.x + box.width - 10, box.y + box.height - 9];
  const inTheWay = now !== null && Math.abs(low[1] - 5 - now[1]) < 22 && low[0] > now[0] - 30 && low[0] - 110 < now[0] + 180;
  return inTheWay ? [[box.x + 10, box.y + 20], "start"] : [low, "end"];
}

/** Warmth at which air of this dew point has this humidity, by halving. */
function warmthAt(dewC: number, humidity: number): number {
  let [low, high] = WARMTH;
  for (let i = 0; i < 30; i++) {
    const middle = (low + high) / 2;
    if (saturationPressurePa(dewC) / saturationPressurePa(middle) > humidity) low = middle;
    else high = middle;
  }
  return low;
}

/** Up to three moments of the trail that are far enough from each other, and from now, to be named. */
function trailMarks(places: readonly [number, number][], now: [number, number] | null): number[] {
  const apart = (a: [number, number], b: [number, number]) => Math.hypot(a[0] - b[0], a[1] - b[1]);
  return [0, 0.33, 0.66]
    .map((share) => Math.floor(share * (places.length - 1)))
    .reduce<number[]>((named, i) => {
      const at = places[i];
      if (!at || (now && apart(at, now) < 70) || named.some((other) => apart(at, places[other]!) < 55)) return named;
      return [...named, i];
    }, []);
}

/** Where heater, humidifier and dryer, each alone, would take the room. */
function machineWays(room: { volumeM3: number; traits: RoomTraits }, air: Air, people: number) {
  const { humidifierGPerH, dehumidifierGPerH, heaterCPerH } = room.traits;
  const machines = [
    { name: "humidifier", addedGPerH: humidifierGPerH, degreesPerH: 0 },
    { name: "dryer", addedGPerH: -dehumidifierGPerH, degreesPerH: 0 },
    { name: "heater", addedGPerH: 0, degreesPerH: heaterCPerH },
  ];
  return machines
    .filter(({ addedGPerH, degreesPerH }) => addedGPerH !== 0 || degreesPerH !== 0)
    .map(({ name, ...machine }) => ({
      name,
      points: Array.from({ length: WAY_MINUTES / 5 + 1 }, (_, i) => airAfter(room, air, i * 5, { people, ...machine })),
    }));
}
