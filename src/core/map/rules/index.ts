import type { MapFacts } from "../facts";
import { SEVERITIES, type Finding, type Rule } from "../finding";
import { droopingOuterEnd } from "./droopingOuterEnd";
import { leftBare } from "./leftBare";
import { loadOverLimit } from "./loadOverLimit";
import { longCorner } from "./longCorner";
import { notInStock } from "./notInStock";
import { overExtended } from "./overExtended";
import { practiceLength } from "./practiceLength";
import { steppedLine } from "./steppedLine";
import { unintendedAsymmetry } from "./unintendedAsymmetry";

/** A new check is a new file and one line here. */
export const RULES: readonly Rule[] = [
  practiceLength,
  overExtended,
  notInStock,
  loadOverLimit,
  longCorner,
  droopingOuterEnd,
  steppedLine,
  unintendedAsymmetry,
  leftBare,
];

/** All findings of a map, the gravest first, otherwise in the order of the rules. */
export function mapFindings(facts: MapFacts): Finding[] {
  const rank = (finding: Finding) => -SEVERITIES.indexOf(finding.severity);
  return RULES.flatMap((rule) => rule(facts)).sort((a, b) => rank(a) - rank(b));
}
