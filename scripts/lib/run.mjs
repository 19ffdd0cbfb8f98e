import { spawn, spawnSync } from "node:child_process";

/** Runs a command to its end with its output shown; throws when it fails. */
export function run(command, args, options = {}) {
  const result = spawnSync(command, args, { stdio: "inherit", ...options });
  if (result.error) throw result.error;
  if (result.status !== 0) throw new Error(`${command} ${args.join(" ")} ended with ${result.status}`);
}

/** The same beside others: shown whole once it has ended. */
export function runBeside(command, args, options = {}) {
  return new Promise((resolve, reject) => {
    const child = start(command, args, { stdio: ["ignore", "pipe", "pipe"], ...options });
    let out = "";
    for (const stream of [child.stdout, child.stderr]) stream.on("data", (text) => (out += text));
    child.once("error", reject);
    child.once("close", (code) => {
      if (out.trim()) console.log(out.trimEnd());
      if (code === 0) resolve();
      else reject(new Error(`${command} ${args.join(" ")} ended with ${code}`));
    });
  });
}

/** Runs a command quietly; returns { ok, out }. */
export function ask(command, args, options = {}) {
  const result = spawnSync(command, args, { encoding: "utf8", ...options });
  return { ok: result.status === 0, out: `${result.stdout ?? ""}${result.stderr ?? ""}`.trim() };
}

/** Where it is written down what runs, should we be killed; nowhere, unless a start asks for it. */
let ledger = null;
export const writeChildrenTo = (children) => (ledger = children);

// Whatever is still there when we end, wherever we were broken off, ends with us.
const started = new Set();
process.on("exit", () => {
  for (const child of started) child.kill("SIGTERM");
});

/** Starts a process of its own group, so that a Ctrl-C reaches us alone and we stop it in order. */
export function start(command, args, options = {}) {
  const child = spawn(command, args, { stdio: ["ignore", "inherit", "inherit"], detached: true, ...options });
  started.add(child);
  if (child.pid) ledger?.add(child);
  child.once("exit", () => {
    started.delete(child);
    ledger?.remove(child);
  });
  return child;
}

/** Ends a process we started, kindly first. Resolves when it is gone. */
export function stop(child, afterMs = 6000) {
  return new Promise((resolve) => {
    if (!child || child.exitCode !== null || child.signalCode !== null) return resolve();
    const hard = setTimeout(() => child.kill("SIGKILL"), afterMs);
    child.once("exit", () => {
      clearTimeout(hard);
      resolve();
    });
    child.kill("SIGTERM");
  });
}

/** Stops what was started when the run is broken off: Ctrl-C, or a kill. `stops` is read when it happens. */
export function stopOnSignals(stops) {
  for (const signal of ["SIGINT", "SIGTERM"])
    process.once(signal, async () => {
      for (const end of stops.splice(0).reverse()) await end();
      process.exit(130);
    });
}
