import { openSteps, VISIT_PARTS, type ThreadPart } from "@/core/checklist";
import { sideLabel } from "@/core/eye";
import { AIDS, AID_IDS, ATTACHMENTS, ATTACHMENT_IDS, DIPS, inspectionOf, INSPECTION_IDS, PRIMERS } from "@/core/placing";
import type { VisitState } from "@/core/visit";
import { formatClock } from "@/core/units";

type Row = readonly [term: string, words: string];

/** What every visit's record says beside its own work: steps done and left open, looks, what was worked with, tidying. Rows of a description list. */
export function StepsKept({
  parts,
  state,
  lotNames,
}: {
  parts: readonly ThreadPart[];
  state: VisitState;
  lotNames: Readonly<Record<string, string>>;
}) {
  const lot = (id: string | null) => (id === null ? "" : `, ${lotNames[id] ?? "a lot that is not in the studio"}`);
  const done = parts.flatMap(({ steps }) => steps).filter(({ tap }) => tap !== null);
  const open = openSteps(parts);
  const { inspections, with: worked } = state.set;
  const { soak } = state.steps;
  const rows: Row[] = [
    ...(worked.primer ? [["Primer", `${PRIMERS[worked.primer.is]}${lot(worked.primer.batchId)}`] as const] : []),
    ...(worked.dip ? [["Dip", DIPS[worked.dip]] as const] : []),
    ...AID_IDS.flatMap((id): Row[] =>
      worked[id] === null ? [] : [[AIDS[id][0]!.toUpperCase() + AIDS[id].slice(1), worked[id] ? "yes" : "no"]],
    ),
    ...(worked.attachedAll || worked.attached.length > 0 ? [["Attached", attachedWords(worked)] as const] : []),
    ...INSPECTION_IDS.flatMap((id): Row[] => {
      const mine = inspections.filter(({ what }) => what === id);
      const { label, asks, isYesNo } = inspectionOf(id);
      const found = (n: number) => (isYesNo ? (n > 0 ? "yes" : "no") : n === 0 ? "none" : String(n));
      return mine.length === 0
        ? []
        : [
            [
              label[0]!.toUpperCase() + label.slice(1),
              `${asks}${isYesNo ? "" : ":"} ${mine.map(({ side, found: n }) => (side ? `${sideLabel(side)} ${found(n)}` : found(n))).join(", ")}`,
            ],
          ];
    }),
    ...(done.length > 0 ? [["Steps marked done", done.map(({ step }) => step.name).join("; ")] as const] : []),
    ...(open.length > 0 ? [["Left open", openWords(open)] as const] : []),
    ...(soak
      ? [
          [
            "Disinfectant",
            `${soak.endedAtMs === null ? "in it still" : `${formatClock((soak.endedAtMs - soak.startedAtMs) / 1000)} in it`}, ${soak.contactS / 60} min by its label${lot(soak.batchId)}`,
          ] as const,
        ]
      : []),
  ];
  return rows.map(([term, words]) => (
    <div key={term} className="contents">
      <dt className="text-ink-2">{term}</dt>
      <dd className="whitespace-pre-line">{words}</dd>
    </div>
  ));
}

/** Part by part, each on a line of its own. */
const openWords = (open: ReturnType<typeof openSteps>): string =>
  [...new Set(open.map(({ part }) => part))]
    .map(
      (part) =>
        `${VISIT_PARTS[part]}: ${open
          .filter((step) => step.part === part)
          .map(({ name }) => name.charAt(0).toLowerCase() + name.slice(1))
          .join(", ")}`,
    )
    .join("\n");

function attachedWords({ attachedAll, attached }: VisitState["set"]["with"]): string {
  const zones = ATTACHMENT_IDS.flatMap((is) => {
    const mine = attached.filter((one) => one.is === is).map(({ side, zone }) => `${side} ${zone}`);
    return mine.length > 0 ? [`${ATTACHMENTS[is]} in ${mine.join(", ")}`] : [];
  });
  return [...(attachedAll ? [`${ATTACHMENTS[attachedAll]}${zones.length > 0 ? " elsewhere" : ""}`] : []), ...zones].join("; ");
}
