import { allergyOf } from "../allergies";
import { finding, type CareRule } from "../facts";
import { familiesUsed } from "../families";

/** An allergy on record stops its family, whatever the brand; latex, tape and pads are asked, and the substitute named. */
export const allergy: CareRule = (service, facts) => {
  const families = familiesUsed(service, facts);
  const known = facts.allergies.flatMap((id) => {
    const { label, stops, substitute, part } = allergyOf(id);
    if (stops !== null)
      return families.includes(stops)
        ? [
            finding(
              "allergy",
              "stop",
              `Allergic to ${label}: no ${service.label}. Another brand is no way round, and no patch test here.`,
              id,
            ),
          ]
        : [];
    if (part && !service.parts.includes(part)) return [];
    return [finding("allergy", "ask", `Allergic to ${label}: use ${substitute}.`, id)];
  });
  const other = facts.consultation?.document.otherAllergies ?? "";
  return other ? [...known, finding("otherAllergy", "ask", `Another allergy was named: ${other}.`, other)] : known;
};
