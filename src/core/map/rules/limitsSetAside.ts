import { limitWords } from "../limitWords";
import type { LashMap } from "../schema";
import { type Finding, type Rule } from "../finding";

/** A map that sets limits of the studio aside says so. */
export const limitsSetAside: Rule = ({ map }): Finding[] => {
  const set = limitWords(map.limits);
  if (set.length === 0) return [];
  return [
    {
      rule: "limitsSetAside",
      severity: "note",
      where: { side: "both", zones: [] },
      title: "This map has limits of its own",
      why: `${set
        .join(", ")
        .replace(/^./, (letter) => letter.toUpperCase())}. The studio's policy says otherwise; the findings here follow this map.`,
      numbers: [],
      source: "Set on this map.",
      fix: { label: "Back to the studio's", apply: ({ limits: _, ...map }: LashMap) => map },
    },
  ];
};
