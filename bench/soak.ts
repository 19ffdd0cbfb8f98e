import { createHash, randomUUID } from "node:crypto";
import { readFileSync } from "node:fs";
import pg from "pg";
import { median, printTable, ratioOf, type Row } from "./measure";

/** Ten minutes of intake, as fast as the rate limit of eight hygrometers lets it, and what the app's heap does meanwhile. */
const { IVY_BENCH_URL: url, IVY_BENCH_OWNER: ownerUrl, IVY_BENCH_HEAP: heapFile } = process.env;
if (!url || !ownerUrl || !heapFile) throw new Error("IVY_BENCH_URL, IVY_BENCH_OWNER and IVY_BENCH_HEAP are needed.");
const MINUTES = Number(process.env.IVY_BENCH_MINUTES ?? 10);
const DEVICES = 8;

const db = new pg.Client({ connectionString: ownerUrl });
await db.connect();
const { rows } = await db.query<{ studio_id: string; id: string }>("select studio_id, id from studio.room where name = 'Front room'");
const { studio_id: studioId, id: roomId } = rows[0]!;
const tokens: string[] = [];
for (let i = 0; i < DEVICES; i++) {
  const [id, token] = [randomUUID(), `ivy_${randomUUID()}`];
  await db.query("insert into studio.sensor (studio_id, id, room_id, name) values ($1, $2, $3, $4)", [studioId, id, roomId, `Soak ${i}`]);
  await db.query("insert into device.token (hash, studio_id, sensor_id) values ($1, $2, $3)", [
    createHash("sha256").update(token).digest("hex"),
    studioId,
    id,
  ]);
  tokens.push(token);
}
await db.end();

// Other parts of the bench may have used this app before.
const loggedBefore = readFileSync(heapFile, "utf8").length;
const end = Date.now() + MINUTES * 60_000;
let [sent, slowed] = [0, 0];
await Promise.all(
  tokens.map(async (token, device) => {
    let at = Date.now() - 200 * 86_400_000 + device;
    while (Date.now() < end) {
      const readings = Array.from({ length: 100 }, () => ({
        takenAt: new Date((at += 10_000)).toISOString(),
        temperatureC: 21,
        relativeHumidity: 0.45,
      }));
      const answer = await fetch(`${url}/api/intake/readings`, {
        method: "POST",
        headers: { authorization: `Bearer ${token}`, "content-type": "application/json" },
        body: JSON.stringify({ readings }),
      });
      await answer.arrayBuffer();
      if (answer.ok) sent += readings.length;
      else slowed += 1;
      await new Promise((resolve) => setTimeout(resolve, answer.ok ? 520 : 2000));
    }
  }),
);
// The app logs its heap (IVY_LOG=debug) every twenty seconds.
const heap = readFileSync(heapFile, "utf8")
  .slice(loggedBefore)
  .split("\n")
  .flatMap((line) => {
    const match = /"heapMB":([\d.]+)/.exec(line);
    return match ? [Number(match[1])] : [];
  });
// Between collections it saws up and down: what stays after them is the lowest look, what is usual the median.
const third = Math.floor(heap.length / 3);
const [first, last] = [heap.slice(0, third), heap.slice(-third)];
const row = (what: string, of: (looks: readonly number[]) => number): Row => ({
  what: `${what} of the last third, over the first (${heap.length} looks)`,
  ours: `${of(last).toFixed(0)} MB`,
  yardstick: `${of(first).toFixed(0)} MB`,
  ratio: ratioOf(of(last), of(first)),
});
printTable(`Heap over ${MINUTES} minutes of intake, ${sent.toLocaleString("en-GB")} readings, ${slowed} batches slowed down`, [
  row("lowest", (looks) => Math.min(...looks)),
  row("median", median),
]);
