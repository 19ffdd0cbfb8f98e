import { isLooked, type InspectionId } from "../placing/inspections";
import { isRunDone } from "../processing/nextTap";
import type { VisitState } from "../visit/parts";

/** What a visit's own record can say of it, so that no hand has to tick it. */
export const RECORDED = [
  "consultation",
  "survey",
  "map",
  "air",
  "bottle",
  "primer",
  "bead",
  "placed",
  "eyesSeen",
  "mirror",
  "stickies",
  "finish",
  "freeOfPad",
  "bluntTool",
  "sting",
  "stuck",
  "word",
  "photoBefore",
  "photoAfter",
  "nextVisit",
  "sinceLast",
  "leftCounted",
  "takenOff",
  "soak",
  "lots",
  "planned",
  "processed",
  "judged",
] as const;
export type Recorded = (typeof RECORDED)[number];

/** What is known of a visit beside its events. */
export type BesideEvents = {
  readonly consultation: boolean;
  readonly survey: boolean;
  readonly map: boolean;
  readonly photoBefore: boolean;
  readonly photoAfter: boolean;
  readonly nextVisit: boolean;
};

/** Everything that a visit's record says was done. An inspection of each eye counts once both were looked at. */
export function recordedOf({ head, steps, set, fill, run }: VisitState, beside: BesideEvents): ReadonlySet<Recorded> {
  const looked = (what: InspectionId) => isLooked(what, set.inspections);
  const lastBead = set.beads.at(-1);
  const is: Readonly<Record<Recorded, boolean>> = {
    ...beside,
    air: head.startAir !== null || set.beads.some(({ air }) => air !== null) || run.air !== null,
    bottle: set.bottleId !== null,
    primer: set.with.primer !== null,
    bead: set.beads.length > 0,
    placed: lastBead !== undefined && lastBead.endedAtMs !== null,
    eyesSeen: set.checks.length > 0,
    mirror: looked("mirror"),
    stickies: looked("stickies"),
    finish: set.finish !== null,
    freeOfPad: looked("freeOfPad"),
    bluntTool: looked("bluntTool"),
    sting: looked("sting"),
    stuck: looked("stuck"),
    word: looked("word"),
    sinceLast: Object.values(fill.since).some((answer) => answer !== null),
    leftCounted: fill.counted.length > 0,
    takenOff: fill.off.length > 0,
    soak: steps.soak !== null,
    lots: run.batches.length > 0 || (set.beads.length > 0 && set.beads.every(({ bottleId }) => bottleId !== null)),
    planned: run.plan !== null,
    processed: run.plan !== null && isRunDone(run),
    judged: run.result !== null,
  };
  return new Set(RECORDED.filter((one) => is[one]));
}
