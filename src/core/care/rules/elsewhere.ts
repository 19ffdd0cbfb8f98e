import { finding, type CareRule } from "../facts";

/** What was done elsewhere to the same hair: what, and when. */
export const elsewhere: CareRule = (service, facts) =>
  (facts.consultation?.document.elsewhere ?? [])
    .filter(({ part }) => service.parts.includes(part))
    .map(({ treatment, part, on }) =>
      finding(
        "elsewhere",
        "ask",
        `${treatment === "lift" && part === "brows" ? "Lamination" : `${treatment[0]!.toUpperCase()}${treatment.slice(1)} of ${part}`} elsewhere, ${on ? `on ${on}` : "nobody knows when"}: ask with what, and how it went.`,
        `${treatment} ${part} ${on ?? "?"}`,
      ),
    );
