"use client";
import { area, line, scaleLinear } from "d3";
import { naturalSurvivalRange, type Unsure } from "@/core/growth";
import type { LossSplit } from "@/core/retention";
import { formatPercent, spreadApart } from "@/core/units";
import { useWidth } from "@/ui";

const HEIGHT = 330;
const LEAST_SHARE = 0.2;
const LABEL_PX = 44;

/**
 * One set over its days: what nature alone leaves, with how unsure that is, what was counted, and between them what the work
 * lost. Everything that is written stands beside the drawing, in a column of its own.
 */
export function LossPicture({ split, days, bareBelow, cycle }: { split: LossSplit; days: number; bareBelow: Unsure; cycle: Unsure }) {
  const [ref, width] = useWidth<HTMLDivElement>(640);
  const isNarrow = width < 480;
  const gutter = isNarrow ? 138 : 250;
  const lastDay = Math.max(28, Math.ceil(days / 7) * 7);
  const x = scaleLinear([0, lastDay], [44, width - gutter]);
  const y = scaleLinear([Math.min(LEAST_SHARE, split.left.low - 0.05), 1], [HEIGHT - 30, 14]);
  const all = Array.from({ length: lastDay + 1 }, (_, day) => ({ day, ...naturalSurvivalRange(day, bareBelow, cycle) }));
  type Day = (typeof all)[number];
  const band = area<Day>(
    ({ day }) => x(day),
    ({ low }) => y(low),
    ({ high }) => y(Math.min(1, high)),
  );
  const nature = line<Day>(
    ({ day }) => x(day),
    ({ mid }) => y(mid),
  );
  const hazard = split.hazardPerDay.mid;
  const course = line<Day>(
    ({ day }) => x(day),
    ({ day, mid }) => y(Math.max(0, Math.min(1, mid * Math.exp(-Math.max(0, hazard) * day)))),
  );
  const { left, natural, lostByWork, isTold } = split;
  const at = x(days);
  const edge = x(lastDay) + 14;
  const [top, middle, bottom] = [y(1), y(Math.min(1, natural.mid)), y(left.mid)];
  const [natureY, workY, leftY] = spreadApart([(top + middle) / 2, (middle + bottom) / 2, bottom + 10], LABEL_PX);
  const percent = (share: number) => formatPercent(Math.max(0, share));
  return (
    <div ref={ref}>
      <svg width={width} height={HEIGHT} role="img" aria-label="Share of extensions on, day by day; the same is told in words beneath">
        {[0.2, 0.4, 0.6, 0.8, 1].map((share) => (
          <g key={share}>
            <line x1={x(0)} x2={x(lastDay)} y1={y(share)} y2={y(share)} stroke="var(--line)" />
            <text x={38} y={y(share)} dy="0.35em" textAnchor="end" fontSize="12.5" fill="var(--ink-2)">
              {formatPercent(share)}
            </text>
          </g>
        ))}
        {Array.from({ length: lastDay / 7 + 1 }, (_, week) => (
          <text key={week} x={x(week * 7)} y={HEIGHT - 8} textAnchor={week === 0 ? "start" : "middle"} fontSize="12.5" fill="var(--ink-2)">
            {week === 0 ? "placed" : isNarrow && week % 2 ? "" : `${week * 7} days`}
          </text>
        ))}
        <path d={band(all) ?? ""} fill="var(--moss)" opacity="0.28" />
        <path d={nature(all) ?? ""} fill="none" stroke="var(--moss)" strokeWidth="2.5" />
        <path
          d={course(all.filter(({ day }) => day <= Math.ceil(days))) ?? ""}
          fill="none"
          stroke="var(--ivy)"
          strokeWidth="2"
          strokeDasharray="6 5"
        />
        {/* From the day of the count to what is written beside it. */}
        {[middle, bottom].map((to, i) => (
          <line key={i} x1={at} x2={edge + 8} y1={to} y2={to} stroke="var(--line-strong)" strokeDasharray="2 3" />
        ))}
        <path d={`M${edge} ${top}h8V${middle - 1}h-8`} fill="none" stroke="var(--moss)" strokeWidth="2.5" />
        {bottom > middle + 2 ? (
          <path
            d={`M${edge} ${middle + 1}h8V${bottom}h-8`}
            fill="none"
            stroke={isTold ? "var(--brass)" : "var(--line-strong)"}
            strokeWidth="2.5"
          />
        ) : null}
        <line x1={at} x2={at} y1={y(left.low)} y2={y(left.high)} stroke="var(--ink)" strokeWidth="2.5" />
        <circle cx={at} cy={bottom} r="6.5" fill="var(--ink)" stroke="var(--paper)" strokeWidth="1.5" />
        <Beside
          x={edge + 20}
          y={natureY!}
          big={`nature${isNarrow ? "" : " took"} ${percent(1 - natural.mid)}`}
          small={`${percent(1 - natural.high)} to ${percent(1 - natural.low)}${isNarrow ? "" : ", shed on their own"}`}
          ink="var(--ivy)"
        />
        <Beside
          x={edge + 20}
          y={workY!}
          big={isTold ? `${isNarrow ? "work" : "the work lost"} ${percent(lostByWork.mid)}` : "no bond loss"}
          small={
            isTold
              ? `${percent(lostByWork.low)} to ${percent(lostByWork.high)}${isNarrow ? "" : ", bonds that let go"}`
              : isNarrow
                ? "told from nature"
                : "that can be told from nature"
          }
          ink={isTold ? "var(--brass)" : "var(--ink-2)"}
        />
        <Beside
          x={edge + 20}
          y={leftY!}
          big={`${formatPercent(left.mid)} left`}
          small={`${formatPercent(left.low)} to ${formatPercent(left.high)}`}
          ink="var(--ink)"
        />
      </svg>
    </div>
  );
}

const Beside = ({ x, y, big, small, ink }: { x: number; y: number; big: string; small: string; ink: string }) => (
  <text x={x} y={y} fontSize="16" fontWeight="650" fill={ink}>
    {big}
    <tspan x={x} dy="17" fontSize="13" fontWeight="400" fill="var(--ink-2)">
      {small}
    </tspan>
  </text>
);
