import { FRESH_AIR_MS } from "./roomSource";
import type { Air } from "./schema";

/** The newest look at a room's air, put right by its sensor's calibration, and whose word it is. `takenAt` as ISO. */
export type RoomAir = Air & { readonly takenAt: string; readonly by: string; readonly sensorId: string };
/** A room with its newest air; null before the first reading. */
export type RoomWithAir = { readonly id: string; readonly name: string; readonly volumeM3: number; readonly air: RoomAir | null };

/** The air of work that is done now: none where it was read too long ago. */
export function freshAir(air: RoomAir | null, nowMs: number): Air | null {
  if (!air || nowMs - Date.parse(air.takenAt) >= FRESH_AIR_MS) return null;
  return { temperatureC: air.temperatureC, relativeHumidity: air.relativeHumidity };
}
