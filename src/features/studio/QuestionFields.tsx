"use client";
import type { FormQuestion, Policy } from "@/core/policy";
import { SelectField, TextField } from "@/ui";
import { readNumber } from "@/ui/readNumber";

/** Answers as typed, by the question's key. */
export type TypedAnswers = Readonly<Record<string, string>>;

export const answersTyped = (questions: readonly FormQuestion[], policy: Policy): TypedAnswers =>
  Object.fromEntries(questions.map(({ key }) => [key, String(policy[key])]));

/** Answers to be kept. A figure left empty is left out, one that cannot be read is none: both are refused by name. */
export const readAnswers = (questions: readonly FormQuestion[], typed: TypedAnswers): Record<string, string | number | undefined> =>
  Object.fromEntries(
    questions.map(({ key, options }) => {
      const text = typed[key] ?? "";
      return [key, options ? text : text.trim() === "" ? undefined : (readNumber(text) ?? Number.NaN)];
    }),
  );

/** The questions of the policy, group by group, each with its default and the reason. */
export function QuestionFields({
  questions,
  value,
  said,
  onChange,
}: {
  questions: readonly FormQuestion[];
  value: TypedAnswers;
  /** What is wrong at a place of the policy. */
  said: (path: string) => string | undefined;
  onChange: (value: TypedAnswers) => void;
}) {
  const groups = [...new Set(questions.map(({ group }) => group))];
  return groups.map((group) => (
    <div key={group} className="border-t border-line py-4">
      <h3 className="text-xl">{group}</h3>
      <div className="mt-2 grid gap-x-8 gap-y-4 md:grid-cols-2">
        {questions
          .filter((question) => question.group === group)
          .map(({ key, label, hint, unit, options }) => {
            const common = { label, hint, error: said(key), value: value[key] ?? "", name: key };
            const change = (text: string) => onChange({ ...value, [key]: text });
            return options ? (
              <SelectField key={key} {...common} onChange={(event) => change(event.target.value)}>
                {options.map((option) => (
                  <option key={option.value} value={option.value}>
                    {option.label}
                  </option>
                ))}
              </SelectField>
            ) : (
              <TextField key={key} {...common} unit={unit} inputMode="decimal" onChange={(event) => change(event.target.value)} />
            );
          })}
      </div>
    </div>
  ));
}
