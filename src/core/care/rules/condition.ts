import { sentence } from "../../units";
import { conditionOf, type Condition } from "../conditions";
import { finding, isAhead, type CareFacts, type CareRule } from "../facts";
import { familiesUsed } from "../families";

/** What the client has: some stops, some is asked. For a visit on a later day it is only a note, and asked again then. */
export const condition: CareRule = (service, facts) => {
  const families = familiesUsed(service, facts);
  return (facts.consultation?.document.conditions ?? []).flatMap((id) => {
    const { label, families: only, part } = conditionOf(id);
    if (only && !only.some((family) => families.includes(family))) return [];
    if (part && !service.parts.includes(part)) return [];
    // Itching since a patch test speaks against what needs one.
    if (id === "sincePatchTest" && families.length === 0) return [];
    const { weight, why } = weigh(id, service.id === "removal", facts);
    if (isAhead(facts)) return [finding("condition", "note", `${sentence(label)}: ask again on the day.`, id)];
    return [finding("condition", weight, `${sentence(label)}: ${why}`, id)];
  });
};

function weigh(id: Condition, isRemoval: boolean, { consultation, products }: CareFacts): { weight: "stop" | "ask"; why: string } {
  const word = consultation!.document.doctorsWord;
  if (id === "inflamed" && isRemoval)
    return word
      ? { weight: "ask", why: `a doctor's word is noted: ${word}` }
      : { weight: "stop", why: "a removal only at a doctor's word, noted at the consultation." };
  // Dust of a powder is breathed in.
  const powder = id === "asthma" && products.find(({ family, isPowder }) => family === "lightener" && isPowder);
  if (powder) return { weight: "stop", why: `${powder.name} is a powder; never with asthma.` };
  const { weight, advice } = conditionOf(id);
  return weight === "stop"
    ? { weight: "stop", why: "not today. A doctor's word comes first." }
    : { weight: "ask", why: `${advice ? `${advice}; ` : ""}ask, and write down why it goes ahead.` };
}
