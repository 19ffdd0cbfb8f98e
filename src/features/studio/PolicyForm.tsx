"use client";
import { useState } from "react";
import type { FormQuestion, Policy } from "@/core/policy";
import { Button, Notice } from "@/ui";
import { FormBody, UnsavedGuard, useStudioForm } from "@/ui/form";
import { savePolicy } from "./actions";
import { CurlFields, curlsTyped, readCurls } from "./CurlFields";
import { LocalCodeFields } from "./LocalCodeFields";
import { answersTyped, QuestionFields, readAnswers } from "./QuestionFields";
import { readSpacing, SpacingFields, spacingTyped } from "./SpacingFields";

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
  const [base, setBase] = useState(revision);
  const [kept, setKept] = useState(false);
  const form = useStudioForm({
    values: {
      answers: answersTyped(questions, policy),
      curls: curlsTyped(policy.curls),
      spacing: spacingTyped(policy.spacing),
      local: { country: policy.country, localNotes: policy.localNotes, aftercareWords: policy.aftercareWords },
    },
    input: ({ answers, curls, spacing, local }) => ({
      base,
      policy: {
        version: defaults.version,
        ...local,
        curls: readCurls(curls),
        spacing: readSpacing(spacing),
        ...readAnswers(questions, answers),
      },
    }),
    schema: () => import("./schema").then(({ policyChange }) => policyChange),
    send: savePolicy,
    staysAsTyped: true,
    onKept: (saved) => {
      setBase(saved.revision);
      setKept(true);
    },
    fieldOf: (path) => path.replace(/^policy\./, ""),
  });
  const { answers, curls, spacing, local } = form.now;
  const fillInDefaults = () => {
    // What the owner confirmed of the law is no default.
    form.set("answers", { ...answersTyped(questions, defaults), lashTintLawful: answers.lashTintLawful ?? defaults.lashTintLawful });
    form.set("spacing", spacingTyped(defaults.spacing));
    form.set("curls", curlsTyped(defaults.curls));
  };
  const fields = (
    <fieldset disabled={!mayChange}>
      <legend className="sr-only">Studio policy</legend>
      <QuestionFields questions={questions} value={answers} said={form.said} onChange={(next) => form.set("answers", next)} />
      <SpacingFields value={spacing} said={form.said} onChange={(next) => form.set("spacing", next)} />
      <CurlFields value={curls} said={form.said} onChange={(next) => form.set("curls", next)} />
      <LocalCodeFields value={local} said={form.said} onChange={(next) => form.set("local", next)} />
    </fieldset>
  );
  if (!mayChange)
    return (
      <>
        {fields}
        <p className="text-ink-2">Only the owner changes these.</p>
      </>
    );
  return (
    <FormBody
      form={form}
      submit="Keep the policy"
      more={
        <Button tone="plain" onClick={fillInDefaults}>
          Fill in the defaults
        </Button>
      }
    >
      {fields}
      {kept && !form.isDirty && !form.problem ? <Notice tone="good" title="Kept. Maps and clocks follow it from now on." /> : null}
      <UnsavedGuard when={form.isDirty} />
    </FormBody>
  );
}
