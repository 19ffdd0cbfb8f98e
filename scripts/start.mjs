import { existsSync } from "node:fs";
import { createServer } from "node:http";
import path from "node:path";
import next from "next";
import { tsImport } from "tsx/esm/api";
import { namePeer, peerReader } from "./lib/peer.mjs";
import { root } from "./lib/project.mjs";

// npm start                the built app, by the settings of its environment; see docs/operations.md

const host = process.env.HOST || "127.0.0.1";
const port = Number(process.env.PORT || 3000);

function refuse(wrong) {
  console.error(`Ivy Thread does not start:\n${wrong.map((line) => `  ${line}`).join("\n")}\nSee docs/operations.md.`);
  process.exit(1);
}

/** What is looked at before anybody is let in: settings, build, database. */
async function check() {
  const { readSettings } = await tsImport("../src/server/settings.ts", import.meta.url);
  const { startProblems } = await tsImport("../src/db/startCheck.ts", import.meta.url);
  const read = readSettings(process.env);
  const wrong = read.ok ? [] : read.wrong;
  if (!Number.isInteger(port) || port < 1 || port > 65_535) wrong.push("PORT is no port: 1 to 65535.");
  let readPeer;
  try {
    readPeer = peerReader(process.env.IVY_TRUSTED_PROXIES);
  } catch {
    wrong.push("IVY_TRUSTED_PROXIES names something that is no address: addresses or networks apart by commas, or loopback.");
  }
  if (!existsSync(path.join(root, ".next/BUILD_ID"))) wrong.push("There is no build. npm run build makes it.");
  if (wrong.length === 0) wrong.push(...(await startProblems(read.settings)));
  if (wrong.length > 0) refuse(wrong);
  return readPeer;
}

const readPeer = await check();
process.env.NODE_ENV = "production";
const app = next({ dev: false, dir: root, hostname: host, port });
await app.prepare();
const handle = app.getRequestHandler();
const server = createServer((request, response) => {
  namePeer(request, readPeer);
  void handle(request, response);
});
server.once("error", (error) =>
  refuse([
    error.code === "EADDRINUSE"
      ? `Port ${port} at ${host} is taken by another program. Name another by PORT.`
      : `It cannot listen at ${host}:${port} (${error.code}).`,
  ]),
);
server.listen(port, host, () => console.log(`Ivy Thread answers at http://${host}:${port}`));

for (const signal of ["SIGINT", "SIGTERM"])
  process.once(signal, () => {
    // What is under way is answered; streams that stay open are no reason to stay.
    server.close(() => process.exit(0));
    server.closeIdleConnections();
    setTimeout(() => server.closeAllConnections(), 1500).unref();
  });
