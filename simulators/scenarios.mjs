/**
 * Courses of a room's air for the made-up hygrometer: hour of the day in, °C and fraction out. `minutes` is the scenario's
 * own time since it began. What a scenario does to the device itself (stuck, silent) stands in `fault`.
 */
const heaterOn = (hour, from = 10.6) => 1 / (1 + Math.exp(-(hour - from) * 1.5));
const swing = (minutes, period) => Math.sin((2 * Math.PI * minutes) / period);

export const SCENARIOS = {
  /** Damp before ten, then a heater that dries the room. */
  day: {
    air: (hour, minutes) => [
      18.6 + 4.3 * heaterOn(hour) + 0.15 * swing(minutes, 25),
      0.615 - 0.245 * heaterOn(hour) - 0.008 * swing(minutes, 25),
    ],
  },
  /** A heated room on a frosty day. */
  winter: {
    air: (hour, minutes) => [
      20.5 + 2.5 * heaterOn(hour, 8) + 0.2 * swing(minutes, 40),
      0.34 - 0.1 * heaterOn(hour, 8) + 0.004 * swing(minutes, 11),
    ],
  },
  /** Fog from the sea creeps in over an hour and stays. */
  fog: {
    air: (hour, minutes) => [
      19.2 - 0.8 * Math.min(1, minutes / 60),
      0.58 + 0.26 * (1 - Math.exp(-minutes / 35)) + 0.006 * swing(minutes, 9),
    ],
  },
  /** A humidifier that switches itself on at 42 % and off at 50 %: up in twenty minutes, down in forty. */
  humidifier: {
    air: (_, minutes) => {
      const at = minutes % 60;
      const share = at < 20 ? (1 - Math.exp(-at / 9)) / (1 - Math.exp(-20 / 9)) : Math.exp(-(at - 20) / 16);
      return [22 - 0.6 * share, 0.42 + 0.08 * Math.max(0, share)];
    },
  },
  /** A quarter of an hour well, then the same figures for ever. */
  stuck: { air: (hour, minutes) => SCENARIOS.day.air(hour, minutes), fault: (minutes) => (minutes > 15 ? "stuck" : null) },
  /** Every hour the network is away for twenty minutes; the readings are kept and come late. */
  gap: {
    air: (hour, minutes) => SCENARIOS.day.air(hour, minutes),
    fault: (minutes) => (minutes % 60 >= 30 && minutes % 60 < 50 ? "silent" : null),
  },
  /** As the day, but an old sensor: four and a half points too dry. */
  old: { air: (hour, minutes) => SCENARIOS.day.air(hour, minutes).map((value, i) => (i === 1 ? value - 0.045 : value + 0.2)) },
};

/** Numbers 0..1 that are the same for the same seed (mulberry32). */
export function randomFrom(seed) {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}
