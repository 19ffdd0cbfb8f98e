import type { MapFacts } from "../facts";
import { SEVERITIES, type Finding, type Rule } from "../finding";
import { cannotSeat } from "./cannotSeat";
import { catOnDroopingEye } from "./catOnDroopingEye";
import { droopingOuterEnd } from "./droopingOuterEnd";
import { heavyFan } from "./heavyFan";
import { leftBare } from "./leftBare";
import { limitsSetAside } from "./limitsSetAside";
import { loadOverLimit } from "./loadOverLimit";
import { longCorner } from "./longCorner";
import { mirroredMap } from "./mirroredMap";
import { notInStock } from "./notInStock";
import { overExtended } from "./overExtended";
import { practiceLength } from "./practiceLength";
import { steppedLine } from "./steppedLine";
import { thickSingleInHybrid } from "./thickSingleInHybrid";
import { unintendedAsymmetry } from "./unintendedAsymmetry";

/** A new check is a new file and one line here. */
export const RULES: readonly Rule[] = [
  practiceLength,
  overExtended,
  notInStock,
  loadOverLimit,
  mirroredMap,
  heavyFan,
  cannotSeat,
  thickSingleInHybrid,
  longCorner,
  droopingOuterEnd,
  steppedLine,
  unintendedAsymmetry,
  catOnDroopingEye,
  leftBare,
  limitsSetAside,
];

/** All findings of a map, the gravest first, otherwise in the order of the rules. */
export function mapFindings(facts: MapFacts): Finding[] {
  const rank = (finding: Finding) => -SEVERITIES.indexOf(finding.severity);
  return RULES.flatMap((rule) => rule(facts)).sort((a, b) => rank(a) - rank(b));
}
