import { ALLERGIES, CONDITIONS, type Consultation } from "@/core/care";

/** What was answered, read out: what is so, in words; “nothing named” where nothing is. */
export function answersWords({
  conditions,
  allergies,
  otherAllergies,
  operation,
  elsewhere,
  processed,
  extensionsOn,
}: Consultation): string {
  const said = [
    ...conditions.map((id) => CONDITIONS[id].label),
    ...(operation ? [`eye operation${operation.on ? ` ${operation.on}` : ""}`] : []),
    ...allergies.map((id) => `allergic to ${ALLERGIES[id].label}`),
    ...(otherAllergies ? [`allergic to ${otherAllergies}`] : []),
    ...elsewhere.map(({ treatment, part, on }) => `${treatment} of ${part} elsewhere${on ? ` ${on}` : ""}`),
    ...(extensionsOn === null ? [] : [extensionsOn ? "extensions on" : "looked, no extensions on"]),
    ...(processed ? ["processed before"] : []),
  ];
  return said.length > 0 ? said.join("; ") : "nothing named";
}
