import type { Treated } from "../../service";
import { finding, type CareRule } from "../facts";
import { spanWords } from "../spanWords";
import { spacingAgainst, spacingOf } from "../spacing";

const LASHES: Treated["part"] = "lashes";

const where = { here: "", elsewhere: " elsewhere", agreed: " by then" } as const;

/** Too soon after what was done to the same hair. */
export const spacing: CareRule = (service, facts, rules) =>
  spacingAgainst(service.counts, facts.past, facts.atMs, rules.spacing).map(({ id, weight, hours, until, before }) => {
    const words = spacingOf(id).words;
    return finding(
      "spacing",
      weight,
      `${service.parts.includes(LASHES) && spacingOf(id).then.part === LASHES ? "Lashes" : "Brows"} ${words} ${spanWords(hours)} before${where[before.known]}: ${weight === "stop" ? "not" : "asked about"} before ${spanWords(until)}.`,
      `${id} ${before.atMs}`,
    );
  });
