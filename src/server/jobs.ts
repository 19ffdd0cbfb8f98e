import "server-only";
import { deviceDatabase } from "./pools";
import { log } from "./log";
import { withoutWords } from "./withoutWords";

const EVERY_MS = 4000;
const HOURS_AT_ONCE = 100;
const HEAP_EVERY = 5;

/** Settles the roll-ups that readings have left owed, until none are. Copies of the app share the work. */
export async function rollUp(): Promise<number> {
  let settled = 0;
  for (;;) {
    const { rows } = await deviceDatabase().$client.query<{ settled: number }>("select device.roll_up($1) as settled", [HOURS_AT_ONCE]);
    const now = rows[0]?.settled ?? 0;
    settled += now;
    if (now < HOURS_AT_ONCE) return settled;
  }
}

/** Work that every copy of the app does beside answering. Never ends it: a database that is away is tried again. */
export function startJobs(): void {
  let round = 0;
  const again = () => {
    const work = async () => {
      await rollUp().catch((error: unknown) => log.warn({ err: withoutWords(error) }, "roll-up put off"));
      if (round++ % HEAP_EVERY === 0) log.debug({ heapMB: Math.round(process.memoryUsage().heapUsed / 1e5) / 10 }, "heap");
      again();
    };
    const timer = setTimeout(() => void work(), EVERY_MS);
    timer.unref();
  };
  again();
}
