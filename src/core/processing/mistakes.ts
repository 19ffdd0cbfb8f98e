import { AREA_LABELS, partOf } from "../eye/areas";
import { formatClock } from "../units";
import { plannedAreas } from "./mayTap";
import { isOn, lainS, overrunS, stepOf, type Coat, type RunState } from "./runState";

export type RunMistake = {
  readonly rule: "overrun" | "wrongEyeOff" | "secondEyeForgotten" | "pasteStood" | "short" | "looksMissed" | "offFirst";
  readonly severity: "look" | "stop";
  readonly words: string;
};

/** One eye on and the other not so long after is forgotten, s. A model of this product: coating an eye takes a minute or two. */
export const FORGOTTEN_AFTER_S = 180;

/** What went or goes wrong with the clocks of a run, as its events tell it; it stays on record. */
export function runMistakes(run: RunState, nowMs: number): RunMistake[] {
  const mistakes: RunMistake[] = [];
  const name = (coat: Coat) => `${stepOf(run, coat.stepId)?.name ?? "Coat"}, ${AREA_LABELS[coat.area]}`;
  for (const coat of run.coats) {
    const step = stepOf(run, coat.stepId);
    if (!step) continue;
    const over = overrunS(run, coat, nowMs);
    if (over > 0)
      mistakes.push({ rule: "overrun", severity: "stop", words: `${name(coat)}: ${formatClock(over)} past the leaflet’s end.` });
    if (coat.offAtMs === null) continue;
    if (!run.stop && lainS(coat, nowMs) < step.leastS)
      mistakes.push({
        rule: "short",
        severity: "look",
        words: `${name(coat)}: off after ${formatClock(lainS(coat, nowMs))}, the leaflet begins at ${formatClock(step.leastS)}.`,
      });
    if (run.stop && coat.offAtMs >= run.stop.atMs) continue;
    const passed = run.coats.find(
      (other) => other.stepId === coat.stepId && other.onAtMs < coat.onAtMs && (other.offAtMs === null || other.offAtMs > coat.offAtMs!),
    );
    if (passed)
      mistakes.push({
        rule: "wrongEyeOff",
        severity: "look",
        words: `${name(coat)} came off before ${AREA_LABELS[passed.area]}, which went on first.`,
      });
    const longest = run.coats.find(
      (other) =>
        step.offAfter.includes(other.stepId) && other.onAtMs < coat.offAtMs! && (other.offAtMs === null || other.offAtMs > coat.offAtMs!),
    );
    if (longest)
      mistakes.push({ rule: "offFirst", severity: "look", words: `${name(coat)} came off before “${stepOf(run, longest.stepId)?.name}”.` });
    const every = step.lookEveryS;
    if (every !== null && coat.looks.length < Math.floor(lainS(coat, nowMs) / (every * 1.5)))
      mistakes.push({
        rule: "looksMissed",
        severity: "look",
        words: `${name(coat)}: looked at ${coat.looks.length} times in ${formatClock(lainS(coat, nowMs))}.`,
      });
  }
  for (const coat of run.coats) {
    const paste = run.pastes.find(({ eventId }) => eventId === coat.pasteEventId);
    const age = paste ? (coat.onAtMs - paste.mixedAtMs) / 1000 : 0;
    if (paste && age > paste.lifeS)
      mistakes.push({ rule: "pasteStood", severity: "look", words: `${name(coat)}: from a paste that had stood ${formatClock(age)}.` });
  }
  const on = run.coats.filter(isOn);
  for (const coat of run.stop ? [] : on) {
    const other = plannedAreas(run, partOf(coat.area)).find(
      (area) => !run.coats.some((one) => one.stepId === coat.stepId && one.area === area),
    );
    if (other && lainS(coat, nowMs) > FORGOTTEN_AFTER_S)
      mistakes.push({
        rule: "secondEyeForgotten",
        severity: "look",
        words: `${AREA_LABELS[other]} not begun, ${formatClock(lainS(coat, nowMs))} after the other side.`,
      });
  }
  return mistakes;
}
