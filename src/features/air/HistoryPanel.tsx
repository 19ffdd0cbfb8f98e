import { area, line, scaleLinear, type ScaleLinear } from "d3";
import type { OutlookHour } from "@/core/air";
import type { HistoryPoint } from "./history";
import { stitchOf } from "./stitches";
import type { History, Span } from "./useHistory";

const HOUR_MS = 3_600_000;
/** Two points further apart than this are not joined: a gap is shown as one. */
const JOINED_MS: Record<Span, number> = { day: 22 * 60_000, week: 2.5 * HOUR_MS };

/** What is drawn of a point: its mean with its lowest and highest, and of an hour ahead with its range, in the unit shown. */
type Panel = {
  readonly key: "humidity" | "temperature";
  readonly top: number;
  readonly height: number;
  readonly unit: string;
  readonly of: (point: HistoryPoint) => { mean: number; low: number; high: number };
  readonly ahead: (hour: OutlookHour) => { mean: number; low: number; high: number };
};
export const PANELS: readonly Panel[] = [
  {
    key: "humidity",
    top: 14,
    height: 190,
    unit: " %",
    of: (point) => ({ mean: point.relativeHumidity * 100, low: point.humidityLow * 100, high: point.humidityHigh * 100 }),
    ahead: (hour) => ({ mean: hour.relativeHumidity * 100, low: hour.humidityLow * 100, high: hour.humidityHigh * 100 }),
  },
  {
    key: "temperature",
    top: 232,
    height: 130,
    unit: " °C",
    of: (point) => ({ mean: point.temperatureC, low: point.temperatureLowC, high: point.temperatureHighC }),
    ahead: ({ temperatureC }) => ({ mean: temperatureC, low: temperatureC, high: temperatureC }),
  },
];

/** One measure of a room over time. */
export function HistoryPanel({
  panel: { key, top, height, unit, of, ahead: ofHour },
  history,
  span,
  ahead,
  x,
  left,
  right,
}: {
  panel: Panel;
  history: History;
  span: Span;
  ahead: readonly OutlookHour[];
  x: ScaleLinear<number, number>;
  left: number;
  right: number;
}) {
  const values = [...history.sensors.flatMap(({ points }) => points.map(of)), ...ahead.map(ofHour)];
  const lowest = Math.min(...values.map(({ low }) => low));
  const highest = Math.max(...values.map(({ high }) => high));
  const y = scaleLinear([lowest - 1, highest + 1], [top + height, top]).nice(5);
  const atHour = (hour: OutlookHour) => x(history.from + (hour.hour + 0.5) * HOUR_MS);
  return (
    <g data-panel={key}>
      {y.ticks(5).map((tick) => (
        <g key={tick}>
          <line x1={left} x2={right} y1={y(tick)} y2={y(tick)} stroke="var(--line)" opacity="0.7" />
          <text x={left - 7} y={y(tick) + 4} textAnchor="end" fontSize="12.5" fill="var(--ink-2)">
            {tick}
            {unit}
          </text>
        </g>
      ))}
      {ahead.length > 1 ? (
        <>
          <path d={bandOf(ahead, atHour, ofHour, y)} fill="var(--moss-soft)" opacity="0.8" />
          <path
            d={lineOf(ahead, atHour, ofHour, y)}
            fill="none"
            stroke="var(--ivy)"
            strokeWidth="1.75"
            strokeDasharray="1 5"
            strokeLinecap="round"
          />
        </>
      ) : null}
      {history.sensors.map((sensor, i) =>
        runs(sensor.points, JOINED_MS[span]).map((run) => (
          <g key={`${sensor.id} ${run[0]!.atMs}`}>
            <path d={bandOf(run, (p) => x(p.atMs), of, y)} fill="var(--moss)" opacity="0.35" />
            <path
              d={lineOf(run, (p) => x(p.atMs), of, y)}
              fill="none"
              stroke="var(--ink)"
              strokeWidth="1.6"
              strokeDasharray={stitchOf(i)}
            />
            {run.length === 1 ? <circle cx={x(run[0]!.atMs)} cy={y(of(run[0]!).mean)} r="3" fill="var(--ink)" /> : null}
          </g>
        )),
      )}
    </g>
  );
}

type Of<T> = (point: T) => { mean: number; low: number; high: number };
const bandOf = <T,>(points: readonly T[], at: (point: T) => number, of: Of<T>, y: (value: number) => number) =>
  area<T>(
    at,
    (point) => y(of(point).low),
    (point) => y(of(point).high),
  )([...points]) ?? "";
const lineOf = <T,>(points: readonly T[], at: (point: T) => number, of: Of<T>, y: (value: number) => number) =>
  line<T>(at, (point) => y(of(point).mean))([...points]) ?? "";

/** Points in runs that are joined, cut at the gaps. */
function runs(points: readonly HistoryPoint[], joinedMs: number): HistoryPoint[][] {
  return points.reduce<HistoryPoint[][]>((all, point) => {
    const last = all.at(-1);
    if (last && point.atMs - last.at(-1)!.atMs <= joinedMs) last.push(point);
    else all.push([point]);
    return all;
  }, []);
}
