import { createHash, randomBytes, randomInt } from "node:crypto";
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import path from "node:path";
import { fileURLToPath } from "node:url";
import { run } from "./run.mjs";

export const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), "../..");
export const stateFolder = path.join(root, ".ivy");
export const nextBin = path.join(root, "node_modules/next/dist/bin/next");

function hashOf(paths) {
  const hash = createHash("sha256").update(process.version);
  const add = (file) => {
    const full = path.join(root, file);
    if (!existsSync(full)) return;
    if (statSync(full).isDirectory()) for (const name of readdirSync(full).sort()) add(path.join(file, name));
    else if (!/\.test\.tsx?$/.test(file)) hash.update(file).update(readFileSync(full));
  };
  paths.forEach(add);
  return hash.digest("hex");
}

/** Does work only when what it depends on has changed since it was last done. */
function onceFor(name, paths, isThere, work) {
  mkdirSync(stateFolder, { recursive: true, mode: 0o711 });
  const file = path.join(stateFolder, `${name}.hash`);
  const now = hashOf(paths);
  if (isThere() && existsSync(file) && readFileSync(file, "utf8") === now) return false;
  work();
  writeFileSync(file, now);
  return true;
}

/** npm packages as the lock file has them. */
export function ensurePackages() {
  return onceFor(
    "packages",
    ["package-lock.json"],
    () => existsSync(nextBin),
    () => {
      console.log("Installing npm packages…");
      run("npm", ["ci", "--no-audit", "--no-fund", "--loglevel=error"], { cwd: root });
    },
  );
}

/** The production build. */
export function ensureBuild() {
  return onceFor(
    "build",
    ["src", "package-lock.json", "next.config.ts", "tsconfig.json", "postcss.config.mjs"],
    () => existsSync(path.join(root, ".next/BUILD_ID")),
    () => {
      console.log("Building…");
      run(process.execPath, [nextBin, "build"], {
        cwd: root,
        env: { ...process.env, NEXT_TELEMETRY_DISABLED: "1", NODE_ENV: "production" },
      });
    },
  );
}

const WORDS = ["harbour", "lantern", "marram", "pebble", "rigging", "samphire", "shingle", "tamarisk"];

/** Secrets of one state: drawn once, kept readable by their owner alone. */
export function secretsOf(name) {
  mkdirSync(stateFolder, { recursive: true, mode: 0o711 });
  const file = path.join(stateFolder, `${name}.app.json`);
  if (!existsSync(file)) {
    const secrets = {
      secret: randomBytes(32).toString("base64url"),
      password: `${WORDS[randomInt(WORDS.length)]}-${WORDS[randomInt(WORDS.length)]}-${randomInt(1000, 9999)}`,
      tokens: Object.fromEntries(["front", "back", "sill"].map((key) => [key, `ivy_${randomBytes(24).toString("base64url")}`])),
    };
    writeFileSync(file, JSON.stringify(secrets), { mode: 0o600 });
  }
  return JSON.parse(readFileSync(file, "utf8"));
}

/** Runs one of the project's TypeScript commands with settings in its environment. */
export function runTs(file, env) {
  run(process.execPath, ["--import", "tsx", file], { cwd: root, env: { ...process.env, ...env } });
}
