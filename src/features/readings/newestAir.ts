import "server-only";
import { and, asc, eq, inArray, sql, type SQL } from "drizzle-orm";
import { corrected, roomSource, type Air, type Calibration, type RoomAir } from "@/core/air";
import { calibration, sensor, type SensorKind } from "@/db/schema";
import { together, type StudioTransaction } from "@/server/inStudio";

/** A source of a room's readings with its newest one as read. */
export type SensorNow = {
  readonly id: string;
  readonly roomId: string;
  readonly name: string;
  readonly kind: SensorKind;
  readonly clockOffS: number;
  readonly since: number;
  readonly last: (Air & { readonly takenAtMs: number }) | null;
  readonly calibrations: readonly Calibration[];
};

/** The sources of some rooms (of all where none are named), each with its newest reading and calibrations. One look into the index a source. */
export async function sensorsNow(tx: StudioTransaction, rooms?: string | readonly string[]): Promise<SensorNow[]> {
  const roomIds = typeof rooms === "string" ? [rooms] : rooms;
  if (roomIds?.length === 0) return [];
  const newest = tx.execute<{
    id: string;
    room_id: string;
    name: string;
    kind: SensorKind;
    clock_off_s: number;
    since: number;
    taken_at: number | null;
    temperature_c: number;
    relative_humidity: number;
  }>(sql`
    select s.id, s.room_id, s.name, s.kind, s.clock_off_s, extract(epoch from s.created_at)::float8 * 1000 as since,
      extract(epoch from r.taken_at)::float8 * 1000 as taken_at, r.temperature_c, r.relative_humidity
    from ${sensor} s left join lateral (
      select taken_at, temperature_c, relative_humidity from studio.reading r
      where r.studio_id = s.studio_id and r.sensor_id = s.id order by r.taken_at desc limit 1) r on true
    ${roomIds ? sql`where ${inRooms(sql`s.room_id`, roomIds)}` : sql``}
    order by s.created_at, s.name`);
  const [{ rows }, known] = await together([newest, calibrationsIn(tx, roomIds)]);
  return rows.map((row) => ({
    id: row.id,
    roomId: row.room_id,
    name: row.name,
    kind: row.kind,
    clockOffS: row.clock_off_s,
    since: row.since,
    last:
      row.taken_at === null
        ? null
        : { takenAtMs: Math.round(row.taken_at), temperatureC: row.temperature_c, relativeHumidity: row.relative_humidity },
    calibrations: known.get(row.id) ?? [],
  }));
}

const inRooms = (column: SQL, roomIds: readonly string[]) =>
  sql`${column} in (${sql.join(
    roomIds.map((id) => sql`${id}::uuid`),
    sql`, `,
  )})`;

/** Calibrations of every sensor in some rooms (in all where none are named), oldest first, by sensor. */
async function calibrationsIn(tx: StudioTransaction, roomIds: readonly string[] | undefined): Promise<Map<string, Calibration[]>> {
  const rows = await tx
    .select({ calibration })
    .from(calibration)
    .innerJoin(sensor, and(eq(sensor.studioId, calibration.studioId), eq(sensor.id, calibration.sensorId)))
    .where(roomIds ? inArray(sensor.roomId, [...roomIds]) : undefined)
    .orderBy(asc(calibration.fromAt));
  const bySensor = new Map<string, Calibration[]>();
  for (const { calibration: one } of rows)
    bySensor.set(one.sensorId, [
      ...(bySensor.get(one.sensorId) ?? []),
      { fromMs: one.fromAt.getTime(), humidityOffset: one.humidityOffset, temperatureOffsetC: one.temperatureOffsetC },
    ]);
  return bySensor;
}

/** The air of a room from its sources. */
export function airOf(sources: readonly SensorNow[], nowMs: number): RoomAir | null {
  const heard = sources.flatMap((source) => (source.last ? [{ ...source, ...source.last }] : []));
  const source = roomSource(heard, nowMs);
  if (!source) return null;
  const { temperatureC, relativeHumidity } = corrected(source.last!, source.takenAtMs, source.calibrations);
  return {
    temperatureC,
    relativeHumidity,
    takenAt: new Date(source.takenAtMs).toISOString(),
    by: source.kind === "hand" ? "typed by hand" : source.name,
    sensorId: source.id,
  };
}

export async function newestAir(tx: StudioTransaction, roomId: string): Promise<RoomAir | null> {
  return airOf(await sensorsNow(tx, roomId), Date.now());
}

/** The sensor of a room that stands for a person or for files, made when it is first wanted. */
export async function ownSource(
  tx: StudioTransaction,
  studioId: string,
  roomId: string,
  kind: "hand" | "file",
  id: string,
): Promise<string> {
  const name = kind === "hand" ? "by hand" : "from files";
  await tx.insert(sensor).values({ studioId, id, roomId, name, kind }).onConflictDoNothing();
  const [row] = await tx
    .select({ id: sensor.id })
    .from(sensor)
    .where(and(eq(sensor.roomId, roomId), eq(sensor.kind, kind)));
  return row!.id;
}
