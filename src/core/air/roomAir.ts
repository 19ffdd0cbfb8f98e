import { FRESH_AIR_MS } from "./roomSource";
import type { Air } from "./schema";

/** The newest look at a room's air, put right by its sensor's calibration, and whose word it is. `takenAt` as ISO. */
export type RoomAir = Air & { readonly takenAt: string; readonly by: string; readonly sensorId: string };
/** A room with its newest air; null before the first reading. */
export type RoomWithAir = { readonly id: string; readonly name: string; readonly volumeM3: number; readonly air: RoomAir | null };

/** Whether a reading is of now: the one answer for every screen that says so, or judges by it. */
export const isOfNow = ({ takenAt }: Pick<RoomAir, "takenAt">, nowMs: number): boolean => nowMs - Date.parse(takenAt) < FRESH_AIR_MS;

/** The air of work that is done now: none where it was read too long ago. */
export function freshAir(air: RoomAir | null, nowMs: number): Air | null {
  return air && isOfNow(air, nowMs) ? { temperatureC: air.temperatureC, relativeHumidity: air.relativeHumidity } : null;
}

/** Air as it is shown everywhere: to a tenth of a degree and a whole per cent. Verdicts judge these figures. */
export const shownAir = (air: Air): Air => ({
  temperatureC: Math.round(air.temperatureC * 10) / 10,
  relativeHumidity: Math.round(air.relativeHumidity * 100) / 100,
});
