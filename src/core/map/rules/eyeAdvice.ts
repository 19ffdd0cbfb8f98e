import { sentence } from "../../units";
import { type Finding, type Rule } from "../finding";
import { lookAdvice } from "../lookAdvice";

/** What the client's eyes speak for and this map does not follow: a caution with its reason, never a ban, and a plan that does. */
export const eyeAdvice: Rule = ({ map, survey, trays }): Finding[] =>
  lookAdvice(survey, map, trays)
    // A curl that cannot seat on lashes that point down is told zone by zone, with its contact.
    .filter(({ heeded, id }) => !heeded && id !== "pointDown")
    // The caution for a look that rises says it all for a downturned eye.
    .filter(({ id }, _, all) => id !== "downturned" || !all.some((other) => other.caution))
    .map(({ id, about, says, reason, caution, plan }) => ({
      rule: id,
      severity: caution ? "look" : "note",
      where: { side: "both", zones: [] },
      title: `${sentence(about)}: ${says}`,
      why: reason,
      numbers: [],
      source: "Common practice. A caution, not a ban.",
      ...(plan ? { plan } : {}),
    }));
