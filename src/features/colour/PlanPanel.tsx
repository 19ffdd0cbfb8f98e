"use client";
import { useMemo, useState } from "react";
import { NO_LASH_LIGHTENING } from "@/core/service";
import { stopsOf } from "@/core/care";
import { partOf, SIDES, sideOf } from "@/core/eye";
import { chooseShield, learnKeptShare, liftEyes } from "@/core/lift";
import { keptReadingsOf, planMixes } from "@/core/processing";
import { isProcess } from "@/core/protocol";
import { newId } from "@/ui/newId";
import { useDraft } from "@/features/tablet/useDraft";
import { useTabletStore } from "@/features/tablet/TabletProvider";
import { Button, Choice, Notice, Verdict } from "@/ui";
import { Standing } from "@/features/care/Standing";
import { planRun } from "./actions";
import type { ColourProps } from "./colourProps";
import { PlanChoices } from "./PlanChoices";
import { firstDraft, keyOf, planFrom, timesOf, type PlanDraft } from "./planDraft";
import { PlanMixes } from "./PlanMixes";
import { PlanTimes } from "./PlanTimes";
import { ShieldPanel } from "./ShieldPanel";
import { startingRecipe } from "./usualRecipe";

const readKept = (document: unknown) => import("./colourDrafts").then(({ readPlanDraft }) => readPlanDraft(document));

type View = "times" | "shield" | "mix";

/** Planning: what may be done, by which protocol, for how long and why, on which shield, from which mix. */
export function PlanPanel({ visit }: { visit: ColourProps }) {
  const store = useTabletStore();
  const { found, keep, drop } = useDraft(`colour ${visit.id}`, readKept);
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
  if (found && !taken) {
    setTaken(true);
    setDraft({ ...draft, ...found.document });
  }
  const [view, setView] = useState<View>("times");
  const [problem, setProblem] = useState<{ message: string; fields: Readonly<Record<string, string>> } | null>(null);
  const [busy, setBusy] = useState(false);
  const change = (part: Partial<PlanDraft>) => {
    const next = { ...draft, ...part };
    setDraft(next);
    keep(next, null);
  };
  const offered = visit.protocols.find((one) => keyOf(one) === draft.protocolKey) ?? visit.protocols[0]!;
  const protocol = offered.document;
  const { findings } = visit.care;
  const times = useMemo(() => timesOf(protocol, draft, visit.past), [protocol, draft, visit.past]);
  const steps = protocol.steps.filter(isProcess);
  const mixed = useMemo(() => protocol.steps.filter(isProcess).filter(({ mix }) => mix), [protocol]);
  const lifts = draft.wish.lift !== null;
  const share = useMemo(() => learnKeptShare(keptReadingsOf(visit.past)), [visit.past]);
  const choice = useMemo(() => {
    if (draft.wish.lift === null) return null;
    const lifted = draft.areas.filter((area) => partOf(area) === "lashes").map(sideOf);
    return chooseShield(
      visit.shields.map(({ document }) => document),
      liftEyes(visit.survey, lifted.length > 0 ? lifted : SIDES),
      share,
      draft.wish.lift,
      visit.policy,
    );
  }, [visit.shields, visit.survey, draft.areas, share, draft.wish.lift, visit.policy]);
  const fit =
    choice && choice.fits.length > 0
      ? (choice.fits.find(({ shield }) => visit.shields.some(({ id, document }) => id === draft.shieldId && document === shield)) ??
        choice.fits[choice.advised ?? 0]!)
      : null;
  const proposed = useMemo(
    () =>
      new Map(
        mixed.map((step) => {
          const { seconds } = times.find(({ proposal }) => proposal.stepId === step.id)!;
          return [step.id, startingRecipe(step, visit.products, visit.past, { wish: draft.wish, from: draft.from, seconds })];
        }),
      ),
    [mixed, visit.products, visit.past, times, draft.wish, draft.from],
  );
  const recipes = Object.fromEntries(
    mixed.flatMap((step) => {
      const recipe = draft.recipes[step.id] ?? proposed.get(step.id)?.recipe;
      return recipe ? [[step.id, recipe]] : [];
    }),
  );
  const products = new Map(visit.products.map(({ id, document }) => [id, document]));
  const mixes = planMixes(
    { protocol, areas: [...draft.areas], density: draft.density, recipes },
    products,
    visit.policy.lashPeroxidePercent / 100,
  );
  const mixStop = mixes.find(({ objection }) => objection !== null)?.objection ?? null;
  const stopped = mixStop !== null || stopsOf(findings).length > 0;

  const begin = async () => {
    setBusy(true);
    const shieldId = fit ? visit.shields.find(({ document }) => document === fit.shield)!.id : null;
    const shield =
      fit && shieldId
        ? {
            shieldId,
            name: fit.shield.name,
            radiusMm: fit.shield.radiusMm,
            rawDeg: fit.middle.rawDeg,
            keptDeg: fit.middle.kept.mid,
          }
        : null;
    const air = visit.air ? { temperatureC: visit.air.temperatureC, relativeHumidity: visit.air.relativeHumidity } : null;
    const result = await planRun({
      visitId: visit.id,
      eventId: newId(),
      plan: planFrom(offered, draft, visit.past, shield, recipes),
      air,
      reason: draft.reason,
    }).catch(() => null);
    setBusy(false);
    if (!result?.ok) return setProblem(result ?? { message: "The server did not answer. Your plan is still here.", fields: {} });
    await drop();
    await store.refresh();
  };

  const views: { value: View; label: string }[] = [
    { value: "times", label: "Times" },
    ...(lifts ? [{ value: "shield" as const, label: "Shield" }] : []),
    ...(mixed.length > 0 ? [{ value: "mix" as const, label: "Mix" }] : []),
  ];
  return (
    <div className="mt-3 grid gap-x-12 gap-y-6 lg:grid-cols-[20rem_minmax(0,1fr)]">
      <div className="space-y-4">
        <Standing
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
        {mixStop && view !== "mix" ? (
          <p className="mt-3">
            <Verdict tone="stop">{mixStop}</Verdict>
          </p>
        ) : null}
        {problem ? <Notice tone="stop" title={problem.message} className="mt-3" /> : null}
        {view === "times" ? (
          <PlanTimes
            steps={steps}
            times={times}
            plan={planFrom(offered, draft, visit.past, null, {})}
            timeZone={visit.timeZone}
            onChange={(stepId, seconds) => change({ ownSeconds: withOr(draft.ownSeconds, stepId, seconds) })}
          />
        ) : null}
        {view === "shield" && choice ? (
          <div className="mt-4">
            <ShieldPanel
              choice={choice}
              stock={visit.shields}
              chosenId={fit ? (visit.shields.find(({ document }) => document === fit.shield)?.id ?? null) : null}
              wish={draft.wish.lift!}
              survey={visit.survey}
              kept={share}
              onChoose={(shieldId) => change({ shieldId })}
            />
            {visit.survey ? null : (
              <p className="mt-2 text-sm text-ink-2">No survey yet: usual lengths are shown. A survey makes it this client’s.</p>
            )}
          </div>
        ) : null}
        {view === "mix" ? (
          <PlanMixes
            visit={visit}
            draft={draft}
            steps={mixed.filter(({ on }) => draft.areas.some((area) => partOf(area) === on))}
            recipes={recipes}
            mixes={mixes}
            proposedOf={(stepId) => (draft.recipes[stepId] ? null : (proposed.get(stepId) ?? null))}
            secondsOf={(stepId) => times.find(({ proposal }) => proposal.stepId === stepId)!.seconds}
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
