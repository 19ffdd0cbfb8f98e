import { formatMm } from "../units";
import type { MapLimits } from "./schema";

const WORDS: Readonly<Record<keyof MapLimits, (value: number | string) => string>> = {
  overLengthMm: (mm) => `over-length ${formatMm(Number(mm))} mm`,
  fineOverLengthMm: (mm) => `over-length on fine lashes ${formatMm(Number(mm))} mm`,
  corners: (school) => (school === "graded" ? "corners graded up" : "corners matched"),
  stepMm: (mm) => `step ${formatMm(Number(mm))} mm`,
  outerDropMm: (mm) => `outer drop ${formatMm(Number(mm))} mm`,
  loadRed: (index) => `load up to ${Number(index).toFixed(2)} ×`,
  attachmentOffsetMm: (mm) => `gap at the lid ${formatMm(Number(mm))} mm`,
};

/** The limits a map sets aside, each in words; none where it keeps the studio's. */
export function limitWords(limits: MapLimits = {}): string[] {
  return (Object.keys(WORDS) as (keyof MapLimits)[]).flatMap((limit) => {
    const value = limits[limit];
    return value === undefined ? [] : [WORDS[limit](value)];
  });
}
