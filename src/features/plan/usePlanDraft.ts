"use client";
import { useMemo, useState } from "react";
import { firstDraft, keyOf, type ChosenPlan, type PlanDraft } from "@/core/processing";
import { useDraft } from "@/features/tablet/useDraft";
import type { ColourProps } from "./colourProps";

const readKept = (document: unknown) => import("./readPlanDraft").then(({ readPlanDraft }) => readPlanDraft(document));

const choicesOf = ({ reason: _, ...choices }: PlanDraft): ChosenPlan => choices;

/** What is chosen while a run is planned: begun from last time and today's hair, kept on the tablet until the plan is taken. */
export function usePlanDraft(visit: ColourProps) {
  const draftKey = `colour ${visit.id}`;
  const { earlier, keep, drop } = useDraft(draftKey, readKept);
  const [first] = useState<PlanDraft>(() =>
    firstDraft({
      kind: visit.kind,
      protocolKey: keyOf(visit.protocols[0]!),
      survey: visit.survey,
      past: visit.past,
      processed: visit.care.consultation?.document.processed ?? false,
      filmCover: visit.policy.filmCover === "yes",
    }),
  );
  // Apart, so that a plan is not worked out anew with each letter of a reason.
  const [choices, setChoices] = useState<ChosenPlan>(() => choicesOf(first));
  const [reason, setReason] = useState(first.reason);
  const draft = useMemo((): PlanDraft => ({ ...choices, reason }), [choices, reason]);
  const [taken, setTaken] = useState(false);
  if (earlier && !taken) {
    setTaken(true);
    setChoices(choicesOf(earlier.document));
    setReason(earlier.document.reason);
  }
  const change = (part: Partial<PlanDraft>) => {
    const next = { ...draft, ...part };
    if ("reason" in part) setReason(next.reason);
    if (Object.keys(part).some((name) => name !== "reason")) setChoices(choicesOf(next));
    keep(next, null);
  };
  return { draft, choices, draftKey, change, drop };
}
