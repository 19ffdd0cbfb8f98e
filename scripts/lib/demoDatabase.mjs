import { askRunning, claim } from "./claim.mjs";
import { runningUrls, startPostgres } from "./postgres.mjs";
import { stateFolder } from "./project.mjs";

/**
 * The database that a command works on: the one that IVY_OWNER_URL names, else the demo's, as it runs, or started for the
 * command's own time. Returns { ownerUrl, appUrl, stop }; `appUrl` is where the demo is reached, null where it is not.
 */
export async function databaseForCommand(name = "demo") {
  const given = process.env.IVY_OWNER_URL;
  if (given) return { ownerUrl: given, appUrl: process.env.IVY_BASE_URL ?? null, stop: () => undefined };
  const running = await askRunning(stateFolder, name);
  if (running) return { ownerUrl: runningUrls(stateFolder, name).owner, appUrl: running.url ?? null, stop: () => undefined };
  const mine = await claim(stateFolder, name);
  const postgres = await startPostgres(stateFolder, { name });
  return {
    ownerUrl: postgres.urls.owner,
    appUrl: null,
    stop: () => {
      postgres.stop();
      mine.release();
    },
  };
}
