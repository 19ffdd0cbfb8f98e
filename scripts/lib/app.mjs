import { openSync } from "node:fs";
import { root, runTs } from "./project.mjs";
import { freePort, untilAnswers } from "./ports.mjs";
import { start, stop } from "./run.mjs";

/** Settings the app reads, for one database and address. */
export function appEnv(postgres, secrets, port, more = {}) {
  return {
    ...process.env,
    NODE_ENV: "production",
    NEXT_TELEMETRY_DISABLED: "1",
    IVY_APP_URL: postgres.urls.app,
    IVY_AUTH_URL: postgres.urls.auth,
    IVY_DEVICE_URL: postgres.urls.device,
    IVY_SECRET: secrets.secret,
    IVY_BASE_URL: `http://127.0.0.1:${port}`,
    IVY_LOG: "warn",
    ...more,
  };
}

export function migrate(postgres) {
  runTs("src/db/migrate.cli.ts", { IVY_OWNER_URL: postgres.urls.owner });
}

export function loadDemo(postgres, secrets, more = {}) {
  runTs("src/db/demo/load.cli.ts", {
    IVY_OWNER_URL: postgres.urls.owner,
    IVY_DEMO_PASSWORD: secrets.password,
    IVY_DEMO_TOKENS: JSON.stringify(secrets.tokens),
    ...more,
  });
}

/** A log that is kept, rotated: five files of two megabytes, only their owner reads them. */
async function keptLog(folder) {
  const { createStream } = await import("rotating-file-stream");
  return createStream("app.log", { path: folder, size: "2M", maxFiles: 5, mode: 0o600 });
}

/**
 * Starts the built app on loopback and waits until it answers. Returns { url, port, child, stop }. `logFolder` keeps what it
 * says, so that the number in an apology is found there.
 */
export async function startApp(postgres, secrets, { port: wished = 0, env = {}, logFile, logFolder } = {}) {
  const port = wished || (await freePort());
  const child = start(process.execPath, ["scripts/start.mjs"], {
    cwd: root,
    env: appEnv(postgres, secrets, port, { HOST: "127.0.0.1", PORT: String(port), ...env }),
    stdio: logFolder
      ? ["ignore", "pipe", "pipe"]
      : ["ignore", logFile ? openSync(logFile, "w") : env.IVY_QUIET === "off" ? "inherit" : "ignore", "inherit"],
  });
  if (logFolder) {
    const log = await keptLog(logFolder);
    for (const stream of [child.stdout, child.stderr]) stream.on("data", (text) => log.write(text));
    child.once("exit", () => log.end());
  }
  const url = `http://127.0.0.1:${port}`;
  const ended = new Promise((resolve) => child.once("exit", resolve));
  try {
    await untilAnswers(`${url}/api/health`, { child });
  } catch (error) {
    await stop(child);
    throw error;
  }
  return { url, port, child, ended, stop: () => stop(child) };
}

export function startHygrometer(url, token, env = {}) {
  return start(process.execPath, ["simulators/hygrometer.mjs"], {
    cwd: root,
    env: { ...process.env, IVY_INTAKE: `${url}/api/intake/readings`, IVY_TOKEN: token, ...env },
  });
}
