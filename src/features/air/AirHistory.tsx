"use client";
import { useState } from "react";
import type { OutlookHour, RoomAir } from "@/core/air";
import { Button, Choice, Empty, Notice } from "@/ui";
import { HistoryChart } from "./HistoryChart";
import { HistoryFaults, type SensorFaults } from "./HistoryFaults";
import { stitchOf } from "./stitches";
import { useHistory, type Span } from "./useHistory";

/** A day or a week of the room, each hygrometer a line with its lowest and highest; gaps stay gaps. Today with the hours ahead. */
export function AirHistory({
  roomId,
  today,
  timeZone,
  air,
  ahead,
  faults,
  names,
}: {
  roomId: string;
  today: string;
  timeZone: string;
  air: RoomAir | null;
  ahead: readonly OutlookHour[];
  faults: readonly SensorFaults[];
  names: Readonly<Record<string, string>>;
}) {
  const [span, setSpan] = useState<Span>("day");
  const [day, setDay] = useState(today);
  const { history, failed } = useHistory(roomId, span, day);
  const move = (by: number) => setDay(addDays(day, by * (span === "week" ? 7 : 1)));
  const words = new Intl.DateTimeFormat("en-GB", { weekday: "short", day: "numeric", month: "short", timeZone: "UTC" });
  const shown =
    span === "day" ? words.format(new Date(day)) : `${words.format(new Date(addDays(day, -6)))} to ${words.format(new Date(day))}`;
  // The hours ahead begin with what the air is now.
  const hoursAhead = span === "day" && day === today && history ? joined(ahead, air, history.from) : [];
  const points = history?.sensors.flatMap((sensor) => sensor.points) ?? [];
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
      {history && points.length === 0 ? (
        <Empty title="No readings of this time">Readings typed by hand or taken in from a file count too.</Empty>
      ) : null}
      {history && points.length > 0 ? (
        <HistoryChart history={history} span={span} timeZone={timeZone} ahead={hoursAhead} faults={faults} />
      ) : null}
      {history && points.length > 0 ? (
        <p className="mt-1 flex flex-wrap gap-x-5 text-sm text-ink-2">
          {history.sensors.map(({ id, name, points: readings }, i) =>
            readings.length > 0 ? (
              <span key={id} className="flex items-center gap-2">
                <svg width="34" height="8" aria-hidden="true">
                  <line x1="0" x2="34" y1="4" y2="4" stroke="var(--ink)" strokeWidth="2" strokeDasharray={stitchOf(i)} />
                </svg>
                {name}
              </span>
            ) : null,
          )}
          {hoursAhead.length > 0 ? <span>tinted: the hours ahead, four times in five</span> : null}
        </p>
      ) : null}
      <HistoryFaults faults={faults} names={names} timeZone={timeZone} />
    </section>
  );
}

const addDays = (iso: string, days: number) => new Date(Date.parse(iso) + days * 86_400_000).toISOString().slice(0, 10);

const HOUR_MS = 3_600_000;
/** An hour ahead is drawn at its middle; now stands where it is in its hour. */
function joined(ahead: readonly OutlookHour[], air: RoomAir | null, fromMs: number): readonly OutlookHour[] {
  if (ahead.length === 0 || !air) return ahead;
  const { temperatureC, relativeHumidity } = air;
  const hour = (Date.parse(air.takenAt) - fromMs) / HOUR_MS - 0.5;
  return [{ hour, temperatureC, relativeHumidity, humidityLow: relativeHumidity, humidityHigh: relativeHumidity, days: 0 }, ...ahead];
}
