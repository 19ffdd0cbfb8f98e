import type { Air } from "./schema";

/** The newest look at a room's air, put right by its sensor's calibration, and whose word it is. `takenAt` as ISO. */
export type RoomAir = Air & { readonly takenAt: string; readonly by: string; readonly sensorId: string };
/** A room with its newest air; null before the first reading. */
export type RoomWithAir = { readonly id: string; readonly name: string; readonly volumeM3: number; readonly air: RoomAir | null };
