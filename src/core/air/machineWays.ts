import { airAfter } from "./roomPlan";
import type { RoomTraits } from "./roomTraits";
import type { Air } from "./schema";

/** Where one machine, left running alone, takes the room: air every few minutes from now on. */
export type MachineWay = { readonly machine: "humidifier" | "dehumidifier" | "heater"; readonly points: readonly Air[] };

/** A way for each machine that the room has. `points[i]` is `i · everyMinutes` from now. */
export function machineWays(
  room: { readonly volumeM3: number; readonly traits: RoomTraits },
  air: Air,
  people: number,
  { minutes, everyMinutes }: { minutes: number; everyMinutes: number },
): MachineWay[] {
  const { humidifierGPerH, dehumidifierGPerH, heaterCPerH } = room.traits;
  const machines = [
    { machine: "humidifier", addedGPerH: humidifierGPerH, degreesPerH: 0 },
    { machine: "dehumidifier", addedGPerH: -dehumidifierGPerH, degreesPerH: 0 },
    { machine: "heater", addedGPerH: 0, degreesPerH: heaterCPerH },
  ] as const;
  return machines
    .filter(({ addedGPerH, degreesPerH }) => addedGPerH !== 0 || degreesPerH !== 0)
    .map(({ machine, ...running }) => ({
      machine,
      points: Array.from({ length: Math.floor(minutes / everyMinutes) + 1 }, (_, i) =>
        airAfter(room, air, i * everyMinutes, { people, ...running }),
      ),
    }));
}
