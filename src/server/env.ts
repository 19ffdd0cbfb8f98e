import "server-only";
import { readSettings, type Settings } from "./settings";

let read: Settings | null = null;

/** The app's settings, read on first use so that a build needs none. Throws in words where one is missing or wrong. */
export function env(): Settings {
  if (read) return read;
  const found = readSettings(process.env);
  if (!found.ok) throw new Error(`Settings: ${found.wrong.join(" ")} See docs/operations.md.`);
  read = found.settings;
  return read;
}
