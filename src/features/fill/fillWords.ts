import type { FillOutlook, TakeOffReason } from "@/core/fill";
import { shareLeft } from "@/core/retention/shareLeft";
import { formatPercent } from "@/core/units";

/** Why extensions come off, in words. */
export const OFF_REASONS: Readonly<Record<TakeOffReason, string>> = {
  twisted: "twisted",
  load: "too heavy where they stand now",
  outgrown: "outgrown",
  all: "by the studio's rule",
};

/** "128 of 213 left (60 %, 53 to 67 %)" */
export function leftWords({ left, worn }: { readonly left: number; readonly worn: number }): string {
  if (left > worn) return `${left} counted, ${worn} were on`;
  const { mid, low, high } = shareLeft({ left, worn });
  return `${left} of ${worn} left (${formatPercent(mid)}, ${formatPercent(low)} to ${formatPercent(high)})`;
}

/** What it comes to: how many come off, how many are placed, how long that takes. */
export function workWords({ removals, gaps, minutes }: FillOutlook): string {
  const off = removals.reduce((sum, { rest }) => sum + rest, 0);
  const place = gaps.spots.reduce((sum, { planned }) => sum + planned, 0);
  return `${off > 0 ? `${off} to come off, ` : ""}${place} ${place === 1 ? "lash" : "lashes"} to place, about ${minutes.off + minutes.place} min`;
}
