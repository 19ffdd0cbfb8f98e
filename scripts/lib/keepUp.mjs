const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/**
 * Keeps something up that may die at any moment, while it starts as well. `start()` resolves once it answers, to something
 * with `ended`, a promise, and `stop()`; it rejects where it died before. What dies is started again, the more slowly the more
 * often it did so at once; after `most` times in a row without a minute of life it is given up, in words.
 * Returns { first, gaveUp, stop }: `first` resolves once it answers, `gaveUp` rejects when it is given up.
 */
export function keepUp(start, { most = 8, calmMs = 60_000, firstPauseMs = 300, say = console.log } = {}) {
  let running = null;
  let stopping = false;
  let failures = 0;
  let answered;
  const first = new Promise((resolve) => (answered = resolve));
  const loop = async () => {
    while (!stopping) {
      const begun = Date.now();
      let why = "it ended";
      try {
        running = await start();
        if (stopping) return running.stop();
        answered(running);
        await running.ended;
      } catch (error) {
        why = error instanceof Error ? error.message : String(error);
      }
      running = null;
      if (stopping) return;
      failures = Date.now() - begun > calmMs ? 1 : failures + 1;
      if (failures >= most) throw new Error(`The app does not stay up: ${why} It was started ${most} times in a row.`);
      say(`The app ended unexpectedly (${why.replace(/\.$/, "")}); starting it again.`);
      await pause(Math.min(firstPauseMs * 2 ** (failures - 1), 10_000));
    }
  };
  const gaveUp = loop();
  // Whoever waits for the first answer hears of it as well; nobody need wait for both.
  gaveUp.catch(() => undefined);
  return {
    first: Promise.race([first, gaveUp.then(() => new Promise(() => undefined))]),
    gaveUp,
    stop: async () => {
      stopping = true;
      await running?.stop();
    },
  };
}
