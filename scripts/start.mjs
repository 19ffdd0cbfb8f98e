import { createServer } from "node:http";
import next from "next";
import { namePeer, peerReader } from "./lib/peer.mjs";
import { root } from "./lib/project.mjs";

// npm start                the built app, by the settings of its environment; see docs/operations.md

const host = process.env.HOST ?? "127.0.0.1";
const port = Number(process.env.PORT ?? 3000);

try {
  const readPeer = peerReader(process.env.IVY_TRUSTED_PROXIES);
  const app = next({ dev: false, dir: root, hostname: host, port });
  await app.prepare();
  const handle = app.getRequestHandler();
  const server = createServer((request, response) => {
    namePeer(request, readPeer);
    void handle(request, response);
  });
  server.once("error", (error) => {
    console.error(error.code === "EADDRINUSE" ? `Port ${port} at ${host} is taken. Name another by PORT.` : error.message);
    process.exit(1);
  });
  server.listen(port, host, () => console.log(`Ivy Thread answers at http://${host}:${port}`));
  const end = () => {
    // Streams that stay open are no reason to stay.
    server.close(() => process.exit(0));
    server.closeIdleConnections();
    setTimeout(() => server.closeAllConnections(), 1500).unref();
  };
  for (const signal of ["SIGINT", "SIGTERM"]) process.once(signal, end);
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
}
