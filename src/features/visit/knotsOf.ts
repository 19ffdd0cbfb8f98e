import type { VisitState } from "@/core/visit";
import type { Knot } from "./Knots";

/** How far along the order of work a visit is; what was passed undone stays visibly open. */
export function knotsOf(visit: { readonly hasMap: boolean; readonly asked: boolean }, state: VisitState): Knot[] {
  const done: readonly (readonly [string, boolean, boolean])[] = [
    ["Consult", visit.asked, !visit.asked && state.startedAtMs !== null],
    ["Survey", visit.hasMap, false],
    ["Map", visit.hasMap, false],
    ["Room", state.startAir !== null, state.startedAtMs !== null && state.startAir === null],
    ["Prepare", state.beads.length > 0 || state.shake !== null, false],
    ["Place", state.finishedAtMs !== null && state.beads.length > 0, false],
    ["Finish", state.finishedAtMs !== null, false],
  ];
  let hereGiven = false;
  return done.map(([name, tied, open]) => {
    if (tied) return { name, state: "tied" };
    if (open) return { name, state: "open" };
    if (hereGiven || state.finishedAtMs !== null) return { name, state: "ahead" };
    hereGiven = true;
    return { name, state: "here" };
  });
}
