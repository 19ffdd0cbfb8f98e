import type { VisitState } from "./parts";

/** Was a picture taken before anything lay on the lashes, or after the last of it? Null in between. Times in ms since 1970. */
export function photoMoment({ head, set, run }: VisitState, atMs: number): "before" | "after" | null {
  const firstMs = set.beads[0]?.placedAtMs ?? run.coats[0]?.onAtMs ?? Infinity;
  if (atMs < firstMs) return "before";
  const last = set.beads.at(-1);
  const offs = run.coats.map(({ offAtMs }) => offAtMs ?? Infinity);
  const lastMs = last ? (last.endedAtMs ?? Infinity) : Math.max(...offs);
  return atMs >= lastMs || (head.finishedAtMs !== null && atMs >= head.finishedAtMs) ? "after" : null;
}
