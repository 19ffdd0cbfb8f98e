"use client";
import dynamic from "next/dynamic";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import { compareSurveys, eyesApart, isMeasured, lashCount, otherSide, SIDES, SPACINGS, type Side, type Survey } from "@/core/eye";
import { useAsk } from "@/features/tablet/useAsk";
import { useDraft } from "@/features/tablet/useDraft";
import { Button, Choice, LinkButton, Notice } from "@/ui";
import { saveSurvey } from "./actions";
import { Colours } from "./Colours";
import { Differences } from "./Differences";
import { EyeFields } from "./EyeFields";
import { Habits } from "./Habits";
import { readKeptForm } from "./keptForm";
import { optionsOf } from "./optionsOf";
import { SurveyDrawing } from "./SurveyDrawing";
import type { ReadForm } from "./readForm";
import { formOf, type EyeForm, type SurveyForm } from "./surveyForm";
import { noAnswer } from "@/ui/answered";
import { useIdFor } from "@/ui/useIdFor";

/** What reads the form, asked for when something is first touched. */
const reader = () => import("./readForm");
const FullEyeFields = dynamic(() => import("./FullEyeFields").then((module) => module.FullEyeFields));

/** The survey of both eyes, quick or full; the drawing answers as one types, and what changed since the last is told. */
export function SurveyWorkspace({
  clientId,
  clientName,
  start,
  before,
  measured,
}: {
  clientId: string;
  clientName: string;
  start: Survey;
  /** The last survey and its day, or null for the first. */
  before: { readonly on: string; readonly survey: Survey } | null;
  /** Comes from measuring pictures: what was measured waits as a draft and is taken up. */
  measured: boolean;
}) {
  const router = useRouter();
  const [form, setForm] = useState<SurveyForm>(() => formOf(start));
  const surveyId = useIdFor(form);
  const [shown, setShown] = useState<Survey>(start);
  const [fields, setFields] = useState<Readonly<Record<string, string>>>({});
  const [message, setMessage] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const ask = useAsk();
  const draft = `survey ${clientId}`;
  const { earlier, keep, drop } = useDraft(draft, readKeptForm);
  const [read, setRead] = useState<ReadForm>({ survey: start });
  const stale = "fields" in read;

  const change = (next: SurveyForm) => {
    setForm(next);
    keep(next, null);
    // Where it cannot be fetched the form goes on being typed into; keeping it asks again, and says so.
    void reader().then(
      ({ readForm }) => {
        const result = readForm(next);
        setRead(result);
        if ("survey" in result) {
          setShown(result.survey);
          setFields({});
        } else setFields((old) => Object.fromEntries(Object.entries(result.fields).filter(([key]) => key in old)));
      },
      () => undefined,
    );
  };
  const takeUp = (kept: SurveyForm) => {
    change(kept);
    void drop();
  };
  const [taken, setTaken] = useState(false);
  useEffect(() => {
    if (!measured || taken || !earlier) return;
    // What was measured on the pictures is what the person came here with.
    void Promise.resolve().then(() => {
      setTaken(true);
      takeUp(earlier.document);
    });
  });
  const changeEye = (side: Side, eye: EyeForm) => change({ ...form, eyes: { ...form.eyes, [side]: eye } });
  const check = () => "fields" in read && setFields(read.fields);

  const save = async (then: "client" | "map") => {
    setBusy(true);
    const read = await reader()
      .then(({ readForm }) => readForm(form))
      .catch(() => null);
    if (read && "fields" in read) {
      setFields(read.fields);
      setMessage("Some figures cannot be right; they are marked.");
      setBusy(false);
      return;
    }
    if (!read) {
      setMessage(noAnswer("The survey is kept on this tablet; try again."));
      setBusy(false);
      return;
    }
    const asked = await ask(
      {
        kind: "saveSurvey",
        about: draft,
        draft,
        words: "The survey",
        path: `/clients/${clientId}`,
        input: { id: surveyId, clientId, survey: read.survey },
      },
      saveSurvey,
    );
    setBusy(false);
    if (asked.waits) return setMessage(null);
    if (!asked.result.ok) return setMessage(asked.result.message);
    await drop();
    router.push(then === "map" ? `/clients/${clientId}/map` : `/clients/${clientId}`);
    router.refresh();
  };
  const noReader = () => setMessage(noAnswer());
  const full = form.mode === "full";
  const Fields = full ? FullEyeFields : EyeFields;

  return (
    <div className="pt-5" onFocus={() => void reader().catch(() => undefined)}>
      <div className="flex flex-wrap items-baseline justify-between gap-x-6 gap-y-2">
        <h1 className="text-3xl break-words">
          <bdi>{clientName}</bdi> <span className="text-ink-2">natural lashes</span>
        </h1>
        <div className="flex flex-wrap items-baseline gap-x-4">
          <Choice
            label="Looked at in"
            value={form.mode}
            options={[
              { value: "quick", label: "three places" },
              { value: "full", label: "as many as you like" },
            ]}
            onChange={(mode) => void reader().then(({ inMode }) => change(inMode(form, mode)), noReader)}
          />
          <LinkButton tone="line" href={`/clients/${clientId}/survey/pictures`}>
            Measure from pictures
          </LinkButton>
        </div>
      </div>
      <p className="mt-1 text-[0.9375rem] text-ink-2">
        Landmarks are taken with the eyes open.{" "}
        {before
          ? `Starts from the survey of ${before.on}; keeping makes a new one.`
          : form.mannequin
            ? "Starts from a mannequin head’s strip lashes; change what differs."
            : "Starts from an ordinary eye; change what differs."}
      </p>
      {earlier && !measured ? (
        <Notice tone="note" title="A survey begun here was not kept" className="mt-4">
          <Button tone="line" className="mt-1 mr-2" onClick={() => takeUp(earlier.document)}>
            Take it up
          </Button>
          <Button tone="plain" onClick={() => void drop()}>
            Drop it
          </Button>
        </Notice>
      ) : null}
      <div className={full ? "mt-5 space-y-8" : "mt-5 grid gap-x-10 gap-y-8 xl:grid-cols-[minmax(0,1fr)_34rem]"}>
        <div className={full ? "" : "order-1 min-w-0 xl:sticky xl:top-4 xl:order-none xl:self-start"}>
          <div className={full ? "mx-auto max-w-4xl" : ""}>
            <SurveyDrawing survey={shown} stale={stale} />
          </div>
          <div className="mt-2 flex flex-wrap items-end gap-x-8 gap-y-3 border-t border-line pt-4">
            <Choice
              label="Eyes stand"
              value={form.spacing}
              options={optionsOf(SPACINGS)}
              onChange={(spacing) => change({ ...form, spacing })}
            />
            <Colours form={form} onChange={change} />
            {form.mannequin ? null : <Habits form={form} washesSay={fields["washes"]} onChange={change} />}
          </div>
          {isMeasured({ ...shown, measured: false }) ? null : (
            <Notice tone="look" title="Nothing is measured yet" className="mt-3">
              These are the figures of an ordinary eye. A map planned on them is marked so, on screen and in print.
              <label className="mt-1 flex min-h-8 items-center gap-2">
                <input
                  type="checkbox"
                  className="size-4 accent-[var(--ivy)]"
                  checked={form.measured}
                  onChange={(event) => change({ ...form, measured: event.target.checked })}
                />
                looked at, and they are so
              </label>
            </Notice>
          )}
          <p className="mt-3 text-[0.9375rem] text-ink-2">
            About {lashCount(shown.eyes.right)} lashes on the right lid and {lashCount(shown.eyes.left)} on the left. An upper lid usually
            carries 90 to 160.
          </p>
          <Differences
            title="Right and left differ in"
            heads={["right", "left"]}
            differences={eyesApart(shown)}
            none="Both eyes are alike within what a ruler tells."
          />
          {before ? (
            <Differences
              title={`Since ${before.on}`}
              heads={["then", "now"]}
              differences={compareSurveys(before.survey, shown)}
              none="Nothing has changed past what a ruler tells."
            />
          ) : null}
        </div>
        <div className="space-y-8" onBlur={check}>
          {SIDES.map((side) => (
            <Fields
              key={side}
              side={side}
              eye={form.eyes[side]}
              fields={fields}
              onChange={(eye) => changeEye(side, eye)}
              onCopy={() => changeEye(otherSide(side), form.eyes[side])}
            />
          ))}
          {message ? <Notice tone="stop" title={message} /> : null}
          <div className="flex flex-wrap gap-3">
            <Button disabled={busy} onClick={() => void save("map")}>
              Keep and plan a map
            </Button>
            <Button tone="line" disabled={busy} onClick={() => void save("client")}>
              Keep
            </Button>
            <Button tone="plain" onClick={() => router.push(`/clients/${clientId}`)}>
              Back
            </Button>
          </div>
        </div>
      </div>
    </div>
  );
}
