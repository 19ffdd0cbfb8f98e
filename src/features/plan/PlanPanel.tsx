"use client";
import { useMemo, useState } from "react";
import { NO_LASH_LIGHTENING } from "@/core/service";
import { stopsOf } from "@/core/care";
import { isMeasured, partOf } from "@/core/eye";
import { keyOf, workOutPlan } from "@/core/processing";
import { isProcess } from "@/core/protocol";
import type { ActionResult } from "@/server/actionResult";
import { useTabletStore } from "@/features/tablet/TabletProvider";
import { useAsk } from "@/features/tablet/useAsk";
import { Button, Choice, Notice, Verdict } from "@/ui";
import { CareCheck } from "@/features/care/CareCheck";
import { planRun } from "./actions";
import type { ColourProps } from "./colourProps";
import { PlanChoices } from "./PlanChoices";
import { PlanMixes } from "./PlanMixes";
import { PlanTimes } from "./PlanTimes";
import { usePlanDraft } from "./usePlanDraft";
import { useIdFor } from "@/ui/useIdFor";
import { useReserve } from "@/ui/useReserve";

type View = "times" | "shield" | "mix";

/** The lash on its shield is a drawing of its own, looked at where somebody doubts the choice. */
const loadShield = () => import("./ShieldPanel");

/** Planning: what may be done, by which protocol, for how long and why, on which shield, from which mix. */
export function PlanPanel({ visit }: { visit: ColourProps }) {
  const store = useTabletStore();
  const ask = useAsk();
  const { draft, choices, draftKey, change, drop } = usePlanDraft(visit);
  const [view, setView] = useState<View>("times");
  const [problem, setProblem] = useState<{ message: string; fields: Readonly<Record<string, string>> } | null>(null);
  const [busy, setBusy] = useState(false);
  const shield = useReserve(loadShield, view === "shield");
  const { shields, products, past, survey, policy } = visit;
  const { findings } = visit.care;
  const offered = visit.protocols.find((one) => keyOf(one) === draft.protocolKey) ?? visit.protocols[0]!;
  const plan = useMemo(
    () => workOutPlan(choices, { protocol: offered, survey, past, products, shields, policy }),
    [choices, offered, survey, past, products, shields, policy],
  );
  const eventId = useIdFor(draft);
  const steps = offered.document.steps.filter(isProcess);
  const mixed = steps.filter(({ mix }) => mix);
  const stopped = plan.objection !== null || stopsOf(findings).length > 0;

  const taken = async (result: ActionResult<null>) => {
    if (!result.ok) return setProblem(result);
    await drop();
    await store.refresh();
  };
  const begin = async () => {
    setBusy(true);
    const air = visit.air ? { temperatureC: visit.air.temperatureC, relativeHumidity: visit.air.relativeHumidity } : null;
    const asked = await ask(
      {
        kind: "planRun",
        about: `plan ${visit.id}`,
        draft: draftKey,
        words: "The plan",
        path: `/visits/${visit.id}`,
        input: { visitId: visit.id, eventId, plan: plan.plan, air, reason: draft.reason },
      },
      planRun,
    );
    setBusy(false);
    if (asked.waits) return void asked.later.then(taken);
    await taken(asked.result);
  };

  const views: { value: View; label: string }[] = [
    { value: "times", label: "Times" },
    ...(plan.choice ? [{ value: "shield" as const, label: "Shield" }] : []),
    ...(mixed.length > 0 ? [{ value: "mix" as const, label: "Mix" }] : []),
  ];
  return (
    <div className="mt-3 grid gap-x-12 gap-y-6 lg:grid-cols-[20rem_minmax(0,1fr)]">
      <div className="space-y-4">
        <CareCheck
          care={visit.care}
          findings={findings}
          reason={draft.reason}
          error={problem?.fields.reason}
          onReason={(reason) => change({ reason })}
        />
        <PlanChoices visit={visit} offered={offered} draft={draft} onChange={change} />
      </div>

      <div className="min-w-0">
        <div className="flex flex-wrap items-center justify-between gap-3">
          <Choice label="Show" showLabel={false} value={view} options={views} onChange={setView} className="text-lg" />
          <Button disabled={busy || stopped || draft.areas.length === 0} onClick={() => void begin()}>
            {busy ? "Keeping…" : "Go by this plan"}
          </Button>
        </div>
        {plan.objection && view !== "mix" ? (
          <p className="mt-3">
            <Verdict tone="stop">{plan.objection}</Verdict>
          </p>
        ) : null}
        {problem ? <Notice tone="stop" title={problem.message} className="mt-3" /> : null}
        {view === "times" ? (
          <PlanTimes
            steps={steps}
            times={plan.times}
            plan={plan.plan}
            timeZone={visit.timeZone}
            onChange={(stepId, seconds) => change({ ownSeconds: withOr(draft.ownSeconds, stepId, seconds) })}
          />
        ) : null}
        {view === "shield" && plan.choice ? (
          <div className="mt-4">
            {shield ? (
              <shield.ShieldPanel
                choice={plan.choice}
                stock={shields}
                chosenId={plan.shieldId}
                wish={draft.wish.lift!}
                survey={survey}
                kept={plan.kept}
                onChoose={(shieldId) => change({ shieldId })}
              />
            ) : null}
            {survey && isMeasured(survey) ? null : (
              <p className="mt-2 text-sm text-ink-2">
                {survey ? "Not measured: the survey stands as its form begins." : "No survey yet."} Usual lengths are shown; a measured
                survey makes it this client’s.
              </p>
            )}
          </div>
        ) : null}
        {view === "mix" ? (
          <PlanMixes
            visit={visit}
            draft={draft}
            steps={mixed.filter(({ on }) => draft.areas.some((area) => partOf(area) === on))}
            recipes={plan.recipes}
            mixes={plan.mixes}
            proposedOf={(stepId) => (draft.recipes[stepId] ? null : (plan.proposed.get(stepId) ?? null))}
            secondsOf={(stepId) => plan.times.find(({ proposal }) => proposal.stepId === stepId)!.seconds}
            onChange={(stepId, recipe) => change({ recipes: { ...draft.recipes, [stepId]: recipe } })}
          />
        ) : null}
        <p className="mt-6 border-t border-line pt-3 text-sm text-ink-2">
          The product’s leaflet, your local code and licensed practice come before every figure here.{" "}
          {visit.kind === "lightening" ? NO_LASH_LIGHTENING : ""}
        </p>
        {visit.policy.localNotes ? (
          <details className="mt-1 text-sm text-ink-2">
            <summary>Local code{visit.policy.country ? `, ${visit.policy.country}` : ""}</summary>
            <p className="mt-1 whitespace-pre-line">{visit.policy.localNotes}</p>
          </details>
        ) : null}
      </div>
    </div>
  );
}

/** A record with one more entry, or without it where the value is null. */
const withOr = <T,>(record: Readonly<Record<string, T>>, key: string, value: T | null): Record<string, T> => {
  const rest = Object.fromEntries(Object.entries(record).filter(([id]) => id !== key)) as Record<string, T>;
  return value === null ? rest : { ...rest, [key]: value };
};
