"use client";
import { line, scaleLinear } from "d3";
import { vapourDensityGm3, type Air } from "@/core/air";
import type { AirAdvice } from "@/core/adhesive";
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
type Dated = Air & { readonly takenAt: string };

const WARMTH: readonly [number, number] = [14, 32];
const DAMP: readonly [number, number] = [0.15, 0.8];
const DENSITIES = [4, 6, 8, 10, 12, 14, 16];
/** Windows are told apart by the stitch of their edge and by name, not by tint alone. */
const STITCHES = ["", "9 4", "2 4", "12 4 2 4", "5 5"];

/** The room as a place: warmth across, damp up; each bottle's window, lines of equal water, the day's trail, now. */
export function AirPlane({
  air,
  trail,
  windows,
  chosenId,
  advice,
  label,
}: {
  air: Air | null;
  trail: readonly Dated[];
  windows: readonly Window[];
  chosenId: string | null;
  advice: AirAdvice | null;
  label: (iso: string) => string;
}) {
  const [ref, width] = useWidth<HTMLDivElement>(760);
  const height = clamp(width * 0.68, 300, 560);
  const left = 44;
  const x = scaleLinear(WARMTH, [left, width - 24]);
  const y = scaleLinear(DAMP, [height - 34, 12]);
  const inPlane = (a: Air) => [x(clamp(a.temperatureC, ...WARMTH)), y(clamp(a.relativeHumidity, ...DAMP))] as [number, number];
  const equalWater = (grams: number) =>
    line()(
      Array.from({ length: 37 }, (_, i) => WARMTH[0] + (i / 36) * (WARMTH[1] - WARMTH[0])).flatMap((t) => {
        const rh = grams / vapourDensityGm3({ temperatureC: t, relativeHumidity: 1 });
        return rh >= DAMP[0] && rh <= DAMP[1] ? [[x(t), y(rh)] as [number, number]] : [];
      }),
    );
  const goal: Air | null =
    advice && air
      ? advice.kind === "water"
        ? { temperatureC: advice.atTemperatureC, relativeHumidity: advice.toHumidity }
        : { temperatureC: advice.toTemperatureC, relativeHumidity: advice.toHumidity }
      : null;
  const chosen = windows.find((window) => window.id === chosenId);
  const box = (window: Window) => ({
    x: x(window.temperatureLowC),
    y: y(window.humidityHigh),
    width: x(window.temperatureHighC) - x(window.temperatureLowC),
    height: y(window.humidityLow) - y(window.humidityHigh),
    rx: 10,
  });
  const marks = trail.length > 2 ? [0, Math.floor(trail.length / 2)] : [];
  const now = air ? inPlane(air) : null;
  const clearOfNow = (at: [number, number]) => now === null || Math.hypot(at[0] - now[0], at[1] - now[1]) > 60;
  const nowOnRight = now !== null && now[0] > width - 190;

  return (
    <div ref={ref}>
      <svg width={width} height={height} role="img" aria-label="The room's temperature and humidity, with each bottle's window">
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
              <path d={equalWater(grams) ?? ""} fill="none" stroke="var(--moss)" opacity="0.65" />
              {end > DAMP[0] + 0.02 ? (
                <text
                  x={width - 26}
                  y={y(end) - 5}
                  textAnchor="end"
                  fontSize="12"
                  fill="var(--ink-2)"
                  stroke="var(--paper)"
                  strokeWidth="3"
                  paintOrder="stroke"
                >
                  {grams} g/m³
                </text>
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
        {windows.map((window) => (
          <text
            key={window.id}
            x={x(window.temperatureHighC) - 10}
            y={y(window.humidityLow) - 9}
            textAnchor="end"
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
        ))}
        {trail.length > 1 ? (
          <path d={line()(trail.map(inPlane)) ?? ""} fill="none" stroke="var(--ink)" strokeWidth="2" strokeLinejoin="round" />
        ) : null}
        {marks.map((i) => {
          const at = inPlane(trail[i]!);
          return !clearOfNow(at) ? null : (
            <g key={i}>
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
                {label(trail[i]!.takenAt)}
              </text>
            </g>
          );
        })}
        {now && goal ? (
          <g>
            <line
              x1={now[0]}
              y1={now[1]}
              x2={inPlane(goal)[0]}
              y2={inPlane(goal)[1]}
              stroke="var(--ivy)"
              strokeWidth="2.5"
              strokeDasharray="1 6"
              strokeLinecap="round"
            />
            <circle cx={inPlane(goal)[0]} cy={inPlane(goal)[1]} r="7" fill="var(--paper)" stroke="var(--ivy)" strokeWidth="2.5" />
          </g>
        ) : null}
        {now && air ? (
          <g>
            <circle cx={now[0]} cy={now[1]} r="9" fill="var(--ink)" />
            <circle cx={now[0]} cy={now[1]} r="3" fill="var(--paper)" />
            <text
              x={now[0] + (nowOnRight ? -16 : 16)}
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
      </svg>
    </div>
  );
}
