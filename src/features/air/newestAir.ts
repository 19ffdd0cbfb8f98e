import "server-only";
import { and, desc, eq } from "drizzle-orm";
import type { Air } from "@/core/air";
import { reading, sensor } from "@/db/schema";
import type { StudioTransaction } from "@/server/inStudio";

/** The newest look at a room's air. */
export type RoomAir = Air & { readonly takenAt: string; readonly by: string };

export async function newestAir(tx: StudioTransaction, roomId: string): Promise<RoomAir | null> {
  const [row] = await tx
    .select({ temperatureC: reading.temperatureC, relativeHumidity: reading.relativeHumidity, takenAt: reading.takenAt, by: sensor.name })
    .from(reading)
    .leftJoin(sensor, and(eq(sensor.studioId, reading.studioId), eq(sensor.id, reading.sensorId)))
    .where(eq(reading.roomId, roomId))
    .orderBy(desc(reading.takenAt))
    .limit(1);
  return row ? { ...row, takenAt: row.takenAt.toISOString(), by: row.by ?? "typed by hand" } : null;
}
