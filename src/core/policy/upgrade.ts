import { defaultPolicy } from "./defaults";

/** A policy document of any version as one of the newest: what an older one was never asked stands at its default. */
export function upgradePolicy(document: unknown): unknown {
  if (typeof document !== "object" || document === null || (document as { version?: unknown }).version !== 1) return document;
  return { ...defaultPolicy, ...document, version: 2 };
}
