import { SIDES, sideLabel } from "@/core/eye";
import { gapPlan, keptOf } from "@/core/fill";
import { fibresPerStrip, type LashMap } from "@/core/map";
import {
  firstAndLast,
  lashGaps,
  paceOf,
  progressOf,
  REDO_REASONS,
  TAPES,
  usedPerEye,
  type Pace,
  type PlacingWork,
  type UsedOnEye,
} from "@/core/placing";
import type { Policy } from "@/core/policy";
import { interruptionsOf, type VisitState } from "@/core/visit";
import type { MapGround } from "@/features/visit/clientMaps";

/** What a finished set's record says of its lashes: how many of how many, redone and why, pace, pauses, tape. Rows of a description list. */
export function PlacedKept({
  state: { set, placing, fill },
  map,
  ground,
  policy,
}: {
  state: VisitState;
  map: LashMap;
  ground: MapGround;
  policy: Policy;
}) {
  const plan = gapPlan(map, ground.survey, keptOf(fill));
  const progress = progressOf(plan, placing, set.zones);
  const gaps = lashGaps(plan, placing, interruptionsOf(set));
  const { placed, planned } = progress;
  const rows: [string, string][] = [
    [
      "Lashes placed",
      `${placed.right + placed.left} of ${planned.right + planned.left} lashes: ${SIDES.map((side) => `${placed[side]} of ${planned[side]} on the ${sideLabel(side)}`).join(", ")}` +
        (progress.elsewhere > 0 ? `; ${progress.elsewhere} in zones this map does not have` : ""),
    ],
  ];
  rows.push(["Taken from the strips", usedWords(usedPerEye(plan, placing, (diameterMm) => fibresPerStrip(policy, diameterMm)))]);
  if (placing.redone.length > 0) rows.push(["Redone", reasonWords(placing.redone)]);
  if (placing.faults.length > 0)
    rows.push([
      "Found at checks",
      `${reasonWords(placing.faults)}${progress.again > 0 ? `; ${progress.again} not set again` : "; all set again"}`,
    ]);
  const both = paceOf(gaps);
  if (both) rows.push(["Pace", paceWords(both, gaps)]);
  if (placing.pauses.length > 0) rows.push(["Paused", spansWords(placing.pauses)]);
  if (placing.talk.length > 0) rows.push(["Client talked or moved", spansWords(placing.talk)]);
  if (placing.tapes.length > 0)
    rows.push(["Tape", [...new Set(placing.tapes.map(({ what, side }) => `${TAPES[what]}, ${sideLabel(side)}`))].join("; ")]);
  return rows.map(([term, words]) => (
    <div key={term} className="contents">
      <dt className="text-ink-2">{term}</dt>
      <dd>{words}</dd>
    </div>
  ));
}

/** "client's right 107, 1.1 strips; client's left 112, 1.1 strips: 5 more on the left" */
function usedWords(used: Readonly<Record<(typeof SIDES)[number], UsedOnEye>>): string {
  const words = SIDES.map((side) => `${sideLabel(side)} ${used[side].extensions}, ${used[side].strips.toFixed(1)} strips`).join("; ");
  const more = used.left.extensions - used.right.extensions;
  return more === 0 ? `${words}: as many on both` : `${words}: ${Math.abs(more)} more on the ${more > 0 ? "left" : "right"}`;
}

function reasonWords(redone: PlacingWork["redone"]): string {
  const byWhy = new Map<string, number>();
  for (const { why, n } of redone) byWhy.set(REDO_REASONS[why], (byWhy.get(REDO_REASONS[why]) ?? 0) + n);
  const total = [...byWhy.values()].reduce((sum, n) => sum + n, 0);
  return `${total}: ${[...byWhy].map(([why, n]) => `${n} ${why}`).join(", ")}`;
}

const seconds = ({ seconds: mean, lowS, highS }: Pace) => `${mean.toFixed(0)} s (${lowS.toFixed(0)} to ${highS.toFixed(0)})`;

function paceWords(both: Pace, gaps: ReturnType<typeof lashGaps>): string {
  const eyes = SIDES.flatMap((side) => {
    const pace = paceOf(gaps.filter((gap) => gap.side === side));
    return pace ? [`${sideLabel(side)} ${seconds(pace)}`] : [];
  });
  const ends = firstAndLast(gaps);
  return [
    `${seconds(both)} a lash over ${both.lashes}`,
    ...(eyes.length > 1 ? eyes : []),
    ...(ends ? [`first ten ${ends.first.seconds.toFixed(0)} s, last ten ${ends.last.seconds.toFixed(0)} s`] : []),
  ].join("; ");
}

/** How often something lasted a while, and how long in all: "2 times, 4 min in all". */
function spansWords(spans: PlacingWork["talk"]): string {
  const minutes = spans.reduce((sum, { fromMs, toMs }) => sum + ((toMs ?? fromMs) - fromMs), 0) / 60_000;
  return `${spans.length === 1 ? "once" : `${spans.length} times`}, ${minutes < 1 ? "under a minute" : `${Math.round(minutes)} min`} in all`;
}
