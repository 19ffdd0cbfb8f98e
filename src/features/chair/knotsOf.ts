import type { VisitState } from "@/core/visit";
import type { Knot } from "@/features/visit/Knots";

/** How far along the order of work a visit is; what was passed undone stays visibly open. */
export function knotsOf(
  visit: { readonly onClient: boolean; readonly hasSurvey: boolean; readonly hasMap: boolean; readonly asked: boolean },
  state: VisitState,
): Knot[] {
  const done: readonly (readonly [string, boolean, boolean])[] = [
    ...(visit.onClient ? [["Consult", visit.asked, !visit.asked && state.head.startedAtMs !== null] as const] : []),
    ["Survey", visit.hasSurvey, false],
    ["Map", visit.hasMap, false],
    ["Room", state.head.startAir !== null, state.head.startedAtMs !== null && state.head.startAir === null],
    ["Prepare", state.set.beads.length > 0 || state.set.shake !== null, false],
    ["Place", state.head.finishedAtMs !== null && state.set.beads.length > 0, false],
    ["Finish", state.head.finishedAtMs !== null, false],
  ];
  let hereGiven = false;
  return done.map(([name, tied, open]) => {
    if (tied) return { name, state: "tied" };
    if (open) return { name, state: "open" };
    if (hereGiven || state.head.finishedAtMs !== null) return { name, state: "ahead" };
    hereGiven = true;
    return { name, state: "here" };
  });
}
