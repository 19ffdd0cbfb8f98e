import { partOf, type Area } from "../eye/areas";
import type { Clock } from "../clock";
import { coatsOn, isRinsing, lainS, overrunS, plannedS, stepOf, type Coat, type RunState } from "./runState";

/** An early look is asked for so long, s; nothing is tapped for it, the coat comes off or stays on. */
const EARLY_LOOK_SHOWN_S = 90;

/** A coat asks for attention this long before its time is up, s. */
export const COAT_WARNING_S = 20;
const SHORT: Record<Area, string> = { lashRight: "right", lashLeft: "left", browRight: "right brow", browLeft: "left brow" };
export const areaShort = (area: Area): string => SHORT[area];

/** When a coat is next looked at, ms: so long after the last look, or after first touch; null where no looks are asked for. */
export function lookDueMs(run: RunState, coat: Coat): number | null {
  const every = stepOf(run, coat.stepId)?.lookEveryS ?? null;
  return every === null ? null : (coat.looks.at(-1)?.atMs ?? coat.onAtMs) + every * 1000;
}

/**
 * Clocks of a run at a moment (ms): every coat that lies on hair, until it is wiped, whatever else happens; the paste
 * while it waits; looks that are due; the rinse. After a stop the coats' clocks go on as exposure.
 */
export function runClocks(run: RunState, nowMs: number): Clock[] {
  const clocks: Clock[] = [];
  if (run.stop && isRinsing(run)) {
    const leftS = run.stop.rinseS - (nowMs - run.stop.atMs) / 1000;
    clocks.push({
      id: `rinse ${run.stop.atMs}`,
      kind: "rinse",
      label: run.stop.kind === "splash" ? "rinse" : "warm water",
      totalS: run.stop.rinseS,
      leftS,
      state: leftS > 0 ? "over" : "done",
    });
  }
  for (const coat of coatsOn(run)) clocks.push(coatClock(run, coat, nowMs));
  for (const coat of coatsOn(run)) {
    const dueMs = lookDueMs(run, coat);
    if (run.stop || dueMs === null || nowMs < dueMs) continue;
    const every = stepOf(run, coat.stepId)!.lookEveryS!;
    clocks.push({
      id: `look ${coat.eventId} ${coat.looks.length}`,
      kind: "look",
      label: `look, ${areaShort(coat.area)}`,
      totalS: every,
      leftS: (dueMs - nowMs) / 1000,
      state: "soon",
    });
  }
  for (const coat of coatsOn(run)) {
    const earlyS = run.plan?.lookAtS?.[coat.stepId];
    const overS = earlyS === undefined ? -1 : lainS(coat, nowMs) - earlyS;
    if (run.stop || overS < 0 || overS > EARLY_LOOK_SHOWN_S) continue;
    clocks.push({
      id: `early ${coat.eventId}`,
      kind: "look",
      label: `look early, ${areaShort(coat.area)}`,
      totalS: earlyS!,
      leftS: -overS,
      state: "soon",
    });
  }
  // Of each step the newest paste: what stood was mixed anew.
  for (const paste of new Map(run.pastes.map((one) => [one.stepId, one])).values()) {
    if (run.stop || !pasteWaits(run, paste.stepId)) continue;
    const leftS = paste.lifeS - (nowMs - paste.mixedAtMs) / 1000;
    const name = run.pastes.some(({ stepId }) => stepId !== paste.stepId) ? `, ${stepOf(run, paste.stepId)?.name ?? ""}` : "";
    clocks.push({
      id: paste.eventId,
      kind: "paste",
      label: leftS > 0 ? `paste${name}` : `paste stood too long${name}`,
      totalS: paste.lifeS,
      leftS,
      state: leftS <= 0 ? "over" : leftS <= 60 ? "soon" : "running",
    });
  }
  return clocks;
}

/** Some planned area has not been coated from it yet. */
function pasteWaits(run: RunState, stepId: string): boolean {
  const step = stepOf(run, stepId);
  const areas = (run.plan?.areas ?? []).filter((area) => partOf(area) === step?.on);
  return areas.some((area) => !run.coats.some((coat) => coat.stepId === stepId && coat.area === area));
}

function coatClock(run: RunState, coat: Coat, nowMs: number): Clock {
  const step = stepOf(run, coat.stepId);
  const totalS = plannedS(run, coat);
  const lain = lainS(coat, nowMs);
  const name = `${step?.name ?? "coat"}, ${areaShort(coat.area)}`;
  const past = overrunS(run, coat, nowMs) > 0;
  if (run.stop)
    // Exposure: how long it has lain counts up until that area is wiped.
    return {
      id: coat.eventId,
      kind: "coat",
      label: `still on, ${areaShort(coat.area)}`,
      totalS: lain,
      leftS: -lain,
      state: past ? "past" : "over",
    };
  const leftS = past ? (step?.mostS ?? 0) - lain : totalS - lain;
  return {
    id: coat.eventId,
    kind: "coat",
    label: past ? `${name}, past the leaflet` : name,
    totalS,
    leftS,
    state: past ? "past" : leftS <= 0 ? "over" : leftS <= COAT_WARNING_S ? "soon" : "running",
  };
}
