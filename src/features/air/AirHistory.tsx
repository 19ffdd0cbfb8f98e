"use client";
import { area, line, scaleLinear } from "d3";
import { useEffect, useState } from "react";
import type { OutlookHour, ReadingFault } from "@/core/air";
import { formatHours } from "@/core/units";
import { Button, Choice, Empty, Notice, Verdict, useWidth } from "@/ui";
import type { HistoryPoint, SensorHistory } from "./history";

type Answer = { day: string; from: number; to: number; sensors: SensorHistory[] };
type Span = "day" | "week";
const STITCHES = ["", "7 4", "2 4", "10 4 2 4"];
const HOUR_MS = 3_600_000;
/** Two points further apart than this are not joined: a gap is shown as one. */
const JOINED_MS: Record<Span, number> = { day: 22 * 60_000, week: 2.5 * HOUR_MS };

/** A day or a week of the room, each hygrometer a line with its lowest and highest; gaps stay gaps. Today with the hours ahead. */
export function AirHistory({
  roomId,
  today,
  timeZone,
  ahead,
  faults,
  names,
}: {
  roomId: string;
  today: string;
  timeZone: string;
  ahead: readonly OutlookHour[];
  faults: readonly { sensorId: string; faults: readonly ReadingFault[] }[];
  names: Readonly<Record<string, string>>;
}) {
  const [span, setSpan] = useState<Span>("day");
  const [day, setDay] = useState(today);
  const [answer, setAnswer] = useState<Answer | null>(null);
  const [failed, setFailed] = useState(false);
  useEffect(() => {
    let here = true;
    const read = async () => {
      try {
        const response = await fetch(`/api/rooms/${roomId}/history?span=${span}&day=${day}`, { cache: "no-store" });
        if (!response.ok) throw new Error(String(response.status));
        const found = (await response.json()) as Answer;
        if (!here) return;
        setAnswer(found);
        setFailed(false);
      } catch {
        if (here) setFailed(true);
      }
    };
    void read();
    const every = setInterval(read, 60_000);
    return () => {
      here = false;
      clearInterval(every);
    };
  }, [roomId, span, day]);
  const move = (by: number) => setDay(addDays(day, by * (span === "week" ? 7 : 1)));
  const words = new Intl.DateTimeFormat("en-GB", { weekday: "short", day: "numeric", month: "short", timeZone: "UTC" });
  const shown =
    span === "day" ? words.format(new Date(day)) : `${words.format(new Date(addDays(day, -6)))} to ${words.format(new Date(day))}`;
  const points = answer?.sensors.flatMap((sensor) => sensor.points) ?? [];
  return (
    <section aria-label="History">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <Choice
          label="Span"
          showLabel={false}
          value={span}
          options={[
            { value: "day", label: "a day" },
            { value: "week", label: "a week" },
          ]}
          onChange={setSpan}
        />
        <span className="flex items-baseline">
          <Button tone="plain" onClick={() => move(-1)} aria-label={`The ${span} before`}>
            ←
          </Button>
          <b className="min-w-40 text-center">{shown}</b>
          <Button tone="plain" onClick={() => move(1)} disabled={day >= today} aria-label={`The ${span} after`}>
            →
          </Button>
        </span>
      </div>
      {failed ? (
        <Notice tone="look" title="The history could not be read just now. It is asked again every minute." className="mt-2" />
      ) : null}
      {answer && points.length === 0 ? (
        <Empty title="No readings of this time">Readings typed by hand or taken in from a file count too.</Empty>
      ) : null}
      {answer && points.length > 0 ? (
        <Chart answer={answer} span={span} timeZone={timeZone} ahead={span === "day" && day === today ? ahead : []} faults={faults} />
      ) : null}
      {answer && points.length > 0 ? (
        <p className="mt-1 flex flex-wrap gap-x-5 text-sm text-ink-2">
          {answer.sensors.map(({ id, name, points: own }, i) =>
            own.length > 0 ? (
              <span key={id} className="flex items-center gap-2">
                <svg width="34" height="8" aria-hidden="true">
                  <line x1="0" x2="34" y1="4" y2="4" stroke="var(--ink)" strokeWidth="2" strokeDasharray={STITCHES[i % STITCHES.length]} />
                </svg>
                {name}
              </span>
            ) : null,
          )}
          {ahead.length > 0 && span === "day" && day === today ? <span>tinted: the hours ahead, four times in five</span> : null}
        </p>
      ) : null}
      <Faults faults={faults} names={names} timeZone={timeZone} />
    </section>
  );
}

