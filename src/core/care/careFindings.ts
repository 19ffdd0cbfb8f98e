import { serviceOf, servicesFor, type ServiceId } from "../service";
import { finding, gravestFirst, type CareFacts, type CareFinding, type CareRules } from "./facts";
import { CARE_RULES } from "./rules";

const NOT_ON_A_CLIENT = finding("practiceOnHead", "stop", "Practice is done on a mannequin head, not on a client.");
const NOT_ON_A_HEAD = finding("practiceOnHead", "stop", "This is a mannequin head: only practice is done on it.");

/**
 * What stands against a service for this client, stops first. The one answer for every way into a visit: booking, moving,
 * beginning, planning, and whenever a product is added or changed. Practice is done on a mannequin head, where nothing
 * stands against it, and nothing but practice is done on one.
 */
export function careFindings(id: ServiceId, facts: CareFacts, rules: CareRules): CareFinding[] {
  const service = { ...serviceOf(id), id };
  if (!servicesFor(facts.mannequin).includes(id)) return [facts.mannequin ? NOT_ON_A_HEAD : NOT_ON_A_CLIENT];
  if (facts.mannequin) return [];
  return gravestFirst(CARE_RULES.flatMap((rule) => rule(service, facts, rules)));
}

export const stopsOf = (findings: readonly CareFinding[]): CareFinding[] => findings.filter(({ weight }) => weight === "stop");
export const asksOf = (findings: readonly CareFinding[]): CareFinding[] => findings.filter(({ weight }) => weight === "ask");

/** What is asked and signed at every visit, on the spot: an overview leaves it out. */
const AT_THE_VISIT: readonly string[] = ["noConsultation", "noConsent"];
export const beforeTheVisit = (findings: readonly CareFinding[]): CareFinding[] =>
  findings.filter(({ rule }) => !AT_THE_VISIT.includes(rule));

/** Whether a reason written before covers everything that is asked now. */
export const isCovered = (findings: readonly CareFinding[], reason: string, keys: readonly string[]): boolean =>
  reason.trim().length >= LEAST_REASON && asksOf(findings).every(({ key }) => keys.includes(key));
/** A reason in fewer letters says nothing. */
export const LEAST_REASON = 3;
