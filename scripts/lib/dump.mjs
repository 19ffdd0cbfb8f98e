import { spawnSync } from "node:child_process";
import { existsSync } from "node:fs";
import { ensureDebian } from "./packages.mjs";

/** The settings by which PostgreSQL's own programs find a database: a password in their arguments would be seen by everybody. */
function environmentOf(url) {
  const { hostname, port, username, password, pathname } = new URL(url);
  return {
    ...process.env,
    PGHOST: hostname,
    PGPORT: port || "5432",
    PGUSER: decodeURIComponent(username),
    PGPASSWORD: decodeURIComponent(password),
    PGDATABASE: pathname.slice(1),
  };
}

function ask(command, args, url) {
  const { status, stdout, stderr, error } = spawnSync(command, args, { env: environmentOf(url), encoding: "utf8", maxBuffer: 2 ** 30 });
  if (error?.code === "ENOENT") throw new Error(`${command} is not to be found. Install Debian's package postgresql-client.`);
  if (status !== 0) throw new Error(`${command} did not go through:\n${stderr.trim()}`);
  return stdout;
}

const ensure = () => {
  if (!existsSync("/usr/bin/pg_dump")) ensureDebian(["postgresql-client"]);
};

/** Writes all of a database to a file, in pg_dump's own format, compressed, as it stood at one moment. */
export function dumpTo(url, file) {
  ensure();
  ask("pg_dump", ["--format=custom", "--no-password", `--file=${file}`], url);
}

/** Brings back into an empty database what a file holds: all of it, or nothing. */
export function restoreFrom(url, file) {
  ensure();
  ask("pg_restore", ["--single-transaction", "--exit-on-error", "--no-password", `--dbname=${new URL(url).pathname.slice(1)}`, file], url);
}

/** What a file holds, as text to be compared: without what tells only when and by what it was made. */
export function textOf(url, file) {
  return ask("pg_restore", ["--file=-", file], url)
    .split("\n")
    .filter((line) => !/^(--|\\(un)?restrict|\\connect)/.test(line))
    .join("\n");
}

/** Whether nothing of ours is in a database yet. */
export async function isEmpty(url) {
  const { default: pg } = await import("pg");
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    const { rows } = await client.query("select 1 from pg_namespace where nspname in ('studio', 'auth', 'device', 'migrations')");
    return rows.length === 0;
  } finally {
    await client.end();
  }
}
