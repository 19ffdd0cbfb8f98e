import { formatMm } from "../../units";
import type { LashMap, MapLimits } from "../schema";
import { type Finding, type Rule } from "../finding";

const WORDS: Readonly<Record<keyof MapLimits, (value: number | string) => string>> = {
  overLengthMm: (mm) => `over-length ${formatMm(Number(mm))} mm`,
  fineOverLengthMm: (mm) => `over-length on fine lashes ${formatMm(Number(mm))} mm`,
  corners: (school) => (school === "graded" ? "corners graded up" : "corners matched"),
  stepMm: (mm) => `step ${formatMm(Number(mm))} mm`,
  outerDropMm: (mm) => `outer drop ${formatMm(Number(mm))} mm`,
  loadRed: (index) => `load up to ${Number(index).toFixed(2)} ×`,
  attachmentOffsetMm: (mm) => `gap at the lid ${formatMm(Number(mm))} mm`,
};

/** A map that sets limits of the studio aside says so. */
export const limitsSetAside: Rule = ({ map }): Finding[] => {
  const set = Object.entries(map.limits ?? {}).filter(([, value]) => value !== undefined) as [keyof MapLimits, number | string][];
  if (set.length === 0) return [];
  return [
    {
      rule: "limitsSetAside",
      severity: "note",
      where: { side: "both", zones: [] },
      title: "This map has limits of its own",
      why: `${set
        .map(([key, value]) => WORDS[key](value))
        .join(", ")
        .replace(/^./, (letter) => letter.toUpperCase())}. The studio's policy says otherwise; the findings here follow this map.`,
      numbers: [],
      source: "Set on this map.",
      fix: { label: "Back to the studio's", apply: ({ limits: _, ...map }: LashMap) => map },
    },
  ];
};