/** What the last day shows of each hygrometer, in words. */
function Faults({
  faults,
  names,
  timeZone,
}: {
  faults: readonly { sensorId: string; faults: readonly ReadingFault[] }[];
  names: Readonly<Record<string, string>>;
  timeZone: string;
}) {
  const clock = new Intl.DateTimeFormat("en-GB", { hour: "2-digit", minute: "2-digit", timeZone });
  const all = faults.flatMap(({ sensorId, faults: own }) => own.map((fault) => ({ ...fault, name: names[sensorId] ?? "" }))).slice(-6);
  if (all.length === 0) return <p className="mt-3 text-[0.9375rem] text-ink-2">No gaps, stuck stretches or spikes in the last 24 hours.</p>;
  return (
    <ul className="mt-3 text-[0.9375rem]" aria-label="What to know of these readings">
      {all.map((fault, i) => (
        <li key={i} className="border-t border-line py-1">
          <Verdict tone={fault.kind === "spike" ? "note" : "look"}>{fault.name}</Verdict>{" "}
          {faultWords(fault, (ms) => clock.format(new Date(ms)))}
        </li>
      ))}
    </ul>
  );
}

export function faultWords({ kind, fromMs, toMs, by }: ReadingFault, clock: (ms: number) => string): string {
  if (kind === "gap") return `was not heard from ${clock(fromMs)} to ${clock(toMs)}, ${formatHours((toMs - fromMs) / 1000)}.`;
  if (kind === "stuck") return `showed the very same from ${clock(fromMs)} to ${clock(toMs)}: stuck?`;
  const parts = [
    by && by.relativeHumidity !== 0 ? `${signed(by.relativeHumidity * 100)} points` : "",
    by && by.temperatureC !== 0 ? `${signed(by.temperatureC)} °C` : "",
  ].filter(Boolean);
  return `jumped at ${clock(fromMs)} by ${parts.join(" and ")}: breath, a door, or a fault.`;
}
const signed = (value: number) => `${value > 0 ? "+" : "−"}${Math.abs(value).toFixed(value >= 10 || value <= -10 ? 0 : 1)}`;
const addDays = (iso: string, days: number) => new Date(Date.parse(iso) + days * 86_400_000).toISOString().slice(0, 10);

/** Points in runs that are joined, cut at the gaps. */
function runs(points: readonly HistoryPoint[], joinedMs: number): HistoryPoint[][] {
  return points.reduce<HistoryPoint[][]>((all, point) => {
    const last = all.at(-1);
    if (last && point.atMs - last.at(-1)!.atMs <= joinedMs) last.push(point);
    else all.push([point]);
    return all;
  }, []);
}

