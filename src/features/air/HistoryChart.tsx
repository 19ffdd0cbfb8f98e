"use client";
import { scaleLinear } from "d3";
import type { OutlookHour } from "@/core/air";
import { useWidth } from "@/ui";
import type { SensorFaults } from "./HistoryFaults";
import { HistoryPanel, PANELS } from "./HistoryPanel";
import type { History, Span } from "./useHistory";

const LEFT = 44;
const RIGHT = 12;
const HEIGHT = 388;
/** Between the panels: where nothing was heard, or the same over and over. */
const FAULTS_AT = 214;
const DAY_TICKS = 8;
const WEEK_TICKS = 7;

/** Humidity over temperature, both over the same hours, each hygrometer a line; the hours ahead tinted. */
export function HistoryChart({
  history,
  span,
  timeZone,
  ahead,
  faults,
}: {
  history: History;
  span: Span;
  timeZone: string;
  ahead: readonly OutlookHour[];
  faults: readonly SensorFaults[];
}) {
  const [ref, width] = useWidth<HTMLDivElement>(760);
  const { from, to } = history;
  const x = scaleLinear([from, to], [LEFT, width - RIGHT]);
  const clock = new Intl.DateTimeFormat(
    "en-GB",
    span === "day" ? { hour: "2-digit", minute: "2-digit", timeZone } : { weekday: "short", day: "numeric", timeZone },
  );
  const parts = span === "day" ? DAY_TICKS : WEEK_TICKS;
  const ticks = Array.from({ length: parts + 1 }, (_, i) => from + (i * (to - from)) / parts);
  return (
    <div ref={ref} className="mt-2">
      <svg width={width} height={HEIGHT} role="img" aria-label="Humidity and temperature over the time shown, each hygrometer a line">
        {PANELS.map((panel) => (
          <HistoryPanel key={panel.key} panel={panel} history={history} span={span} ahead={ahead} x={x} left={LEFT} right={width - RIGHT} />
        ))}
        {faults
          .flatMap(({ faults: ofSensor }) => ofSensor)
          .filter(({ kind, fromMs, toMs }) => kind !== "spike" && toMs > from && fromMs < to)
          .map(({ fromMs, toMs }) => (
            <line
              key={`${fromMs} ${toMs}`}
              x1={x(Math.max(from, fromMs))}
              x2={x(Math.min(to, toMs))}
              y1={FAULTS_AT}
              y2={FAULTS_AT}
              stroke="var(--brass)"
              strokeWidth="4"
            />
          ))}
        {ticks.map((tick, i) => (
          <text
            key={tick}
            x={x(tick)}
            y={HEIGHT - 6}
            textAnchor={i === parts ? "end" : i === 0 ? "start" : "middle"}
            fontSize="12.5"
            fill="var(--ink-2)"
          >
            {span === "day" && i === parts ? "24:00" : clock.format(new Date(tick))}
          </text>
        ))}
      </svg>
    </div>
  );
}
