import { spawn, type ChildProcess } from "node:child_process";
import { createServer, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { readingBatchSchema } from "@/features/air/readingBatch";

// The simulated hygrometer against an intake of our own, checked by the real intake's schema.
type Batch = { token: string | undefined; readings: { takenAt: string; temperatureC: number; relativeHumidity: number }[] };
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
      batches.push({ token: request.headers.authorization, readings: body.readings });
      response.writeHead(status, { "content-type": "application/json" }).end("{}");
    });
  });
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
});
afterEach(async () => {
  const gone = new Promise((resolve) => device.once("exit", resolve));
  device.kill();
  await gone;
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