function Chart({
  answer,
  span,
  timeZone,
  ahead,
  faults,
}: {
  answer: Answer;
  span: Span;
  timeZone: string;
  ahead: readonly OutlookHour[];
  faults: readonly { sensorId: string; faults: readonly ReadingFault[] }[];
}) {
  const [ref, width] = useWidth<HTMLDivElement>(760);
  const left = 44;
  const x = scaleLinear([answer.from, answer.to], [left, width - 12]);
  const all = answer.sensors.flatMap((sensor) => sensor.points);
  const clock = new Intl.DateTimeFormat(
    "en-GB",
    span === "day" ? { hour: "2-digit", minute: "2-digit", timeZone } : { weekday: "short", day: "numeric", timeZone },
  );
  const ticks = Array.from(
    { length: span === "day" ? 9 : 8 },
    (_, i) => answer.from + (i * (answer.to - answer.from)) / (span === "day" ? 8 : 7),
  );
  const panels = [
    { key: "humidity", top: 14, height: 190, unit: " %", scale: 100, mean: "relativeHumidity", low: "humidityLow", high: "humidityHigh" },
    {
      key: "temperature",
      top: 232,
      height: 130,
      unit: " °C",
      scale: 1,
      mean: "temperatureC",
      low: "temperatureLowC",
      high: "temperatureHighC",
    },
  ] as const;
  const height = 388;
  return (
    <div ref={ref} className="mt-2">
      <svg width={width} height={height} role="img" aria-label="Humidity and temperature over the time shown, each hygrometer a line">
        {panels.map(({ key, top, height: tall, unit, scale, mean, low, high }) => {
          const values = [
            ...all.flatMap((point) => [point[low], point[high]]),
            ...(key === "humidity"
              ? ahead.flatMap((hour) => [hour.humidityLow, hour.humidityHigh])
              : ahead.map((hour) => hour.temperatureC)),
          ].map((value) => value * scale);
          const y = scaleLinear([Math.min(...values) - 1, Math.max(...values) + 1], [top + tall, top]).nice(5);
          const atHour = (hour: OutlookHour) => x(answer.from + (hour.hour + 0.5) * HOUR_MS);
          return (
            <g key={key} data-panel={key}>
              {y.ticks(5).map((tick) => (
                <g key={tick}>
                  <line x1={left} x2={width - 12} y1={y(tick)} y2={y(tick)} stroke="var(--line)" opacity="0.7" />
                  <text x={left - 7} y={y(tick) + 4} textAnchor="end" fontSize="12.5" fill="var(--ink-2)">
                    {tick}
                    {unit}
                  </text>
                </g>
              ))}
              {key === "humidity" && ahead.length > 1 ? (
                <path
                  d={
                    area<OutlookHour>(
                      atHour,
                      (hour) => y(hour.humidityLow * 100),
                      (hour) => y(hour.humidityHigh * 100),
                    )([...ahead]) ?? ""
                  }
                  fill="var(--moss-soft)"
                  opacity="0.8"
                />
              ) : null}
              {ahead.length > 1 ? (
                <path
                  d={
                    line<OutlookHour>(atHour, (hour) => y((key === "humidity" ? hour.relativeHumidity : hour.temperatureC) * scale))([
                      ...ahead,
                    ]) ?? ""
                  }
                  fill="none"
                  stroke="var(--ivy)"
                  strokeWidth="1.75"
                  strokeDasharray="1 5"
                  strokeLinecap="round"
                />
              ) : null}
              {answer.sensors.map((sensor, i) =>
                runs(sensor.points, JOINED_MS[span]).map((run) => (
                  <g key={`${sensor.id} ${run[0]!.atMs}`}>
                    <path
                      d={
                        area<HistoryPoint>(
                          (p) => x(p.atMs),
                          (p) => y(p[low] * scale),
                          (p) => y(p[high] * scale),
                        )(run) ?? ""
                      }
                      fill="var(--moss)"
                      opacity="0.35"
                    />
                    <path
                      d={
                        line<HistoryPoint>(
                          (p) => x(p.atMs),
                          (p) => y(p[mean] * scale),
                        )(run) ?? ""
                      }
                      fill="none"
                      stroke="var(--ink)"
                      strokeWidth="1.6"
                      strokeDasharray={STITCHES[i % STITCHES.length]}
                    />
                    {run.length === 1 ? <circle cx={x(run[0]!.atMs)} cy={y(run[0]![mean] * scale)} r="3" fill="var(--ink)" /> : null}
                  </g>
                )),
              )}
            </g>
          );
        })}
        {faults
          .flatMap(({ faults: own }) => own)
          .filter(({ kind, fromMs, toMs }) => kind !== "spike" && toMs > answer.from && fromMs < answer.to)
          .map(({ fromMs, toMs }) => (
            <line
              key={`${fromMs} ${toMs}`}
              x1={x(Math.max(answer.from, fromMs))}
              x2={x(Math.min(answer.to, toMs))}
              y1={214}
              y2={214}
              stroke="var(--brass)"
              strokeWidth="4"
            />
          ))}
        {ticks.map((tick, i) => (
          <text
            key={tick}
            x={x(tick)}
            y={height - 6}
            textAnchor={i === ticks.length - 1 ? "end" : i === 0 ? "start" : "middle"}
            fontSize="12.5"
            fill="var(--ink-2)"
          >
            {span === "day" && i === ticks.length - 1 ? "24:00" : clock.format(new Date(tick))}
          </text>
        ))}
      </svg>
    </div>
  );
}
