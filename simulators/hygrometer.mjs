/**
 * A made-up hygrometer: reads no sensor, but speaks the real intake (see docs/formats.md) and nothing else.
 *
 *   IVY_INTAKE=http://127.0.0.1:4100/api/intake/readings IVY_TOKEN=… node simulators/hygrometer.mjs
 *
 * Settings: IVY_EVERY_S seconds between readings (10); IVY_HOUR the hour of the day it acts to be now, else the
 * clock's; IVY_KEPT_H hours of readings it kept before it was started, one in five minutes, handed in first.
 * What it could not hand in it keeps and tries again with the next.
 */
const intake = process.env.IVY_INTAKE;
const token = process.env.IVY_TOKEN;
const everyS = Number(process.env.IVY_EVERY_S ?? 10);
if (!intake || !token) throw new Error("IVY_INTAKE and IVY_TOKEN are needed.");

const started = Date.now();

/** Damp before ten, then a heater that dries the room, with a slow wander of its own. */
function sense(now) {
  const hoursAgo = (started - now) / 3_600_000;
  const hour =
    process.env.IVY_HOUR === undefined ? now.getHours() + now.getMinutes() / 60 : Number(process.env.IVY_HOUR) - Math.max(0, hoursAgo);
  const heated = 1 / (1 + Math.exp(-(hour - 10.6) * 1.5));
  const wander = Math.sin(now.getTime() / 240_000);
  return {
    takenAt: now.toISOString(),
    temperatureC: Math.round((18.6 + 4.3 * heated + 0.15 * wander) * 100) / 100,
    relativeHumidity: Math.round((0.615 - 0.245 * heated - 0.008 * wander) * 1000) / 1000,
  };
}

const FIVE_MINUTES = 300_000;
// On the five minutes, so that starting twice hands in the same readings and not others beside them.
const earlier = Math.floor((Number(process.env.IVY_KEPT_H ?? 0) * 3_600_000) / FIVE_MINUTES);
let kept = Array.from({ length: earlier }, (_, i) => sense(new Date((Math.floor(started / FIVE_MINUTES) - earlier + i) * FIVE_MINUTES)));
async function report() {
  kept.push(sense(new Date()));
  kept = kept.slice(-5000);
  try {
    const response = await fetch(intake, {
      method: "POST",
      headers: { "content-type": "application/json", authorization: `Bearer ${token}` },
      body: JSON.stringify({ readings: kept.slice(0, 500) }),
    });
    if (response.ok) kept = kept.slice(500);
    else if (response.status === 401) console.error("hygrometer: the token is not known (any more).");
  } catch {
    // The app is not there just now: kept for the next round.
  }
}
await report();
setInterval(report, everyS * 1000);
process.on("SIGTERM", () => process.exit(0));
