import { handWords, type HandMatch } from "@/core/adhesive";
import { isDirected, lastWasEarlyS, openSpan, TAPES, tapesOn } from "@/core/placing";
import type { VisitState } from "@/core/visit";
import { Verdict } from "@/ui";
import type { AtWork } from "./usePlacing";

/** One line of what else is so: the gravest first, else how far the set has come and at what pace. */
export function Says({
  state,
  work,
  stopStands,
  hand,
  talkMorePercent,
}: {
  state: VisitState;
  work: AtWork;
  stopStands: boolean;
  /** The bottle against this hand in this air; null where it is not known. */
  hand: HandMatch | null;
  talkMorePercent: number;
}) {
  const { placing } = state;
  if (stopStands) return <Verdict tone="stop">Something stands against this visit now: see its page.</Verdict>;
  const early = lastWasEarlyS(work.plan, work.progress, work.wetS);
  if (early >= 1)
    return <Verdict tone="look">That one stands beside a wet one, {Math.round(early)} s early. Another zone gives it time.</Verdict>;
  const tapes = tapesOn(placing);
  if (tapes.length > 0)
    return <Verdict tone="look">{tapes.map(({ what, side }) => `Tape on the ${side}: ${TAPES[what]}`).join(". ")}.</Verdict>;
  if (openSpan(placing.talk)) return <Verdict tone="look">Client talks or moves: hold and dry {talkMorePercent} % longer.</Verdict>;
  const { spot } = work;
  const words = hand && handWords(hand, spot !== null && isDirected(spot));
  if (words) return <Verdict tone="look">{words}</Verdict>;
  const { placed, planned } = work.progress;
  return (
    <span className="hidden sm:inline">
      {placed.right + placed.left} of {planned.right + planned.left}
      {paceWords(work)}
      {placing.targets ? ` · planned again${placing.targets.minutes === null ? "" : ` for ${placing.targets.minutes} min`}` : ""}
      {work.progress.again > 0 ? ` · ${work.progress.again} to set again` : ""}
      {placing.redone.length > 0 ? ` · ${placing.redone.length} redone` : ""}
    </span>
  );
}

/** " · 21 s a lash, left 26 s": an eye is named where it takes a tenth longer. */
function paceWords({ paces: { both, right, left } }: AtWork): string {
  if (!both) return "";
  const slow = right && left ? (right.seconds > left.seconds ? { side: "right", ...right } : { side: "left", ...left }) : null;
  const apart = slow && slow.seconds > 1.1 * both.seconds ? `, ${slow.side} ${Math.round(slow.seconds)} s` : "";
  return ` · ${Math.round(both.seconds)} s a lash${apart}`;
}
