import { createServer } from "node:net";

/** A port free on loopback: the wished one, or any. */
export function freePort(wished = 0) {
  return new Promise((resolve, reject) => {
    const server = createServer();
    server.once("error", () => (wished ? freePort().then(resolve, reject) : reject(new Error("No free port on loopback."))));
    server.listen(wished, "127.0.0.1", () => {
      const { port } = server.address();
      server.close(() => resolve(port));
    });
  });
}

/** Waits until an address answers; throws after the time given. */
export async function untilAnswers(url, timeoutMs = 60_000) {
  const end = Date.now() + timeoutMs;
  for (;;) {
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
