import "server-only";
import path from "node:path";

/** What a thread answers: how far it is, 0..1, or what came of it. */
export type ThreadWord<T> = { readonly done: number } | { readonly result: T };

// Not imported: what is imported the build would follow into the thread, and pack what is to be read as it lies here.
const { Worker } = process.getBuiltinModule("node:worker_threads");

/** So many at once; the rest wait their turn, for there are not more processors. */
const AT_ONCE = 2;
const MOST_MS = 120_000;
const MOST_MB = 768;

let running = 0;
const waiting: (() => void)[] = [];

/** Ended before it was through, because who asked has gone. */
export class GivenUp extends Error {}

async function turn(): Promise<void> {
  if (running >= AT_ONCE) await new Promise<void>((resolve) => waiting.push(resolve));
  running += 1;
}
function next(): void {
  running -= 1;
  waiting.shift()?.();
}

/**
 * Runs heavy work in a thread of its own, so that nobody else waits for it: the function `name` of a source file, from the
 * project's root, with `data` and word of how far it is. It may use nothing of a request or the database. Rejects with GivenUp when `signal` says so, and when it takes too long or too
 * much memory.
 */
export async function inThread<T>(
  { file, name }: { readonly file: string; readonly name: string },
  data: unknown,
  { signal, tell }: { readonly signal?: AbortSignal; readonly tell?: (done: number) => void } = {},
): Promise<T> {
  await turn();
  try {
    return await new Promise<T>((resolve, reject) => {
      if (signal?.aborted) return reject(new GivenUp());
      // It reads its own source: nothing of the app's settings is in it.
      const worker = new Worker(path.resolve("src/server/thread.mjs"), {
        workerData: { file: path.resolve(file), name, data },
        execArgv: [],
        env: { NODE_ENV: process.env.NODE_ENV, PATH: process.env.PATH },
        resourceLimits: { maxOldGenerationSizeMb: MOST_MB },
      });
      const end = (settle: () => void) => {
        clearTimeout(late);
        signal?.removeEventListener("abort", giveUp);
        void worker.terminate();
        settle();
      };
      const giveUp = () => end(() => reject(new GivenUp()));
      const late = setTimeout(() => end(() => reject(new Error("A thread took too long."))), MOST_MS);
      signal?.addEventListener("abort", giveUp);
      worker.on("message", (word: ThreadWord<T>) => ("done" in word ? tell?.(word.done) : end(() => resolve(word.result))));
      worker.once("error", (error) => end(() => reject(error)));
      worker.once("exit", () => end(() => reject(new Error("A thread ended without an answer."))));
    });
  } finally {
    next();
  }
}
