"use client";
import { area, line, scaleLinear, scaleLog } from "d3";
import { expectedSetTime, SET_TIME_GOOD_FOR, type SetTimeModel } from "@/core/adhesive";
import type { Air } from "@/core/air";
import { useWidth } from "@/ui";
import type { KeptTest } from "./knowledge";

type Point = { readonly rh: number; readonly setTimeS: number; readonly lowS: number; readonly highS: number };
const HEIGHT = 330;
const [DRIEST, DAMPEST] = SET_TIME_GOOD_FOR.relativeHumidity;

/**
 * Set time against humidity at today's temperature: the estimate, the range that holds it four times in five, and the
 * tests behind it, each moved to today's warmth by what was learned. Left-out tests are hollow.
 */
export function GlueChart({
  model,
  bottleId,
  daysOpen,
  air,
  tests,
  window,
}: {
  model: SetTimeModel;
  bottleId: string;
  daysOpen: number;
  air: Air;
  tests: readonly KeptTest[];
  window: { humidityLow: number; humidityHigh: number };
}) {
  const [ref, width] = useWidth<HTMLDivElement>(700);
  const temperatureC = Math.min(30, Math.max(16, air.temperatureC));
  const points = Array.from({ length: 56 }, (_, i) => DRIEST + (i / 55) * (DAMPEST - DRIEST)).flatMap((rh): Point[] => {
    const expected = expectedSetTime(model, { temperatureC, relativeHumidity: rh }, bottleId, daysOpen);
    return expected.known ? [{ rh, ...expected }] : [];
  });
  const dots = tests.flatMap((test) => {
    const there = expectedSetTime(model, test.air, test.bottleId, test.daysOpen);
    const expected = expectedSetTime(model, { temperatureC, relativeHumidity: test.air.relativeHumidity }, bottleId, daysOpen);
    return there.known && expected.known
      ? [
          {
            id: test.id,
            rh: test.air.relativeHumidity,
            seconds: (test.seconds * expected.setTimeS) / there.setTimeS,
            own: test.bottleId === bottleId,
            leftOut: test.leftOut,
          },
        ]
      : [];
  });
  const left = 46;
  const x = scaleLinear([DRIEST, DAMPEST], [left, width - 14]);
  const most = Math.max(...points.map(({ highS }) => highS), ...dots.filter(({ leftOut }) => !leftOut).map(({ seconds }) => seconds));
  const least = Math.min(...points.map(({ lowS }) => lowS), ...dots.filter(({ leftOut }) => !leftOut).map(({ seconds }) => seconds));
  const y = scaleLog([least * 0.85, most * 1.12], [HEIGHT - 34, 10]);
  const ticks = [0.2, 0.3, 0.5, 0.7, 1, 1.5, 2, 3, 4, 6, 8, 12].filter((s) => s >= y.domain()[0]! && s <= y.domain()[1]!);
  const now = expectedSetTime(model, { temperatureC, relativeHumidity: air.relativeHumidity }, bottleId, daysOpen);
  const nowRight = x(air.relativeHumidity) > width - 150;
  return (
    <div ref={ref}>
      <svg
        width={width}
        height={HEIGHT}
        role="img"
        aria-label={`Set time against humidity at ${temperatureC.toFixed(1)} °C, with ${dots.length} tests`}
      >
        <rect
          x={x(Math.max(DRIEST, window.humidityLow))}
          width={Math.max(0, x(Math.min(DAMPEST, window.humidityHigh)) - x(Math.max(DRIEST, window.humidityLow)))}
          y={10}
          height={HEIGHT - 44}
          fill="none"
          stroke="var(--ivy)"
          strokeDasharray="2 4"
        />
        {ticks.map((s) => (
          <g key={s}>
            <line x1={left} x2={width - 14} y1={y(s)} y2={y(s)} stroke="var(--line)" opacity="0.7" />
            <text x={left - 7} y={y(s) + 4} textAnchor="end" fontSize="12.5" fill="var(--ink-2)">
              {s} s
            </text>
          </g>
        ))}
        {x.ticks(6).map((rh) => (
          <text key={rh} x={x(rh)} y={HEIGHT - 12} textAnchor="middle" fontSize="12.5" fill="var(--ink-2)">
            {Math.round(rh * 100)} %
          </text>
        ))}
        <path
          d={
            area<Point>(
              (p) => x(p.rh),
              (p) => y(p.lowS),
              (p) => y(p.highS),
            )(points) ?? ""
          }
          fill="var(--moss-soft)"
          opacity="0.85"
        />
        <path
          d={
            line<Point>(
              (p) => x(p.rh),
              (p) => y(p.setTimeS),
            )(points) ?? ""
          }
          fill="none"
          stroke="var(--ivy)"
          strokeWidth="2.25"
        />
        {dots.map((dot) => (
          <circle
            key={dot.id}
            cx={x(dot.rh)}
            cy={Math.min(HEIGHT - 34, Math.max(10, y(dot.seconds)))}
            r={dot.own ? 4.5 : 3}
            fill={dot.leftOut ? "none" : dot.own ? "var(--ink)" : "var(--ink-2)"}
            stroke={dot.leftOut ? "var(--rosehip)" : "var(--paper)"}
            strokeWidth="1.25"
          />
        ))}
        {now.known && air.relativeHumidity >= DRIEST && air.relativeHumidity <= DAMPEST ? (
          <g>
            <line
              x1={x(air.relativeHumidity)}
              x2={x(air.relativeHumidity)}
              y1={10}
              y2={HEIGHT - 34}
              stroke="var(--ink)"
              strokeDasharray="1 5"
              strokeLinecap="round"
            />
            <circle cx={x(air.relativeHumidity)} cy={y(now.setTimeS)} r="8" fill="var(--ink)" />
            <circle cx={x(air.relativeHumidity)} cy={y(now.setTimeS)} r="2.75" fill="var(--paper)" />
            <text
              x={x(air.relativeHumidity) + (nowRight ? -14 : 14)}
              y={y(now.setTimeS) - 10}
              textAnchor={nowRight ? "end" : "start"}
              fontSize="15"
              fontWeight="700"
              fill="var(--ink)"
              stroke="var(--paper)"
              strokeWidth="4"
              paintOrder="stroke"
            >
              now {now.setTimeS.toFixed(1)} s
            </text>
          </g>
        ) : null}
      </svg>
    </div>
  );
}
