import { createServer } from "node:net";

/** A port free on loopback: the wished one, else an error that names it; any, where none is wished for. */
export function freePort(wished = 0) {
  return new Promise((resolve, reject) => {
    const server = createServer();
    server.once("error", () =>
      reject(
        new Error(
          wished
            ? `Port ${wished} is taken by another program. Stop that, or name another port, e.g. PORT=${wished + 10}.`
            : "No free port on loopback.",
        ),
      ),
    );
    server.listen(wished, "127.0.0.1", () => {
      const { port } = server.address();
      server.close(() => resolve(port));
    });
  });
}

/** Waits until an address answers; throws after the time given, or when who should answer has ended. */
export async function untilAnswers(url, { timeoutMs = 60_000, child } = {}) {
  const end = Date.now() + timeoutMs;
  for (;;) {
    if (child && (child.exitCode !== null || child.signalCode !== null))
      throw new Error(`it ended while starting, with ${child.signalCode ?? child.exitCode}.`);
    try {
      const response = await fetch(url, { redirect: "manual" });
      if (response.status < 500) return;
    } catch {
      // Not up yet.
    }
    if (Date.now() > end) throw new Error(`${url} did not answer within ${timeoutMs / 1000} s.`);
    await new Promise((resolve) => setTimeout(resolve, 150));
  }
}
