import { spawn, type ChildProcess } from "node:child_process";
import { createServer, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { readingBatchSchema } from "@/features/air/readingBatch";

// The simulated hygrometer against an intake of our own, checked by the real intake's schema.
type Batch = {
  token: string | undefined;
  sentAt: string | undefined;
  readings: { takenAt: string; temperatureC: number; relativeHumidity: number }[];
};
let batches: Batch[];
let status: number;
let server: Server;
let device: ChildProcess;

beforeEach(async () => {
  batches = [];
  status = 200;
  server = createServer((request, response) => {
    const chunks: Buffer[] = [];
    request.on("data", (chunk: Buffer) => chunks.push(chunk));
    request.on("end", () => {
      const body = readingBatchSchema(Date.now()).parse(JSON.parse(Buffer.concat(chunks).toString()));
      batches.push({ token: request.headers.authorization, sentAt: body.sentAt, readings: body.readings });
      response.writeHead(status, { "content-type": "application/json" }).end("{}");
    });
  });
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
});
/** Ends the device, unless it has ended by itself. */
async function end() {
  if (device.exitCode !== null || device.signalCode !== null) return;
  const gone = new Promise((resolve) => device.once("exit", resolve));
  device.kill();
  await gone;
}
afterEach(async () => {
  await end();
  server.closeAllConnections();
  await new Promise((resolve) => server.close(resolve));
});

function start(env: Record<string, string>) {
  const { port } = server.address() as AddressInfo;
  device = spawn(process.execPath, ["simulators/hygrometer.mjs"], {
    env: {
      ...process.env,
      IVY_INTAKE: `http://127.0.0.1:${port}/api/intake/readings`,
      IVY_TOKEN: "t".repeat(24),
      IVY_EVERY_S: "0.2",
      ...env,
    },
    stdio: "ignore",
  });
}
async function until(done: () => boolean) {
  const end = Date.now() + 20_000;
  while (!done()) {
    if (Date.now() > end) throw new Error("It never came.");
    await new Promise((resolve) => setTimeout(resolve, 30));
  }
}

test("it speaks the real intake: its token, air that can be, a damp morning and a heated afternoon", async () => {
  start({ IVY_HOUR: "8" });
  await until(() => batches.length >= 2);
  expect(batches[0]!.token).toBe(`Bearer ${"t".repeat(24)}`);
  const [morning] = batches[0]!.readings;
  expect(morning!.relativeHumidity).toBeGreaterThan(0.58);
  expect(morning!.temperatureC).toBeLessThan(19.5);
});

test("what it kept from before comes first, one in five minutes, on the five minutes", async () => {
  start({ IVY_KEPT_H: "2", IVY_HOUR: "15" });
  await until(() => batches.length >= 1);
  const { readings } = batches[0]!;
  expect(readings).toHaveLength(25);
  expect(readings.slice(0, 24).every(({ takenAt }) => Date.parse(takenAt) % 300_000 === 0)).toBe(true);
  const times = readings.map(({ takenAt }) => Date.parse(takenAt));
  expect([...times].sort((a, b) => a - b)).toEqual(times);
});

test("what is not acknowledged it hands in again", async () => {
  status = 503;
  start({});
  await until(() => batches.length >= 2);
  status = 200;
  const first = batches[0]!.readings[0]!.takenAt;
  const before = batches.length;
  await until(() => batches.length > before + 2);
  const answered = batches.slice(before);
  expect(answered.some(({ readings }) => readings.some(({ takenAt }) => takenAt === first))).toBe(true);
  expect(answered.at(-1)!.readings.some(({ takenAt }) => takenAt === first)).toBe(false);
});

const figures = () =>
  batches.flatMap(({ readings }) => readings.map(({ temperatureC, relativeHumidity }) => [temperatureC, relativeHumidity]));
/** The scenario's own time runs fast: a minute in a twentieth of a second. */
const FAST = { IVY_EVERY_S: "0.05", IVY_SPEED: "1200", IVY_HOUR: "8" };

test("the same seed gives the same figures, another seed others", async () => {
  const before = async (seed: string) => {
    batches = [];
    start({ IVY_KEPT_H: "5", IVY_HOUR: "15", IVY_SEED: seed });
    await until(() => batches.length >= 1);
    await end();
    return figures().slice(0, 40);
  };
  const first = await before("7");
  expect(await before("7")).toEqual(first);
  expect(await before("8")).not.toEqual(first);
});

test("stuck: after a quarter of an hour the very same for ever", async () => {
  start({ ...FAST, IVY_SCENARIO: "stuck" });
  await until(() => figures().length >= 40);
  const last = figures().slice(-15);
  expect(new Set(last.map(String)).size).toBe(1);
  expect(new Set(figures().slice(0, 6).map(String)).size).toBeGreaterThan(3);
});

test("a network gap: nothing comes for a while, then all of it, none twice", async () => {
  start({ ...FAST, IVY_SCENARIO: "gap" });
  await until(() => batches.some(({ readings }) => readings.length > 10));
  const times = batches.flatMap(({ readings }) => readings.map(({ takenAt }) => takenAt));
  expect(new Set(times).size).toBe(times.length);
  expect([...times].sort()).toEqual(times);
});

test("fog creeps up, a heated winter room dries, a humidifier goes to and fro", async () => {
  const course = async (scenario: string) => {
    batches = [];
    start({ ...FAST, IVY_SCENARIO: scenario });
    await until(() => figures().length >= 75);
    await end();
    return figures().map(([, humidity]) => humidity!);
  };
  const fog = await course("fog");
  expect(fog.at(-1)! - fog[0]!).toBeGreaterThan(0.15);
  expect(Math.max(...(await course("winter")))).toBeLessThan(0.36);
  const cycling = await course("humidifier");
  expect(Math.max(...cycling)).toBeGreaterThan(0.48);
  expect(Math.min(...cycling)).toBeLessThan(0.44);
}, 60_000);

test("a wrong clock is said with every batch, and a scenario nobody wrote is refused", async () => {
  start({ IVY_CLOCK_OFF_S: "7200" });
  await until(() => batches.length >= 1);
  expect(Math.abs(Date.parse(batches[0]!.sentAt!) - Date.now() - 7_200_000)).toBeLessThan(5000);
  await end();
  start({ IVY_SCENARIO: "monsoon" });
  expect(await new Promise((resolve) => device.once("exit", resolve))).not.toBe(0);
});
