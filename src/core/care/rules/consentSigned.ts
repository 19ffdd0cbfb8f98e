import { consentStanding } from "../consent";
import { finding, isAhead, type CareRule } from "../facts";

const LACK = {
  missing: "No signed consent for this service.",
  expired: "The consent for this service has run out: sign it again.",
  wording: "The wording of the consent has changed since it was signed: sign it again.",
} as const;

/** A consent for this service, in today's wording. */
export const consentSigned: CareRule = (service, facts, rules) => {
  if (!service.consent) return [];
  const { state } = consentStanding(facts.consents, service.id, facts.atMs, rules.consentMonths);
  return state === "valid" ? [] : [finding("noConsent", isAhead(facts) ? "note" : "ask", LACK[state], state)];
};
