"use client";
import { useState } from "react";
import { partsOf, VISIT_PARTS, type Checklist, type CheckStep, type VisitPart } from "@/core/checklist";
import { SERVICES } from "@/core/service";
import { sentence } from "@/core/units";
import { Button, LinkButton, Notice } from "@/ui";
import { answered } from "@/ui/answered";
import { UnsavedGuard } from "@/ui/form";
import { keepChecklist } from "./actions";
import { CheckStepFields } from "./CheckStepFields";

/** The steps of a service, part by part: order, wording, reason, minutes, and when each is asked for. */
export function ChecklistEditor({
  revision,
  document,
  shipped,
  mayChange,
}: {
  revision: number;
  document: Checklist;
  /** The steps as they come, by the studio's policy. */
  shipped: Checklist;
  mayChange: boolean;
}) {
  const [base, setBase] = useState(revision);
  const [kept, setKept] = useState(document);
  const [draft, setDraft] = useState(document);
  const [told, setTold] = useState<{ tone: "good" | "stop"; title: string } | null>(null);
  const [wrong, setWrong] = useState<Readonly<Record<string, string>>>({});
  const [busy, setBusy] = useState(false);
  const { service, steps } = draft;
  const isDirty = draft !== kept;
  const put = (next: readonly CheckStep[]) => {
    setDraft({ ...draft, steps: [...next] });
    setTold(null);
    setWrong({});
  };
  const move = (id: string, by: -1 | 1) => {
    const i = steps.findIndex((step) => step.id === id);
    const next = [...steps];
    const [step] = next.splice(i, 1);
    next.splice(i + by, 0, step!);
    put(next);
  };
  const add = (part: VisitPart) => {
    const number = Array.from({ length: 99 }, (_, i) => i + 1).find((n) => steps.every(({ id }) => id !== `own-${n}`)) ?? 99;
    const parts = partsOf(service);
    const after = steps.findLastIndex((step) => parts.indexOf(step.part) <= parts.indexOf(part));
    const fresh: CheckStep = { id: `own-${number}`, part, name: "", why: "", minutes: 0, when: "always", recordedAs: null };
    put([...steps.slice(0, after + 1), fresh, ...steps.slice(after + 1)]);
  };
  const save = async () => {
    setBusy(true);
    const result = await answered(keepChecklist({ base, document: draft }), "What you changed is still here.");
    setBusy(false);
    if (!result.ok) {
      setWrong(result.fields);
      return setTold({ tone: "stop", title: result.message });
    }
    setWrong({});
    setBase(result.data.revision);
    setKept(draft);
    setTold({ tone: "good", title: "Kept. Visits begun from now on go by it; those that have begun keep theirs." });
  };
  return (
    <div className="pt-4">
      <div className="flex flex-wrap items-end justify-between gap-4">
        <div>
          <p className="text-ink-2">
            Steps of a visit, {base === 0 ? "as they come" : `your own, saved ${base === 1 ? "once" : `${base} times`}`}
          </p>
          <h1 className="text-[2.25rem]">{sentence(SERVICES[service].label)}</h1>
        </div>
        <div className="flex flex-wrap gap-2">
          <LinkButton tone="plain" href="/studio">
            Back to the studio
          </LinkButton>
          {mayChange ? (
            <>
              <Button tone="plain" onClick={() => put(shipped.steps)}>
                Fill in the usual steps
              </Button>
              <Button disabled={busy || !isDirty} onClick={() => void save()}>
                {busy ? "Keeping…" : "Keep"}
              </Button>
            </>
          ) : null}
        </div>
      </div>
      <p className="mt-1 max-w-3xl text-[0.9375rem] text-ink-2">
        What the visit records by itself ties its step: a bead put out, a look answered. The rest is tied by a tap. Nothing is ticked for
        anybody; what is passed over stays open and is written so. Leaflets and your local code come before all of it.
      </p>
      {told ? <Notice tone={told.tone} title={told.title} className="mt-3 max-w-2xl" /> : null}
      <fieldset disabled={!mayChange} className="mt-2">
        <legend className="sr-only">Steps</legend>
        {partsOf(service).map((part) => {
          const mine = steps.flatMap((step, i) => (step.part === part ? [{ step, i }] : []));
          return (
            <section key={part} aria-label={VISIT_PARTS[part]} className="mt-6">
              <div className="flex items-baseline justify-between border-b border-line-strong pb-1">
                <h2 className="text-2xl">{VISIT_PARTS[part]}</h2>
                {mayChange ? (
                  <Button tone="plain" onClick={() => add(part)}>
                    Add a step
                  </Button>
                ) : null}
              </div>
              <ol>
                {mine.map(({ step, i }, place) => (
                  <CheckStepFields
                    key={step.id}
                    step={step}
                    wrong={(field) => wrong[`document.steps.${i}.${field}`]}
                    isFirst={place === 0}
                    isLast={place === mine.length - 1}
                    onChange={(next) => put(steps.map((old) => (old.id === step.id ? next : old)))}
                    onMove={(by) => move(step.id, by)}
                    onRemove={() => put(steps.filter(({ id }) => id !== step.id))}
                  />
                ))}
              </ol>
              {mine.length === 0 ? <p className="py-2 text-ink-2">No step here.</p> : null}
            </section>
          );
        })}
      </fieldset>
      <UnsavedGuard when={isDirty} />
    </div>
  );
}
