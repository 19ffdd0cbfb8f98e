import { ALLERGIES, CONDITIONS, type ConditionGroup, type Consultation } from "@/core/care";
import type { HairPart } from "@/core/eye";

/** What was answered, read out: what is so, in words; “nothing named” where nothing is. */
export function answersWords({
  conditions,
  allergies,
  otherAllergies,
  operation,
  elsewhere,
  processed,
  extensionsOn,
}: Consultation): string {
  const said = [
    ...conditions.map((id) => CONDITIONS[id].label),
    ...(operation ? [`eye operation${operation.on ? ` ${operation.on}` : ""}`] : []),
    ...allergies.map((id) => `allergic to ${ALLERGIES[id].label}`),
    ...(otherAllergies ? [`allergic to ${otherAllergies}`] : []),
    ...elsewhere.map(({ treatment, part, on }) => `${treatment} of ${part} elsewhere${on ? ` ${on}` : ""}`),
    ...(extensionsOn === null ? [] : [extensionsOn ? "extensions on" : "looked, no extensions on"]),
    ...(processed ? ["processed before"] : []),
  ];
  return said.length > 0 ? said.join("; ") : "nothing named";
}

/** The same to the client, question by question, so that “nothing has changed” is said of something. */
export function ownAnswers(
  { conditions, allergies, otherAllergies, operation, elsewhere }: Consultation,
  parts: readonly HairPart[],
): { readonly asked: string; readonly words: string }[] {
  const so = (group: ConditionGroup) => conditions.filter((id) => CONDITIONS[id].group === group).map((id) => CONDITIONS[id].question);
  const line = (asked: string, said: readonly string[], none: string) => ({ asked, words: said.length > 0 ? said.join("; ") : none });
  return [
    line("Your eyes and skin", so("eyes"), "no trouble"),
    line("Your health", so("health"), "nothing of what we ask about"),
    ...(parts.includes("brows") ? [line("Your brows", so("brows"), "nothing of what we ask about")] : []),
    line("An operation at your eyes", operation ? [`yes${operation.on ? `, ${operation.on}` : ""}`] : [], "none"),
    line(
      "What you are allergic to",
      [...allergies.map((id) => ALLERGIES[id].question), ...(otherAllergies ? [otherAllergies] : [])],
      "nothing",
    ),
    line(
      "Done elsewhere",
      elsewhere.map(({ treatment, part, on }) => `${treatment} of ${part}${on ? `, ${on}` : ""}`),
      "nothing",
    ),
  ];
}
