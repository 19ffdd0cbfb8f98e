"use client";
import { SERVICES } from "@/core/service";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { NO_LASH_LIGHTENING } from "@/core/service";
import {
  checkProtocol,
  placeWords,
  protocolSchema,
  readProtocolFile,
  writeProtocolFile,
  type Protocol,
  type ProtocolProblem,
  type Step,
} from "@/core/protocol";
import { Button, Notice, NumberField, TextField, Verdict } from "@/ui";
import { keepProtocol, putProtocolAway } from "./actions";
import { StepFields } from "./StepFields";
import { newStep, STEP_KINDS } from "./newStep";
import { answered } from "@/ui/answered";

/** A protocol step by step. What makes it impossible is said at once, with the place; nothing impossible is kept. */
export function ProtocolEditor({
  id,
  revision,
  document,
  mayChange,
}: {
  id: string | null;
  revision: number;
  document: Protocol;
  mayChange: boolean;
}) {
  const router = useRouter();
  const [draft, setDraft] = useState<Protocol>(id === null ? { ...document, name: `${document.name}, ours` } : document);
  const [base, setBase] = useState(revision);
  const [told, setTold] = useState<{ tone: "good" | "stop"; title: string; problems?: readonly ProtocolProblem[] } | null>(null);
  const problems = useMemo((): readonly ProtocolProblem[] => {
    const parsed = protocolSchema.safeParse(draft);
    if (!parsed.success) return parsed.error.issues.map(({ path, message }) => ({ path: path.join("."), why: message }));
    return checkProtocol(parsed.data);
  }, [draft]);
  const changeStep = (i: number, step: Step) => setDraft({ ...draft, steps: draft.steps.map((old, j) => (j === i ? step : old)) });
  const move = (i: number, by: -1 | 1) => {
    const steps = [...draft.steps];
    const [step] = steps.splice(i, 1);
    steps.splice(i + by, 0, step!);
    setDraft({ ...draft, steps });
  };
  const keep = async () => {
    const result = await answered(keepProtocol({ id, base, document: draft }), "What you changed is still here.");
    if (!result.ok) return setTold({ tone: "stop", title: result.message });
    if (id === null) return router.push(`/colour/protocols/${result.data.id}`);
    setBase(result.data.revision);
    setTold({ tone: "good", title: "Kept. Runs begun from now on go by it; those of the past keep theirs." });
  };
  const read = async (file: File | undefined) => {
    if (!file) return;
    const read = readProtocolFile(file.size > 512 * 1024 ? "" : await file.text());
    if (read.ok) {
      setDraft(read.protocol);
      setTold({ tone: "good", title: `Read: ${read.protocol.name}. Keep it to work by it.` });
    } else setTold({ tone: "stop", title: "This file cannot be worked by.", problems: read.problems.slice(0, 6) });
  };
  const write = () => {
    const url = URL.createObjectURL(new Blob([writeProtocolFile(draft)], { type: "application/json" }));
    const link = window.document.createElement("a");
    link.href = url;
    link.download = "protocol.json";
    link.click();
    URL.revokeObjectURL(url);
  };
  return (
    <div className="pt-4">
      <div className="flex flex-wrap items-end justify-between gap-4">
        <div>
          <p className="text-ink-2">
            {SERVICES[draft.service].label}, {id === null ? "a copy of the generic one" : `your own, save ${base}`}
          </p>
          <h1 className="text-[2.25rem] break-words">{draft.name || "A protocol"}</h1>
        </div>
        <div className="flex flex-wrap gap-2">
          <label className="inline-flex min-h-9 cursor-pointer items-center rounded-full px-4 text-[0.9375rem] font-semibold text-ivy focus-within:outline-2 hover:bg-moss-soft">
            Read from a file
            <input
              type="file"
              accept="application/json,.json"
              className="sr-only"
              onChange={(event) => void read(event.target.files?.[0])}
            />
          </label>
          <Button tone="plain" onClick={write}>
            Write to a file
          </Button>
          {mayChange ? (
            <Button disabled={problems.length > 0} onClick={() => void keep()}>
              {id === null ? "Keep as our own" : "Keep"}
            </Button>
          ) : null}
        </div>
      </div>
      {told ? (
        <Notice tone={told.tone} title={told.title} className="mt-3">
          {told.problems ? (
            <ul>
              {told.problems.map(({ path, why }) => (
                <li key={path + why}>
                  <b>{placeWords(null, path)}:</b> {why}
                </li>
              ))}
            </ul>
          ) : null}
        </Notice>
      ) : null}
      {problems.length > 0 ? (
        <ul className="mt-3 space-y-1" aria-label="What stands against it">
          {problems.map(({ path, why }) => (
            <li key={path + why}>
              <Verdict tone="stop">
                {placeWords(draft, path)}: {why}
              </Verdict>
            </li>
          ))}
        </ul>
      ) : (
        <p className="mt-3">
          <Verdict tone="good">It can be worked by.</Verdict>
        </p>
      )}
      <fieldset disabled={!mayChange} className="mt-4">
        <legend className="sr-only">Protocol</legend>
        <div className="grid gap-4 md:grid-cols-[1fr_1.4fr_10rem]">
          <TextField label="Name" value={draft.name} onChange={(event) => setDraft({ ...draft, name: event.target.value })} />
          <TextField
            label="Where its figures come from"
            value={draft.source}
            onChange={(event) => setDraft({ ...draft, source: event.target.value })}
          />
          <NumberField
            label="Not again before"
            unit="days"
            min={0}
            max={365}
            value={draft.againAfterDays}
            onChange={(days) => setDraft({ ...draft, againAfterDays: Math.round(days) })}
          />
        </div>
        <ol className="mt-5">
          {draft.steps.map((step, i) => (
            <StepFields
              key={i}
              step={step}
              number={i + 1}
              steps={draft.steps}
              problems={problems
                .filter(({ path }) => path.startsWith(`steps.${i}.`))
                .map(({ path, why }) => ({ path: path.replace(`steps.${i}.`, ""), why }))}
              onChange={(next) => changeStep(i, next)}
              onMove={(by) => move(i, by)}
              onRemove={() => setDraft({ ...draft, steps: draft.steps.filter((_, j) => j !== i) })}
              isFirst={i === 0}
              isLast={i === draft.steps.length - 1}
            />
          ))}
        </ol>
        <div className="mt-3 flex flex-wrap gap-2">
          {STEP_KINDS.map(({ kind, label }) => (
            <Button key={kind} tone="line" onClick={() => setDraft({ ...draft, steps: [...draft.steps, newStep(kind, draft)] })}>
              {label}
            </Button>
          ))}
        </div>
      </fieldset>
      <p className="mt-6 border-t border-line pt-3 text-sm text-ink-2">
        {NO_LASH_LIGHTENING} The published schema of the file:{" "}
        <a className="underline" href="/schemas/protocol.v1.json">
          protocol.v1.json
        </a>
        .
      </p>
      {id !== null && mayChange ? (
        <Button
          tone="plain"
          className="mt-2 -ml-4"
          onClick={() => void putProtocolAway({ id, away: true }).then((result) => result.ok && router.push("/colour"))}
        >
          Put this protocol away
        </Button>
      ) : null}
    </div>
  );
}
