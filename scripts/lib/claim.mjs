import { createHash } from "node:crypto";
import { mkdirSync, realpathSync } from "node:fs";
import { connect, createServer } from "node:net";
import path from "node:path";

/** A name that the machine itself keeps: whoever holds it loses it with their process, however that ends. */
function nameOf(stateFolder, name) {
  mkdirSync(stateFolder, { recursive: true, mode: 0o711 });
  return `\0ivy-thread ${createHash("sha256")
    .update(path.join(realpathSync(stateFolder), name))
    .digest("hex")
    .slice(0, 24)}`;
}

/** What a start says of itself that runs from a state folder now: { pid, ... }; null where none does. */
export function askRunning(stateFolder, name) {
  return new Promise((resolve) => {
    let text = "";
    const socket = connect(nameOf(stateFolder, name));
    socket.setTimeout(2000, () => socket.destroy());
    socket.on("data", (part) => (text += part));
    socket.on("error", () => undefined);
    socket.on("close", () => {
      try {
        resolve(JSON.parse(text));
      } catch {
        resolve(null);
      }
    });
  });
}

/**
 * One start at a time from a state folder. Resolves to { tell, release }: `tell` sets what others are told who ask. Throws, in
 * words, where another start runs from it.
 */
export async function claim(stateFolder, name) {
  let said = { pid: process.pid };
  const server = createServer((socket) => {
    socket.on("error", () => undefined);
    socket.end(JSON.stringify(said));
  });
  await new Promise((resolve, reject) => {
    server.once("error", async (error) => {
      if (error.code !== "EADDRINUSE") return reject(error);
      const other = await askRunning(stateFolder, name);
      const where = other?.url ? `, at ${other.url}` : other ? ", and is just starting" : "";
      reject(
        new Error(
          `It runs from this folder already${other ? ` (process ${other.pid}${where})` : ""}. Use that one, or stop it first; from another folder a second one runs beside it.`,
        ),
      );
    });
    server.listen(nameOf(stateFolder, name), resolve);
  });
  server.unref();
  return { tell: (more) => (said = { ...said, ...more }), release: () => server.close() };
}
