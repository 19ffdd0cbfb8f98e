"use client";
import { useState } from "react";
import { firstDraft, keyOf, type PlanDraft } from "@/core/processing";
import { useDraft } from "@/features/tablet/useDraft";
import type { ColourProps } from "./colourProps";

const readKept = (document: unknown) => import("./readPlanDraft").then(({ readPlanDraft }) => readPlanDraft(document));

/** What is chosen while a run is planned: begun from last time and today's hair, kept on the tablet until the plan is taken. */
export function usePlanDraft(visit: ColourProps) {
  const draftKey = `colour ${visit.id}`;
  const { earlier, keep, drop } = useDraft(draftKey, readKept);
  const [draft, setDraft] = useState<PlanDraft>(() =>
    firstDraft({
      kind: visit.kind,
      protocolKey: keyOf(visit.protocols[0]!),
      survey: visit.survey,
      past: visit.past,
      processed: visit.care.consultation?.document.processed ?? false,
      filmCover: visit.policy.filmCover === "yes",
    }),
  );
  const [taken, setTaken] = useState(false);
  if (earlier && !taken) {
    setTaken(true);
    setDraft(earlier.document);
  }
  const change = (part: Partial<PlanDraft>) => {
    const next = { ...draft, ...part };
    setDraft(next);
    keep(next, null);
  };
  return { draft, draftKey, change, drop };
}
