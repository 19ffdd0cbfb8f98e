import { defaultPolicy } from "./defaults";

const OLDER: readonly unknown[] = [1, 2, 3];

/** A policy document of any version as one of the newest: what an older one was never asked stands at its default. */
export function upgradePolicy(document: unknown): unknown {
  if (typeof document !== "object" || document === null || !OLDER.includes((document as { version?: unknown }).version)) return document;
  return { ...defaultPolicy, ...document, version: defaultPolicy.version };
}
