import { randomFrom, SCENARIOS } from "./scenarios.mjs";

/**
 * A made-up hygrometer: reads no sensor, but speaks the real intake (see docs/formats.md) and nothing else.
 *
 *   IVY_INTAKE=http://127.0.0.1:4100/api/intake/readings IVY_TOKEN=… node simulators/hygrometer.mjs
 *
 * | setting        | meaning                                                                                  |
 * |----------------|------------------------------------------------------------------------------------------|
 * | IVY_EVERY_S    | seconds between readings (10)                                                            |
 * | IVY_SCENARIO   | day, winter, fog, humidifier, stuck, gap, old (day); simulators/scenarios.mjs            |
 * | IVY_SPEED      | how many times faster than the clock the scenario runs (1); readings keep the real time  |
 * | IVY_SEED       | the same seed and settings give the same figures (1)                                     |
 * | IVY_HOUR       | the hour of the day it acts to be when it starts, else the clock's                       |
 * | IVY_KEPT_H     | hours of readings it kept before it was started, one in five minutes, handed in first    |
 * | IVY_CLOCK_OFF_S| how far its own clock runs ahead (0); it says with every batch what time it believes     |
 *
 * What it could not hand in it keeps, and hands in again as it was, with the next.
 */
const { env } = process;
const number = (name, usual) => {
  const value = Number(env[name] ?? usual);
  if (!Number.isFinite(value)) throw new Error(`${name} is a number.`);
  return value;
};
const intake = env.IVY_INTAKE;
const token = env.IVY_TOKEN;
if (!intake || !token) throw new Error("IVY_INTAKE and IVY_TOKEN are needed.");
const scenario = SCENARIOS[env.IVY_SCENARIO ?? "day"];
if (!scenario) throw new Error(`IVY_SCENARIO is one of ${Object.keys(SCENARIOS).join(", ")}.`);
const everyS = number("IVY_EVERY_S", 10);
const speed = number("IVY_SPEED", 1);
const clockOffMs = number("IVY_CLOCK_OFF_S", 0) * 1000;
const random = randomFrom(number("IVY_SEED", 1));

const started = Date.now();
const startedHour = env.IVY_HOUR === undefined ? new Date().getHours() + new Date().getMinutes() / 60 : number("IVY_HOUR", 0);
let last = null;

/** What it shows so many of the scenario's minutes after it began, with the fine noise of a sensor. */
function sense(atMs, minutes) {
  const hour = (((startedHour + minutes / 60) % 24) + 24) % 24;
  const [temperatureC, relativeHumidity] = scenario.air(hour, Math.max(0, minutes));
  const noise = () => random() - 0.5;
  if (scenario.fault?.(minutes) !== "stuck" || last === null)
    last = {
      temperatureC: Math.round((temperatureC + 0.03 * noise()) * 100) / 100,
      relativeHumidity: Math.round((relativeHumidity + 0.003 * noise()) * 10_000) / 10_000,
    };
  return { takenAt: new Date(atMs + clockOffMs).toISOString(), ...last };
}

const FIVE_MINUTES = 300_000;
// On the five minutes, so that starting twice hands in the same times and not others beside them.
const earlier = Math.floor((number("IVY_KEPT_H", 0) * 3_600_000) / FIVE_MINUTES);
let kept = Array.from({ length: earlier }, (_, i) =>
  sense((Math.floor(started / FIVE_MINUTES) - earlier + i) * FIVE_MINUTES, (i - earlier) * 5),
);
let sending = false;
// Counted, not read off the clock: the same seed and settings give the same figures.
let ticks = 0;

async function report() {
  const minutes = ((ticks++ * everyS) / 60) * speed;
  kept.push(sense(Date.now(), minutes));
  kept = kept.slice(-20_000);
  if (sending || scenario.fault?.(minutes) === "silent") return;
  sending = true;
  try {
    while (kept.length > 0) {
      const batch = kept.slice(0, 500);
      const response = await fetch(intake, {
        method: "POST",
        headers: { "content-type": "application/json", authorization: `Bearer ${token}` },
        body: JSON.stringify({ sentAt: new Date(Date.now() + clockOffMs).toISOString(), readings: batch }),
      });
      if (response.status === 401) console.error("hygrometer: the token is not known (any more).");
      // What is refused for good is told once and let go: sent again it would be refused again, with all that waits behind it.
      if (response.status === 400) console.error(`hygrometer: refused, ${(await response.json()).message}`);
      else if (!response.ok) break;
      kept = kept.slice(batch.length);
    }
  } catch {
    // The app is not there just now: kept for the next round.
  } finally {
    sending = false;
  }
}
await report();
setInterval(report, everyS * 1000);
process.on("SIGTERM", () => process.exit(0));
