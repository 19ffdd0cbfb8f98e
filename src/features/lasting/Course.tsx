import { area, line, scaleLinear } from "d3";
import { memo } from "react";
import type { DayBand } from "@/core/growth";
import { DAYS_AHEAD, type DaySeen, type SetDays } from "@/core/retention";
import { formatPercent } from "@/core/units";

const HEIGHT = 150;

const scales = (width: number) => ({
  x: scaleLinear([0, DAYS_AHEAD], [44, width - 12]),
  y: scaleLinear([0.2, 1], [HEIGHT - 24, 8]),
});

/**
 * The share still on, day by day: this draw as a line, the band of a thousand behind it, the day that is shown. The mark of the
 * day lies over the picture and is only moved: a slider draws nothing anew.
 */
export function Course({ bands, set, day, width }: { bands: readonly DayBand[] | null; set: SetDays; day: number; width: number }) {
  const { x, y } = scales(width);
  const share = set.days[day]!.on / Math.max(1, set.lashes.length);
  return (
    <div className="relative mt-2 contain-content" style={{ width, height: HEIGHT }}>
      <Curves bands={bands} set={set} width={width} />
      <span
        aria-hidden="true"
        className="absolute top-0 left-0 w-px bg-ink will-change-transform"
        style={{ height: HEIGHT - 22 - y(1), transform: `translate(${x(day)}px, ${y(1)}px)` }}
      />
      <span
        aria-hidden="true"
        className="absolute top-0 left-0 -mt-[6px] -ml-[6px] size-3 rounded-full border-[1.5px] border-paper bg-ink will-change-transform"
        style={{ transform: `translate(${x(day)}px, ${y(share)}px)` }}
      />
    </div>
  );
}

/** What of it is the same on every day: drawn once. */
const Curves = memo(function Curves({ bands, set, width }: { bands: readonly DayBand[] | null; set: SetDays; width: number }) {
  const { x, y } = scales(width);
  const band = area<DayBand>(
    ({ days }) => x(days),
    ({ low }) => y(low),
    ({ high }) => y(high),
  );
  const course = line<DaySeen>(
    ({ days }) => x(days),
    ({ on }) => y(on / Math.max(1, set.lashes.length)),
  );
  return (
    <svg
      width={width}
      height={HEIGHT}
      role="img"
      aria-label="Share still on by day, this draw and the band of a thousand"
      className="block"
    >
      {[0.4, 0.6, 0.8, 1].map((share) => (
        <g key={share}>
          <line x1={x(0)} x2={x(DAYS_AHEAD)} y1={y(share)} y2={y(share)} stroke="var(--line)" />
          <text x={38} y={y(share)} dy="0.35em" textAnchor="end" fontSize="12" fill="var(--ink-2)">
            {formatPercent(share)}
          </text>
        </g>
      ))}
      {[0, 7, 14, 21, 28, 35].map((at) => (
        <text
          key={at}
          x={x(at)}
          y={HEIGHT - 6}
          textAnchor={at === 0 ? "start" : at === DAYS_AHEAD ? "end" : "middle"}
          fontSize="12"
          fill="var(--ink-2)"
        >
          {at === 0 ? "placed" : `${at}`}
        </text>
      ))}
      {bands ? <path d={band(bands) ?? ""} fill="var(--moss)" opacity="0.35" data-bands="" /> : null}
      <path d={course(set.days) ?? ""} fill="none" stroke="var(--ivy)" strokeWidth="2" />
    </svg>
  );
});
