import { defaultPolicy, type Policy } from "./policy";
import type { Question } from "./question";
import { QUESTIONS } from "./questions";

/** A question as the form asks it: plain words, so that the page that asks carries no schema. */
export type FormQuestion = {
  readonly key: keyof Policy;
  readonly group: string;
  readonly label: string;
  readonly unit: string;
  readonly options: readonly { readonly value: string; readonly label: string }[] | null;
  /** Why the default is what it is, what it is, and where it comes from. */
  readonly hint: string;
};

const all = Object.entries(QUESTIONS) as readonly (readonly [keyof typeof QUESTIONS, Question & { readonly group: string | null }])[];

/** Every question of the form in the order it is asked; those with forms of their own are left out. */
export const policyForm: readonly FormQuestion[] = all.flatMap(([key, { group, label, unit = "", options, reason, standing }]) => {
  if (group === null) return [];
  const usual = options ? answerWords(defaultPolicy, key) : `${String(defaultPolicy[key])} ${unit}`.trim();
  return [
    {
      key,
      group,
      label,
      unit,
      options: options ? Object.entries(options).map(([value, words]) => ({ value, label: words })) : null,
      hint: `${reason} Default: ${usual} (${standing}).`,
    },
  ];
});

/** What a policy answers to a question, in its words. `answerWords(policy, "dip")` → "about 1 mm" */
export function answerWords(policy: Policy, key: keyof typeof QUESTIONS): string {
  const { options }: Question = QUESTIONS[key];
  const answer = String(policy[key]);
  return options?.[answer] ?? answer;
}
