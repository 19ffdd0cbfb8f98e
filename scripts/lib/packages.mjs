import { existsSync } from "node:fs";
import { ask, run } from "./run.mjs";

const isRoot = process.getuid?.() === 0;

/** Installs Debian packages that are missing, as root or by sudo; or says exactly what to install. */
export function ensureDebian(packages) {
  const missing = packages.filter((name) => !ask("dpkg-query", ["-W", "-f=${Status}", name]).out.includes("install ok installed"));
  if (missing.length === 0) return;
  console.log(`Installing from Debian: ${missing.join(" ")}`);
  const asRoot = (args) => (isRoot ? run(args[0], args.slice(1), quiet) : run("sudo", args, quiet));
  const quiet = { stdio: ["inherit", "ignore", "inherit"], env: { ...process.env, DEBIAN_FRONTEND: "noninteractive" } };
  if (!isRoot && !ask("sudo", ["-n", "true"]).ok && !process.stdin.isTTY)
    throw new Error(`Please install these once, then start again:\n  sudo apt-get install ${missing.join(" ")}`);
  if (!isRoot && !existsSync("/usr/bin/sudo"))
    throw new Error(`Please have an administrator install these once, then start again:\n  apt-get install ${missing.join(" ")}`);
  asRoot(["apt-get", "update", "-q"]);
  asRoot(["apt-get", "install", "-y", "-q", "--no-install-recommends", ...missing]);
}
