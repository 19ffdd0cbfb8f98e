import type { HairPart } from "../eye/areas";
import type { Stop } from "../processing/runState";
import { SERVICE_KINDS, type ServiceKind } from "../protocol/serviceKinds";
import type { VisitState } from "../visit/state";

/** A service given before: what it was, on which hair, and when it ended, ms. */
export type PastService = {
  readonly kind: "extensions" | "removal" | "lift" | "tint" | "lightening";
  readonly parts: readonly HairPart[];
  readonly atMs: number;
  /** Why it was broken off; null where it was not. */
  readonly stopped: Stop["kind"] | null;
};

/** What a service did to the hair, for spacing: a lamination is a lift of brows. */
export function treatmentOf(service: ServiceKind): PastService["kind"] {
  if (service === "removal" || service === "lightening") return service;
  return service === "lift" || service === "liftTint" || service === "lamination" ? "lift" : "tint";
}

/**
 * What a visit was, for spacing; null where nothing was put on. `kind` is what it was worked by, null for a set from a map. A
 * visit nobody finished counts from the last thing put on: it is on the lashes all the same.
 */
export function pastService(kind: ServiceKind | null, { finishedAtMs, beads, run }: VisitState): PastService | null {
  if (kind === null) {
    const last = beads.at(-1);
    return last ? { kind: "extensions", parts: ["lashes"], atMs: finishedAtMs ?? last.placedAtMs, stopped: null } : null;
  }
  // Older ones, and extensions taken off by hand, were kept without a run.
  if (run.coats.length === 0 && (run.plan !== null || finishedAtMs === null)) return null;
  const atMs = finishedAtMs ?? Math.max(...run.coats.map(({ onAtMs, offAtMs }) => offAtMs ?? onAtMs));
  return { kind: treatmentOf(kind), parts: SERVICE_KINDS[kind].parts, atMs, stopped: run.stop?.kind ?? null };
}
