import { serviceOf } from "../../service";
import { consentStanding } from "../consent";
import { finding, isAhead, type CareRule } from "../facts";

const GROWN_UP = 18;

/** Whole years between two ISO dates. `ageOn("2010-11-26", "2026-11-25")` → 15 */
export function ageOn(bornOn: string, today: string): number {
  const years = Number(today.slice(0, 4)) - Number(bornOn.slice(0, 4));
  return today.slice(5) < bornOn.slice(5) ? years - 1 : years;
}

/** Too young for it; or, under eighteen, only with a guardian's consent. */
export const age: CareRule = (service, facts, rules) => {
  if (service.leastAge === null) return [];
  const least = service.leastAge === "colour" ? rules.colourAge : rules.extensionsAge;
  if (facts.bornOn === null) return [finding("ageUnknown", "ask", `Date of birth not written down: no ${service.label} under ${least}.`)];
  const years = ageOn(facts.bornOn, facts.today);
  if (years < least) return [finding("underAge", "stop", `${Math.max(0, years)} years old: no ${service.label} under ${least}.`)];
  if (years >= GROWN_UP) return [];
  const { state, consent } = consentStanding(facts.consents, service.id, facts.atMs, rules.consentMonths);
  if (state === "valid" && consent?.signedBy === "guardian") return [];
  const words = `${years} years old: a guardian signs the consent for a ${serviceOf(service.id).label}.`;
  return [finding("guardian", isAhead(facts) ? "note" : "stop", words)];
};
