import { finding, isAhead, type CareRule } from "../facts";
import { addMonths } from "../patchTest";

/** Asked at every visit: confirmed on the day, whole again after some months or for a new kind of service. */
export const consultationAsked: CareRule = (service, facts, rules) => {
  // It is asked on the day.
  if (service.consultation === null || isAhead(facts)) return [];
  const asked = facts.consultation;
  if (!asked) return [finding("noConsultation", "ask", "The consultation has not been asked yet.")];
  if (!asked.kinds.includes(service.consultation))
    return [finding("noConsultation", "ask", `The consultation was never asked for a ${service.label}: ask it whole.`, "kind")];
  if (addMonths(asked.wholeAtMs, rules.consultationMonths) < facts.atMs)
    return [
      finding(
        "noConsultation",
        "ask",
        `The consultation was last asked whole over ${rules.consultationMonths} months ago: ask it whole.`,
        "old",
      ),
    ];
  if (asked.confirmedAtMs < facts.dayStartMs)
    return [finding("noConsultation", "ask", "The consultation has not been asked today.", "today")];
  return [];
};
