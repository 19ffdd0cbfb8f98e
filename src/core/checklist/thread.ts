import type { ServiceId } from "../service";
import type { VisitState } from "../visit/parts";
import { isRunDone } from "../processing/nextTap";
import type { Checklist, CheckStep } from "./schema";
import { partsOf, type VisitPart } from "./parts";
import type { Recorded } from "./recorded";

export type ThreadStep = {
  readonly step: CheckStep;
  /** Tied by the record or by a hand; open where it was passed; ahead; or only done when it is wanted. */
  readonly state: "tied" | "open" | "ahead" | "whenAsked";
  /** The tap that said so, and when, ms; null where the record says it, or nobody did. */
  readonly tap: { readonly eventId: string; readonly atMs: number } | null;
};
export type ThreadPart = {
  readonly part: VisitPart;
  readonly state: "tied" | "here" | "ahead" | "open";
  readonly steps: readonly ThreadStep[];
};

/**
 * A visit along its checklist: part by part what is tied, where it stands, what lies ahead and what was passed and stays open.
 * Nothing is ticked for anybody: a step is tied by what the record says or by a tap.
 */
export function threadOf(
  service: ServiceId,
  { steps }: Pick<Checklist, "steps">,
  state: VisitState,
  recorded: ReadonlySet<Recorded>,
  /** The day of the visit is over: whatever of it was not done is not going to be. */
  isPast = false,
): readonly ThreadPart[] {
  const parts = partsOf(service);
  const reached = isPast && state.head.finishedAtMs !== null ? parts.length : parts.indexOf(reachedBy(service, state));
  const taps = new Map(state.steps.done.map(({ stepId, eventId, atMs }) => [stepId, { eventId, atMs }]));
  let isHereGiven = false;
  return parts.map((part, i): ThreadPart => {
    const isPassed = i < reached;
    const mine = steps
      .filter((step) => step.part === part && (step.when !== "never" || taps.has(step.id)))
      .map((step): ThreadStep => {
        const tap = taps.get(step.id) ?? null;
        const isTied = tap !== null || (step.recordedAs !== null && recorded.has(step.recordedAs));
        return { step, tap, state: isTied ? "tied" : step.when === "whenAsked" ? "whenAsked" : isPassed ? "open" : "ahead" };
      });
    const wanted = mine.filter((one) => one.state !== "whenAsked");
    // A part of which nothing is asked is passed with the rest, and never waited at.
    const isTied = wanted.every((one) => one.state === "tied") && (isPassed || wanted.length > 0);
    const isAhead = isHereGiven || wanted.length === 0;
    const stands = isTied ? "tied" : isPassed ? "open" : isAhead ? "ahead" : "here";
    if (stands === "here") isHereGiven = true;
    return { part, steps: mine, state: stands };
  });
}

/** The part that the visit has come to by its events: what lies before it was passed. */
export function reachedBy(service: ServiceId, state: VisitState): VisitPart {
  const { head, set, run } = state;
  if (head.finishedAtMs !== null) return partsOf(service).includes("aftercare") ? "aftercare" : "tidy";
  if (partsOf(service).includes("plan")) return run.plan === null ? "consult" : isRunDone(run) ? "judge" : "run";
  if (head.startedAtMs === null) return partsOf(service)[0]!;
  const bead = set.beads.at(-1);
  if (!bead) return "room";
  if (bead.endedAtMs === null) return "place";
  return set.finish === null ? "check" : "dry";
}

/** Steps that were passed and not done: they are written so. */
export const openSteps = (thread: readonly ThreadPart[]): readonly CheckStep[] =>
  thread.flatMap(({ steps }) => steps.flatMap(({ step, state }) => (state === "open" ? [step] : [])));
