/**
 * A made-up hygrometer: reads no sensor, but speaks the real intake (see docs/formats.md) and nothing else.
 *
 *   IVY_INTAKE=http://127.0.0.1:4100/api/intake/readings IVY_TOKEN=… node simulators/hygrometer.mjs
 *
 * Settings: IVY_EVERY_S seconds between readings (10); IVY_HOUR a fixed hour of the day to act, else the clock's.
 * What it could not hand in it keeps and tries again with the next.
 */
const intake = process.env.IVY_INTAKE;
const token = process.env.IVY_TOKEN;
const everyS = Number(process.env.IVY_EVERY_S ?? 10);
if (!intake || !token) throw new Error("IVY_INTAKE and IVY_TOKEN are needed.");

/** Damp before ten, then a heater that dries the room, with a slow wander of its own. */
function sense(now) {
  const hour = process.env.IVY_HOUR === undefined ? now.getHours() + now.getMinutes() / 60 : Number(process.env.IVY_HOUR);
  const heated = 1 / (1 + Math.exp(-(hour - 10.6) * 1.5));
  const wander = Math.sin(now.getTime() / 240_000);
  return {
    takenAt: now.toISOString(),
    temperatureC: Math.round((18.6 + 4.3 * heated + 0.15 * wander) * 100) / 100,
    relativeHumidity: Math.round((0.615 - 0.245 * heated - 0.008 * wander) * 1000) / 1000,
  };
}

let kept = [];
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
