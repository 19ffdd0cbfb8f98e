"use client";
import { useState } from "react";
import type { FormQuestion, Policy } from "@/core/policy";
import { Button, Notice } from "@/ui";
import { savePolicy } from "./actions";
import { CurlFields, curlsTyped, readCurls } from "./CurlFields";
import { LocalCodeFields } from "./LocalCodeFields";
import { answersTyped, QuestionFields, readAnswers } from "./QuestionFields";
import { readSpacing, SpacingFields, spacingTyped } from "./SpacingFields";
import { answered } from "@/ui/answered";

/** What the studio has decided where practitioners disagree. The questions and defaults come with the page: it carries no schema. */
export function PolicyForm({
  policy,
  defaults,
  questions,
  revision,
  mayChange,
}: {
  policy: Policy;
  defaults: Policy;
  questions: readonly FormQuestion[];
  revision: number;
  mayChange: boolean;
}) {
  const [answers, setAnswers] = useState(() => answersTyped(questions, policy));
  const [curls, setCurls] = useState(() => curlsTyped(policy.curls));
  const [spacing, setSpacing] = useState(() => spacingTyped(policy.spacing));
  const [local, setLocal] = useState({ country: policy.country, localNotes: policy.localNotes });
  const [base, setBase] = useState(revision);
  const [told, setTold] = useState<{ tone: "good" | "stop"; message: string; fields: Readonly<Record<string, string>> } | null>(null);
  const submit = async (event: React.FormEvent) => {
    event.preventDefault();
    const typed = { ...local, curls: readCurls(curls), spacing: readSpacing(spacing), ...readAnswers(questions, answers) };
    const result = await answered(savePolicy({ base, policy: { version: defaults.version, ...typed } }), "What you typed is still here.");
    if (result.ok) {
      setBase(result.data.revision);
      setTold({ tone: "good", message: "Kept. Maps and clocks follow it from now on.", fields: {} });
    } else
      setTold({
        tone: "stop",
        message: result.message,
        fields: Object.fromEntries(Object.entries(result?.fields ?? {}).map(([key, words]) => [key.replace(/^policy\./, ""), words])),
      });
  };
  const fillInDefaults = () => {
    // What the owner confirmed of the law is no default.
    setAnswers({ ...answersTyped(questions, defaults), lashTintLawful: answers.lashTintLawful ?? defaults.lashTintLawful });
    setSpacing(spacingTyped(defaults.spacing));
    setCurls(curlsTyped(defaults.curls));
  };
  const errors = told?.fields ?? {};
  return (
    <form onSubmit={(event) => void submit(event)} noValidate>
      <fieldset disabled={!mayChange}>
        <legend className="sr-only">Studio policy</legend>
        <QuestionFields questions={questions} value={answers} errors={errors} onChange={setAnswers} />
        <SpacingFields value={spacing} errors={errors} onChange={setSpacing} />
        <CurlFields value={curls} errors={errors} onChange={setCurls} />
        <LocalCodeFields value={local} errors={errors} onChange={setLocal} />
      </fieldset>
      {told ? <Notice tone={told.tone} title={told.message} className="mb-4" /> : null}
      {mayChange ? (
        <div className="flex gap-3">
          <Button type="submit">Keep the policy</Button>
          <Button tone="plain" onClick={fillInDefaults}>
            Fill in the defaults
          </Button>
        </div>
      ) : (
        <p className="text-ink-2">Only the owner changes these.</p>
      )}
    </form>
  );
}
