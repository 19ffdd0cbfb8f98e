"use client";
import { scaleLog } from "d3";
import { ratioWords, type Effect, type Told } from "@/core/retention";
import { useWidth } from "@/ui";

const ROW = 40;
const TOP = 34;
/** Ratios are drawn from a quarter to four times; what goes past it ends in an arrow. */
const [LEAST, MOST] = [0.25, 4] as const;
const TICKS = [
  [0.25, "a quarter"],
  [0.5, "half"],
  [1, "the same"],
  [2, "2 times"],
  [4, "4 times"],
] as const;

export type DrawnEffect = { readonly told: Told; readonly effect: Effect; readonly isFound: boolean };

/** Bonds lost a day beside the ordinary way, with the bounds that hold it in 95 of 100: what is found stands dark. */
export function EffectsChart({ effects }: { effects: readonly DrawnEffect[] }) {
  const [ref, width] = useWidth<HTMLDivElement>(620);
  const isNarrow = width < 520;
  const labelPx = isNarrow ? 0 : Math.min(290, width * 0.46);
  const x = scaleLog([LEAST, MOST], [labelPx + 14, width - 64]).clamp(true);
  const rowPx = isNarrow ? ROW + 16 : ROW;
  const height = TOP + effects.length * rowPx + 8;
  return (
    <div ref={ref}>
      <svg
        width={width}
        height={height}
        role="img"
        aria-label={`Bonds lost beside the ordinary way, ${effects.length} ways; the same is told in words beside it`}
      >
        {TICKS.map(([ratio, words]) => (
          <g key={ratio}>
            <line
              x1={x(ratio)}
              x2={x(ratio)}
              y1={TOP - 8}
              y2={height}
              stroke={ratio === 1 ? "var(--line-strong)" : "var(--line)"}
              strokeWidth={ratio === 1 ? 1.5 : 1}
            />
            <text x={x(ratio)} y={14} textAnchor="middle" fontSize="12.5" fill="var(--ink-2)">
              {isNarrow && (ratio === 0.25 || ratio === 4) ? "" : words}
            </text>
          </g>
        ))}
        {effects.map(({ told, effect, isFound }, i) => {
          const y = TOP + i * rowPx + (isNarrow ? 34 : ROW / 2);
          const ink = isFound ? (effect.ratio > 1 ? "var(--rosehip)" : "var(--ivy)") : "var(--line-strong)";
          const text = isFound ? "var(--ink)" : "var(--ink-2)";
          return (
            <g
              key={`${told.factor.id} ${effect.level.id}`}
              data-effect={`${told.factor.id} ${effect.level.id}`}
              data-found={isFound || undefined}
            >
              <text x={0} y={isNarrow ? y - 14 : y} dy={isNarrow ? 0 : "0.35em"} fontSize="15" fontWeight={isFound ? 650 : 400} fill={text}>
                {effect.level.label}
              </text>
              <line
                x1={x(effect.low)}
                x2={x(effect.high)}
                y1={y}
                y2={y}
                stroke={ink}
                strokeWidth={isFound ? 5 : 3.5}
                strokeLinecap="round"
              />
              {effect.low < LEAST ? <path d={`M${x(LEAST) - 8} ${y}l7 -5v10z`} fill={ink} /> : null}
              {effect.high > MOST ? <path d={`M${x(MOST) + 8} ${y}l-7 -5v10z`} fill={ink} /> : null}
              <circle
                cx={x(effect.ratio)}
                cy={y}
                r={isFound ? 6.5 : 5}
                fill={isFound ? ink : "var(--ink-2)"}
                stroke="var(--paper)"
                strokeWidth="1.5"
              />
              <text x={width - 2} y={y} dy="0.35em" textAnchor="end" fontSize="14" fontWeight={isFound ? 650 : 400} fill={text}>
                {ratioWords(effect.ratio)} ×
              </text>
            </g>
          );
        })}
      </svg>
    </div>
  );
}
