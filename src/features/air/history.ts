import "server-only";
import { sql, type SQL } from "drizzle-orm";
import {
  corrected,
  inOrderOfTrust,
  onePerMinute,
  outlook,
  readingFaults,
  sensorDrift,
  type Air,
  type Calibration,
  type DatedAir,
  type OutlookHour,
  type ReadingFault,
  type SensorDrift,
} from "@/core/air";
import type { AirAt } from "@/core/adhesive";
import type { StudioTransaction } from "@/server/inStudio";
import { clockIn, hourIn } from "@/server/studioTime";
import type { SensorNow } from "@/features/readings/newestAir";

/** Mean, lowest and highest of a stretch of readings, put right by calibration. */
export type HistoryPoint = Air & {
  readonly atMs: number;
  readonly temperatureLowC: number;
  readonly temperatureHighC: number;
  readonly humidityLow: number;
  readonly humidityHigh: number;
};
export type SensorHistory = { readonly id: string; readonly name: string; readonly points: readonly HistoryPoint[] };

type Row = {
  sensor_id: string;
  at: number;
  t: number;
  t_low: number;
  t_high: number;
  rh: number;
  rh_low: number;
  rh_high: number;
};

/** Points of every sensor between two moments: five minutes each for a day or so, an hour each beyond. Read from the roll-ups. */
export async function historyOf(tx: StudioTransaction, sensors: readonly SensorNow[], from: Date, to: Date): Promise<SensorHistory[]> {
  const fine = to.getTime() - from.getTime() <= 2 * 86_400_000;
  const rows = fine ? await binned(tx, sensors, from, to) : await hours(tx, sensors, from, to);
  return bySensor(sensors, rows);
}

const idsOf = (sensors: readonly { id: string }[]) =>
  sql`(${sql.join(
    sensors.map(({ id }) => sql`${id}::uuid`),
    sql`, `,
  )})`;

async function binned(tx: StudioTransaction, sensors: readonly SensorNow[], from: Date, to: Date): Promise<Row[]> {
  if (sensors.length === 0) return [];
  const { rows } = await tx.execute<Row>(sql`
    select sensor_id, extract(epoch from date_bin('5 minutes', at, '2000-01-01T00:00:00Z'))::float8 * 1000 as at,
      sum(temperature_c * readings) / sum(readings) as t, min(temperature_low_c)::float8 as t_low, max(temperature_high_c)::float8 as t_high,
      sum(relative_humidity * readings) / sum(readings) as rh, min(humidity_low)::float8 as rh_low, max(humidity_high)::float8 as rh_high
    from studio.reading_minute where sensor_id in ${idsOf(sensors)} and at >= ${from.toISOString()} and at < ${to.toISOString()}
    group by 1, 2 order by 1, 2`);
  return rows;
}

async function hours(tx: StudioTransaction, sensors: readonly SensorNow[], from: Date, to: Date): Promise<Row[]> {
  if (sensors.length === 0) return [];
  const { rows } = await tx.execute<Row>(sql`
    select sensor_id, extract(epoch from at)::float8 * 1000 as at, temperature_c::float8 as t, temperature_low_c::float8 as t_low, temperature_high_c::float8 as t_high,
      relative_humidity::float8 as rh, humidity_low::float8 as rh_low, humidity_high::float8 as rh_high
    from studio.reading_hour where sensor_id in ${idsOf(sensors)} and at >= ${from.toISOString()} and at < ${to.toISOString()} order by 1, 2`);
  return rows;
}

function bySensor(sensors: readonly SensorNow[], rows: readonly Row[]): SensorHistory[] {
  return sensors.map(({ id, name, calibrations }) => ({
    id,
    name,
    points: rows.filter((row) => row.sensor_id === id).map((row) => pointOf(row, calibrations)),
  }));
}

function pointOf(row: Row, calibrations: readonly Calibration[]): HistoryPoint {
  const at = (temperatureC: number, relativeHumidity: number) => corrected({ temperatureC, relativeHumidity }, row.at, calibrations);
  const [mean, low, high] = [at(row.t, row.rh), at(row.t_low, row.rh_low), at(row.t_high, row.rh_high)];
  return {
    atMs: row.at,
    ...mean,
    temperatureLowC: low.temperatureC,
    temperatureHighC: high.temperatureC,
    humidityLow: low.relativeHumidity,
    humidityHigh: high.relativeHumidity,
  };
}

/**
 * The air that each source told, oldest first, from rows of `sensor_id, at (ms), t, rh`. A row a source, not one a reading: of a
 * month of hours reading the rows took longer than finding them.
 */
async function seriesOf(tx: StudioTransaction, rows: SQL): Promise<ReadonlyMap<string, AirAt[]>> {
  const { rows: series } = await tx.execute<{ sensor_id: string; at: number[]; t: number[]; rh: number[] }>(sql`
    select sensor_id, array_agg(at order by at) as at, array_agg(t order by at) as t, array_agg(rh order by at) as rh
    from (${rows}) told group by sensor_id`);
  return new Map(
    series.map(({ sensor_id, at, t, rh }) => [sensor_id, at.map((atMs, i) => ({ atMs, temperatureC: t[i]!, relativeHumidity: rh[i]! }))]),
  );
}

/** What a source told, put right by its calibrations. */
const putRight = (told: ReadonlyMap<string, AirAt[]>, { id, calibrations }: Pick<SensorNow, "id" | "calibrations">): AirAt[] =>
  (told.get(id) ?? []).map(({ atMs, ...air }) => ({ atMs, ...corrected(air, atMs, calibrations) }));

