import { clamp } from "../units";
import { humidityFrom } from "./humidityFrom";
import type { Air } from "./schema";
import { vapourDensityGm3 } from "./vapourDensity";

/** Mean air of one hour of one past day; hour 0..23 on the studio's clock. */
export type HourAir = Air & { readonly day: string; readonly hour: number };
/** Where the air will likely be in an hour to come, with the range that holds four times in five. */
export type OutlookHour = Air & {
  readonly hour: number;
  readonly humidityLow: number;
  readonly humidityHigh: number;
  readonly days: number;
};

/** Models of this product: how long today's departure from the usual lasts, and what is not known at best. */
const DEPARTURE_LASTS_H = 5;
const LEAST_DAYS = 3;
const LEAST_SPREAD = 0.015;
const EIGHTY_PER_CENT = 1.2816;

/**
 * The hours ahead, from the same hours of past days: their mean, moved by what today departs from the usual now, that
 * departure fading. Hours with fewer than three days behind them are left out.
 */
export function outlook(past: readonly HourAir[], now: Air | null, nowHour: number, untilHour: number): OutlookHour[] {
  const thisHour = Math.floor(nowHour);
  const usualNow = ofHour(past, thisHour);
  const departure =
    now && usualNow
      ? { water: vapourDensityGm3(now) - usualNow.water, temperatureC: now.temperatureC - usualNow.temperatureC }
      : { water: 0, temperatureC: 0 };
  return Array.from({ length: Math.max(0, untilHour - thisHour) }, (_, i) => thisHour + 1 + i).flatMap((hour) => {
    const usual = ofHour(past, hour);
    if (!usual) return [];
    const left = Math.exp(-(hour - nowHour) / DEPARTURE_LASTS_H);
    const temperatureC = usual.temperatureC + left * departure.temperatureC;
    const relativeHumidity = clamp(humidityFrom(usual.water + left * departure.water, temperatureC), 0.01, 1);
    // Known air narrows what is near; far hours are as wide as the past days were.
    const spread = Math.max(LEAST_SPREAD, usual.humiditySd * Math.sqrt(1 - (now ? left ** 2 : 0))) * EIGHTY_PER_CENT;
    return [
      {
        hour,
        temperatureC,
        relativeHumidity,
        humidityLow: clamp(relativeHumidity - spread, 0.01, 1),
        humidityHigh: clamp(relativeHumidity + spread, 0.01, 1),
        days: usual.days,
      },
    ];
  });
}

function ofHour(past: readonly HourAir[], hour: number) {
  const same = past.filter((one) => one.hour === hour);
  if (same.length < LEAST_DAYS) return null;
  const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
  const humidity = same.map((one) => one.relativeHumidity);
  const meanHumidity = mean(humidity);
  return {
    days: same.length,
    water: mean(same.map(vapourDensityGm3)),
    temperatureC: mean(same.map((one) => one.temperatureC)),
    humiditySd: Math.sqrt(humidity.reduce((sum, value) => sum + (value - meanHumidity) ** 2, 0) / (same.length - 1)),
  };
}
