import { AREA_LABELS } from "@/core/eye";
import { areaShort, stepOf, type NextTap, type RunState } from "@/core/processing";
import { formatClock, sentence } from "@/core/units";

/** What the next tap is called on its button. */
export function tapWords(run: RunState, next: NextTap): string {
  const step = "stepId" in next ? stepOf(run, next.stepId) : null;
  switch (next.kind) {
    case "coat":
      return `First touch, ${areaShort(next.area)}`;
    case "wipe":
      return `${sentence(areaShort(next.area))} wiped off`;
    case "task":
      return "Done";
    case "mix":
      return `Mix: ${step?.name ?? ""}`;
    case "batch":
      return `Which batch: ${step?.name ?? ""}`;
    case "wait":
      return `${sentence(areaShort(next.area))} off now`;
    case "done":
      return "All is off";
  }
}

/** What is asked for in a sentence, under the clock. */
export function nowWords(run: RunState, next: NextTap): string {
  const step = "stepId" in next ? stepOf(run, next.stepId) : null;
  switch (next.kind) {
    case "coat": {
      const where = step?.where === "rootToMiddle" ? ", root to middle, never the tips" : step?.where === "rootOnly" ? ", root only" : "";
      return `${sentence(step?.name ?? "")} onto the ${AREA_LABELS[next.area]}${where}. Its clock begins at first touch.`;
    }
    case "wipe":
      return step?.removal ?? "Off, all of it.";
    case "wait":
      return `Then ${step?.removal.charAt(0).toLowerCase()}${step?.removal.slice(1) ?? ""}`;
    case "task":
      return (
        (run.plan?.protocol.steps.find(({ id }) => id === next.stepId) as { checks?: readonly string[] } | undefined)?.checks?.join(". ") ??
        ""
      );
    case "mix":
      return "Mix it only now, and use it at once.";
    case "batch":
      return "The lot stands on the pack; without it nothing can be traced.";
    case "done":
      return "Everything is off. Look at it dry, a minute later.";
  }
}

/** The same for somebody who looks on from elsewhere: what comes, and when. */
export function soonWords(run: RunState, next: NextTap): string {
  if (next.kind === "task") return run.plan?.protocol.steps.find(({ id }) => id === next.stepId)?.name ?? "";
  return next.kind === "wait" ? `${sentence(areaShort(next.area))} off in ${formatClock(next.leftS)}` : tapWords(run, next);
}