/** Mean air of each hour of the last days, by source, as it was read. */
const hourMeans = (tx: StudioTransaction, sensors: readonly SensorNow[], days: number, now: Date) =>
  seriesOf(
    tx,
    sql`select sensor_id, extract(epoch from at)::float8 * 1000 as at, temperature_c::float8 as t, relative_humidity::float8 as rh
      from studio.reading_hour where sensor_id in ${idsOf(sensors)}
        and at >= ${new Date(now.getTime() - days * 86_400_000).toISOString()} and at < ${now.toISOString()}`,
  );

/** A day of one each five seconds. The limit also keeps the planner to the index, one look a source: it would read years otherwise. */
const NOT_ROLLED_UP_AT_MOST = 20_000;

/**
 * The room's air minute by minute, the most trusted source where several speak: for the day's trail and for the cure
 * ledger. Minutes not rolled up yet come from the readings themselves.
 */
export async function airByMinute(tx: StudioTransaction, sensors: readonly SensorNow[], from: Date, to: Date): Promise<AirAt[]> {
  if (sensors.length === 0) return [];
  const told = await seriesOf(
    tx,
    sql`select sensor_id, extract(epoch from at)::float8 * 1000 + 30000 as at, temperature_c::float8 as t, relative_humidity::float8 as rh
    from studio.reading_minute where sensor_id in ${idsOf(sensors)} and at >= ${from.toISOString()} and at < ${to.toISOString()}
    union all
    select s.id, extract(epoch from r.taken_at)::float8 * 1000, r.temperature_c, r.relative_humidity
    from unnest(array[${sql.join(
      sensors.map(({ id }) => sql`${id}::uuid`),
      sql`, `,
    )}]) as s(id)
    left join lateral (select m.at from studio.reading_minute m where m.sensor_id = s.id order by m.at desc limit 1) m on true
    cross join lateral (
      select taken_at, temperature_c, relative_humidity from studio.reading
      where sensor_id = s.id and taken_at >= greatest(m.at + interval '1 minute', ${from.toISOString()}) and taken_at < ${to.toISOString()}
      order by taken_at limit ${NOT_ROLLED_UP_AT_MOST}) r`,
  );
  return onePerMinute(inOrderOfTrust(sensors).map((sensor) => putRight(told, sensor)));
}

/** What the last hours show of each hygrometer: gaps, stuck stretches, spikes. As read, minute by minute, extremes kept. */
export async function faultsOf(
  tx: StudioTransaction,
  sensors: readonly SensorNow[],
  from: Date,
  now: Date,
): Promise<{ sensorId: string; faults: ReadingFault[] }[]> {
  const devices = sensors.filter(({ kind }) => kind === "device");
  if (devices.length === 0) return [];
  const told = await seriesOf(
    tx,
    sql`select sensor_id, extract(epoch from at)::float8 * 1000 as at,
      (case when temperature_high_c - temperature_c > temperature_c - temperature_low_c then temperature_high_c else temperature_low_c end)::float8 as t,
      (case when humidity_high - relative_humidity > relative_humidity - humidity_low then humidity_high else humidity_low end)::float8 as rh
    from studio.reading_minute where sensor_id in ${idsOf(devices)} and at >= ${from.toISOString()} and at < ${now.toISOString()}`,
  );
  return devices.map(({ id }) => ({
    sensorId: id,
    faults: readingFaults(
      (told.get(id) ?? []).map(({ atMs, ...air }): DatedAir => ({ takenAtMs: atMs, ...air })),
      now.getTime(),
    ),
  }));
}

const DRIFT_DAYS = 30;

/** Every two hygrometers of a room that have come apart in the last month. */
export async function driftsOf(
  tx: StudioTransaction,
  sensors: readonly SensorNow[],
  now: Date,
): Promise<{ a: string; b: string; drift: SensorDrift }[]> {
  const devices = sensors.filter(({ kind }) => kind === "device");
  if (devices.length < 2) return [];
  const told = await hourMeans(tx, devices, DRIFT_DAYS, now);
  const histories = devices.map((device) => ({ name: device.name, points: putRight(told, device) }));
  return histories.flatMap((first, i) =>
    histories.slice(i + 1).flatMap((second) => {
      const at = new Map(second.points.map((point) => [point.atMs, point]));
      const pairs = first.points.flatMap((point) => {
        const other = at.get(point.atMs);
        return other
          ? [
              {
                atMs: point.atMs,
                humidityApart: other.relativeHumidity - point.relativeHumidity,
                temperatureApartC: other.temperatureC - point.temperatureC,
              },
            ]
          : [];
      });
      const drift = sensorDrift(pairs);
      return drift ? [{ a: first.name, b: second.name, drift }] : [];
    }),
  );
}

const OUTLOOK_DAYS = 21;
const UNTIL_HOUR = 20;

/** The room's hours ahead today, from the same hours of the last three weeks. */
export async function outlookOf(
  tx: StudioTransaction,
  sensors: readonly SensorNow[],
  air: Air | null,
  timeZone: string,
  now: Date,
): Promise<OutlookHour[]> {
  const main = inOrderOfTrust(sensors)[0];
  if (!main) return [];
  const told = await hourMeans(tx, [main], OUTLOOK_DAYS, now);
  const onTheClock = clockIn(timeZone);
  const today = onTheClock(now.getTime()).day;
  const past = putRight(told, main)
    .map(({ atMs, temperatureC, relativeHumidity }) => {
      const { day, hour } = onTheClock(atMs);
      return { day, hour, temperatureC, relativeHumidity };
    })
    .filter(({ day }) => day !== today);
  const nowHour = hourIn(timeZone, now);
  return outlook(past, air ? { temperatureC: air.temperatureC, relativeHumidity: air.relativeHumidity } : null, nowHour, UNTIL_HOUR);
}
