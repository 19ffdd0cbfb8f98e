import type { MapFacts } from "../facts";
import { SEVERITIES, type Finding, type Rule } from "../finding";
import { accentsOverBase } from "./accentsOverBase";
import { babyLashes } from "./babyLashes";
import { cannotSeat } from "./cannotSeat";
import { eyeAdvice } from "./eyeAdvice";
import { droopingOuterEnd } from "./droopingOuterEnd";
import { heavyFan } from "./heavyFan";
import { leftBare } from "./leftBare";
import { limitsSetAside } from "./limitsSetAside";
import { loadOverLimit } from "./loadOverLimit";
import { longSet } from "./longSet";
import { longCorner } from "./longCorner";
import { mirroredMap } from "./mirroredMap";
import { notMeasured } from "./notMeasured";
import { notInStock } from "./notInStock";
import { overExtended } from "./overExtended";
import { practiceLength } from "./practiceLength";
import { shorterThanNatural } from "./shorterThanNatural";
import { steppedLine } from "./steppedLine";
import { thickSingle } from "./thickSingle";
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
  shorterThanNatural,
  thickSingle,
  thickSingleInHybrid,
  longCorner,
  droopingOuterEnd,
  steppedLine,
  unintendedAsymmetry,
  notMeasured,
  eyeAdvice,
  leftBare,
  accentsOverBase,
  longSet,
  babyLashes,
  limitsSetAside,
];

/** All findings of a map, the gravest first, otherwise in the order of the rules. */
export function mapFindings(facts: MapFacts): Finding[] {
  const rank = (finding: Finding) => -SEVERITIES.indexOf(finding.severity);
  const found = RULES.flatMap((rule) => rule(facts));
  return (facts.survey.mannequin ? found.map(forPractice) : found).sort((a, b) => rank(a) - rank(b));
}

/** Rules that guard a living lash: a mannequin head has none, so what they find is only told, for whoever learns. */
const GUARDING: readonly string[] = ["overExtended", "loadOverLimit", "heavyFan", "longCorner", "leftBare", "babyLashes", "thickSingle"];

const forPractice = (finding: Finding): Finding =>
  GUARDING.includes(finding.rule) ? { ...finding, severity: "note", why: `On a client: ${finding.why}` } : finding;
