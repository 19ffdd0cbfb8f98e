import { clamp } from "../units";
import { airDensityKgM3 } from "./airDensity";
import { dewPointC } from "./dewPoint";
import { humidityFrom } from "./humidityFrom";
import { pressureAtAltitudePa } from "./pressure";
import { densityAfterGm3, hoursToDensity, steadyStateGm3, waterBalance } from "./roomBalance";
import type { RoomTraits } from "./roomTraits";
import type { Air } from "./schema";
import { vapourDensityGm3 } from "./vapourDensity";
import { wetBulbC } from "./wetBulb";

/** Walls and linen take part of the water: from none of it to as much as the air itself. A model of this product. */
export const WALLS_HOLD = [1, 2] as const;
/** Furniture and the near side of the walls warm and cool along with the air, times its own heat. A model of this product. */
const HEAT_WITH_THE_AIR = 6;
/** Heat that evaporating water takes from the air, kJ/g (at room temperature; steam tables). */
export const EVAPORATION_KJ_PER_G = 2.45;
const AIR_KJ_PER_KG_K = 1.006;
/** How much of the way from inside to outside the inner pane's face lies. From memory: pane's U-value times 0.13 m²K/W. */
const PANE = { single: 0.74, double: 0.36 } as const;
/** Near enough to a wished humidity to leave it. */
const NEAR = { relativeHumidity: 0.005, temperatureC: 0.1 };

export type Range = { readonly low: number; readonly high: number };

/** What it takes to bring a room to a wished air. */
export type RoomPlan = {
  /** Water for the air alone, g; negative is out of it. */
  readonly grams: number;
  readonly by: "humidifier" | "dehumidifier" | "nothing";
  /** Minutes with this machine at this air change, from walls that hold nothing to walls that hold as much again; null when it cannot. */
  readonly minutes: Range | null;
  /** Water it puts in (or takes out) in that time, g: what leaves with the air has to be put in as well. */
  readonly throughG: Range | null;
  /** Humidity this machine comes to if it is left running, at the wished temperature. */
  readonly settlesAt: number;
  readonly heat: {
    readonly degrees: number;
    /** Minutes of heating; null when there is no heater, or the room is to be cooler. */
    readonly minutes: number | null;
    /** Humidity if only the warmth is changed. */
    readonly aloneGives: number;
  };
  /** What cool mist takes from the air: as watts while it runs, and degrees for the grams, no further than the wet bulb. */
  readonly mist: { readonly watts: number; readonly degrees: number } | null;
  /** Dew (or frost) that the wished air would leave on the window; null when it stays dry. */
  readonly glass: { readonly kind: "dew" | "frost"; readonly paneC: number; readonly dewPointC: number } | null;
};

/**
 * Grams, minutes and whether this room's machines get there: exponential approach at the room's air change.
 * Rough by nature (walls, doors, weather), and given as a range.
 */
export function roomPlan(
  room: { readonly volumeM3: number; readonly traits: RoomTraits },
  air: Air,
  target: Air,
  people: number,
): RoomPlan {
  const { volumeM3, traits } = room;
  const degrees = target.temperatureC - air.temperatureC;
  const near = Math.abs(degrees) < NEAR.temperatureC;
  const now = vapourDensityGm3(air);
  const wanted = vapourDensityGm3(target);
  const aloneGives = Math.min(1, humidityFrom(now, target.temperatureC));
  const off = target.relativeHumidity - aloneGives;
  const by = Math.abs(off) < NEAR.relativeHumidity ? "nothing" : off > 0 ? "humidifier" : "dehumidifier";
  const rate = by === "humidifier" ? traits.humidifierGPerH : by === "dehumidifier" ? -traits.dehumidifierGPerH : 0;
  const balance = waterBalance(traits, volumeM3, target.temperatureC, { people, addedGPerH: rate });
  const hours = by === "nothing" ? [0, 0] : WALLS_HOLD.map((store) => hoursToDensity(now, wanted, balance, store));
  const [low, high] = hours as [number | null, number | null];
  const grams = volumeM3 * (wanted - now);
  return {
    grams,
    by,
    minutes: low === null || high === null ? null : { low: low * 60, high: high * 60 },
    throughG: low === null || high === null || rate === 0 ? null : { low: Math.abs(rate) * low, high: Math.abs(rate) * high },
    settlesAt: clamp(humidityFrom(steadyState(balance, now), target.temperatureC), 0, 1),
    heat: {
      degrees: near ? 0 : degrees,
      minutes: near ? 0 : degrees > 0 && traits.heaterCPerH > 0 ? (degrees / traits.heaterCPerH) * 60 : null,
      aloneGives,
    },
    mist: by === "humidifier" && !traits.humidifierWarm && rate > 0 ? mist(air, grams, rate, volumeM3, traits.altitudeM) : null,
    glass: dewOnGlass(target, traits),
  };
}

/** Where it settles; a sealed room with nothing running stays where it is. */
function steadyState(balance: ReturnType<typeof waterBalance>, nowGm3: number): number {
  const end = steadyStateGm3(balance);
  return Number.isNaN(end) ? nowGm3 : Math.min(end, 1e6);
}

function mist(air: Air, grams: number, rateGPerH: number, volumeM3: number, altitudeM: number) {
  const pressurePa = pressureAtAltitudePa(altitudeM);
  const kjPerK = volumeM3 * airDensityKgM3(air, pressurePa) * AIR_KJ_PER_KG_K * HEAT_WITH_THE_AIR;
  const most = air.temperatureC - wetBulbC(air, pressurePa);
  return {
    watts: (rateGPerH * EVAPORATION_KJ_PER_G * 1000) / 3600,
    degrees: Math.min(most, (Math.max(0, grams) * EVAPORATION_KJ_PER_G) / kjPerK),
  };
}

/** Would this air bedew the room's windows? */
export function dewOnGlass(air: Air, { glazing, outside }: Pick<RoomTraits, "glazing" | "outside">): RoomPlan["glass"] {
  const paneC = air.temperatureC - PANE[glazing] * (air.temperatureC - outside.temperatureC);
  const dew = dewPointC(air);
  return dew > paneC ? { kind: paneC < 0 ? "frost" : "dew", paneC, dewPointC: dew } : null;
}

/** The room's air so many minutes from now if one machine runs, walls taken as half way; for drawing the way there. */
export function airAfter(
  room: { readonly volumeM3: number; readonly traits: RoomTraits },
  air: Air,
  minutes: number,
  { people, addedGPerH, degreesPerH }: { people: number; addedGPerH: number; degreesPerH: number },
): Air {
  const temperatureC = air.temperatureC + (degreesPerH * minutes) / 60;
  const balance = waterBalance(room.traits, room.volumeM3, temperatureC, { people, addedGPerH });
  const store = (WALLS_HOLD[0] + WALLS_HOLD[1]) / 2;
  const density = densityAfterGm3(vapourDensityGm3(air), balance, minutes / 60, store);
  return { temperatureC, relativeHumidity: clamp(humidityFrom(density, temperatureC), 0.001, 1) };
}
