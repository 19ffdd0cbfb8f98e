import { CONDITIONS, type ConditionGroup } from "./conditions";
import type { Consultation } from "./consultation";

/** The groups of questions that a consultation asks, each answered by what is so or by "none of these". */
export type QuestionGroup = ConditionGroup | "operation" | "allergies" | "elsewhere";

/** Which groups nobody has answered yet: nothing of them is so, and nobody said that nothing is. `none` holds what was said of each. */
export function openQuestions(
  document: Pick<Consultation, "conditions" | "operation" | "allergies" | "otherAllergies" | "elsewhere">,
  none: Readonly<Partial<Record<QuestionGroup, boolean>>>,
  groups: readonly ConditionGroup[],
): QuestionGroup[] {
  const { conditions, operation, allergies, otherAllergies, elsewhere } = document;
  const isSo: Readonly<Record<QuestionGroup, boolean>> = {
    ...(Object.fromEntries(groups.map((group) => [group, conditions.some((one) => CONDITIONS[one].group === group)])) as Record<
      ConditionGroup,
      boolean
    >),
    operation: operation !== null,
    allergies: allergies.length > 0 || otherAllergies.trim() !== "",
    elsewhere: elsewhere.length > 0,
  };
  return [...groups, "operation" as const, "allergies" as const, "elsewhere" as const].filter((group) => !none[group] && !isSo[group]);
}
