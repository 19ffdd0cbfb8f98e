import { airAfter, roomPlan, type Air, type OutlookHour, type Range, type RoomTraits } from "../air";
import type { BottleFitness } from "./bottleFitness";
import type { Adhesive } from "./schema";
import { windowVerdict } from "./windowVerdict";

/** A visit of the day that glue is wanted for; its hour on the studio's clock. */
export type DayVisit = { readonly id: string; readonly startHour: number };

export type RoomStart = {
  readonly visitId: string;
  /** The bottle to take, and how it will stand if nothing is done. */
  readonly bottleId: string | null;
  readonly expectedAir: Air;
  readonly needs: null | {
    readonly target: Air;
    /** Hour to switch on, so that even slow walls are there in time; null when this room's machines cannot. */
    readonly switchOnHour: number | null;
    readonly machine: "humidifier" | "dehumidifier" | "heater";
    readonly minutes: Range | null;
    readonly settlesAt: number;
  };
};

/**
 * For each visit: which bottle its air will want, and when to switch what on so that the room is there at its start.
 * `fitnessIn` says how a bottle stands in an air for a visit; the best by rank is taken, a fitting one first. A room already
 * brought to a target for an earlier visit is taken to be kept there.
 */
export function startRoom<B extends { readonly id: string; readonly adhesive: Adhesive }>(
  visits: readonly DayVisit[],
  ahead: readonly OutlookHour[],
  now: Air,
  nowHour: number,
  room: { readonly volumeM3: number; readonly traits: RoomTraits },
  bottles: readonly B[],
  fitnessIn: (bottle: B, air: Air, visitId: string) => BottleFitness,
  people: number,
): RoomStart[] {
  let kept: Air | null = null;
  return [...visits]
    .sort((a, b) => a.startHour - b.startHour)
    .map(({ id, startHour }) => {
      const expectedAir: Air = kept ?? airAtHour(ahead, now, nowHour, startHour, room, people);
      const best = bottles
        .map((bottle) => ({ bottle, fitness: fitnessIn(bottle, expectedAir, id) }))
        .sort((a, b) => Number(b.fitness.fits) - Number(a.fitness.fits) || a.fitness.rank - b.fitness.rank)[0];
      if (!best || best.fitness.verdict?.inWindow) return { visitId: id, bottleId: best?.bottle.id ?? null, expectedAir, needs: null };
      const target = windowTarget(best.bottle.adhesive, expectedAir, room.volumeM3);
      const plan = roomPlan(room, expectedAir, target, people);
      const heat = plan.heat.degrees > 0 ? plan.heat.minutes : plan.heat.degrees < 0 ? null : 0;
      // People alone may damp a room in time, but there is nothing to switch on for it.
      const rate = plan.by === "humidifier" ? room.traits.humidifierGPerH : room.traits.dehumidifierGPerH;
      const water = plan.by === "nothing" ? { low: 0, high: 0 } : rate > 0 ? plan.minutes : null;
      // Warming and watering go on side by side; the slower one decides.
      const minutes = heat === null || water === null ? null : { low: Math.max(heat, water.low), high: Math.max(heat, water.high) };
      if (minutes) kept = target;
      return {
        visitId: id,
        bottleId: best.bottle.id,
        expectedAir,
        needs: {
          target,
          switchOnHour: minutes ? startHour - minutes.high / 60 : null,
          machine: plan.by === "nothing" ? "heater" : plan.by,
          minutes,
          settlesAt: plan.settlesAt,
        },
      };
    });
}

/** The outlook's air at an hour; beyond what is known, the air now left to the room. */
function airAtHour(
  ahead: readonly OutlookHour[],
  now: Air,
  nowHour: number,
  hour: number,
  room: { readonly volumeM3: number; readonly traits: RoomTraits },
  people: number,
): Air {
  if (hour <= nowHour) return now;
  const atHour = ahead.find((one) => one.hour === Math.floor(hour));
  if (atHour) return { temperatureC: atHour.temperatureC, relativeHumidity: atHour.relativeHumidity };
  return airAfter(room, now, (hour - nowHour) * 60, { people, addedGPerH: 0, degreesPerH: 0 });
}

/** The nearest air well inside a bottle's window. */
export function windowTarget(adhesive: Adhesive, air: Air, volumeM3: number): Air {
  return windowVerdict(adhesive, air, volumeM3).advice.reduce<Air>((reached, advice, i, all) => {
    // A second way with the temperature already right is an alternative, not a further step.
    if (i > 0 && all[0]!.kind === "water") return reached;
    return advice.kind === "water"
      ? { temperatureC: advice.atTemperatureC, relativeHumidity: advice.toHumidity }
      : { temperatureC: advice.toTemperatureC, relativeHumidity: advice.toHumidity };
  }, air);
}
