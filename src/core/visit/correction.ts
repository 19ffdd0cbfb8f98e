import type { EventPayload } from "./events/payloads";
import type { VisitState } from "./parts";

/** What is put right at a kept visit. */
export type Correction = EventPayload<"corrected">;

/** Nobody works longer at one client in one go: a longer visit is a day mistyped. Common practice. */
const LONGEST_MS = 14 * 3_600_000;

/** The first and the last thing that was put on, ms; null where nothing was. */
function workOf({ set: { beads, zones }, run: { coats } }: VisitState): { readonly firstMs: number; readonly lastMs: number } | null {
  const moments = [
    ...beads.map(({ placedAtMs }) => placedAtMs),
    ...zones.map(({ atMs }) => atMs),
    ...coats.flatMap(({ onAtMs, offAtMs }) => [onAtMs, ...(offAtMs === null ? [] : [offAtMs])]),
  ];
  return moments.length === 0 ? null : { firstMs: Math.min(...moments), lastMs: Math.max(...moments) };
}

/** Bottles that a visit was worked from as it stands, with how many beads each; null is the beads that no bottle was noted for. */
export function bottlesNoted({ set: { bottleId, beads } }: VisitState): { readonly bottleId: string | null; readonly beads: number }[] {
  const noted = new Map<string | null, number>(bottleId === null ? [] : [[bottleId, 0]]);
  for (const bead of beads) noted.set(bead.bottleId, (noted.get(bead.bottleId) ?? 0) + 1);
  return [...noted].map(([id, count]) => ({ bottleId: id, beads: count }));
}

/** Why a correction cannot be made, in words; null where it can. Whether clients, maps and bottles exist is asked elsewhere. */
export function correctionObjection(state: VisitState, correction: Correction, nowMs: number): string | null {
  const { startedAtMs, finishedAtMs } = state.head;
  if (startedAtMs === null || finishedAtMs === null) return "Only a visit that is finished is corrected; while it runs, a tap is undone.";
  if (correction.what === "bottle") {
    if (correction.bottleId === correction.instead) return "That is the bottle it says already.";
    return bottlesNoted(state).some(({ bottleId }) => bottleId === correction.instead)
      ? null
      : "No bead of this visit is noted so (any more).";
  }
  if (correction.what === "client") return correction.clientId === correction.instead ? "That is the client it says already." : null;
  if (correction.what === "map") {
    const { map, instead } = correction;
    return map?.mapId === instead?.mapId && map?.revision === instead?.revision ? "That is the map it says already." : null;
  }
  const atMs = Date.parse(correction.at);
  const [beganMs, endedMs] = correction.what === "begun" ? [atMs, finishedAtMs] : [startedAtMs, atMs];
  const work = workOf(state);
  if (endedMs <= beganMs) return "A visit ends after it begins.";
  if (endedMs > nowMs) return "That time has not come yet.";
  if (endedMs - beganMs > LONGEST_MS) return "That would be over 14 hours: look at the day.";
  if (work && beganMs > work.firstMs) return "Something was put on before that.";
  if (work && endedMs < work.lastMs) return "Something was put on, or taken off, after that.";
  return null;
}
