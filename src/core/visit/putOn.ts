import { isByProtocol, serviceOf, type ServiceId } from "../service";
import type { VisitState } from "./parts";

/**
 * From when the days after a visit count, ms; null where nothing was put on. A visit nobody finished counts from the last
 * thing put on: it is on the lashes all the same.
 */
export function putOnAtMs(service: ServiceId, { head: { finishedAtMs }, set: { beads }, run }: VisitState): number | null {
  if (!serviceOf(service).onClient) return null;
  if (!isByProtocol(service)) return beads.length > 0 ? (finishedAtMs ?? beads.at(-1)!.placedAtMs) : null;
  // Older ones, and extensions taken off by hand, were kept without a run.
  if (run.coats.length === 0 && (run.plan !== null || finishedAtMs === null)) return null;
  return finishedAtMs ?? Math.max(...run.coats.map(({ offAtMs, onAtMs }) => offAtMs ?? onAtMs));
}
