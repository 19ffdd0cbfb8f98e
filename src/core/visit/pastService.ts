import type { PastService } from "../care";
import { STOP_WORDS } from "../processing";
import { isByProtocol, serviceOf, type ServiceId } from "../service";
import type { VisitState } from "./state";

/**
 * What a visit was, for spacing; null where nothing was put on. A visit nobody finished counts from the last thing put on:
 * it is on the lashes all the same.
 */
export function pastService(service: ServiceId, { finishedAtMs, beads, run }: VisitState): PastService | null {
  const { label, counts, onClient } = serviceOf(service);
  if (!onClient) return null;
  const past = { label, treated: counts, stopped: run.stop ? STOP_WORDS[run.stop.kind].label : null, standing: "here" as const };
  if (!isByProtocol(service)) {
    const last = beads.at(-1);
    return last ? { ...past, atMs: finishedAtMs ?? last.placedAtMs } : null;
  }
  // Older ones, and extensions taken off by hand, were kept without a run.
  if (run.coats.length === 0 && (run.plan !== null || finishedAtMs === null)) return null;
  return { ...past, atMs: finishedAtMs ?? Math.max(...run.coats.map(({ onAtMs, offAtMs }) => offAtMs ?? onAtMs)) };
}
