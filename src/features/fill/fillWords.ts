import type { FillOutlook, TakeOffReason } from "@/core/fill";
import { shareLeft } from "@/core/retention/shareLeft";
import type { HazardFrom } from "@/core/retention";
import { counted, formatPercent } from "@/core/units";

/** Why extensions come off, in words. */
export const OFF_REASONS: Readonly<Record<TakeOffReason, string>> = {
  twisted: "twisted",
  load: "too heavy where they stand now",
  outgrown: "outgrown",
  all: "by the studio's rule",
};

/** "128 of 213 left (60 %, 53 to 67 %)" */
function leftWords({ left, worn }: { readonly left: number; readonly worn: number }): string {
  if (left > worn) return `${left} counted, ${worn} were on`;
  const { mid, low, high } = shareLeft({ left, worn });
  return `${left} of ${worn} left (${formatPercent(mid)}, ${formatPercent(low)} to ${formatPercent(high)})`;
}

/** How old the set is, as far as that is known, and what of it is left, or may be: "The set is 20 days old: 128 of 213 left (60 %, 53 to 67 %)" */
export function foundWords({ days, share, expected, uncounted, isKnown }: FillOutlook, from: HazardFrom): string {
  const set = days === null ? "The studio has no record of the set" : `The set is ${counted(Math.round(days), "day")} old`;
  if (share) {
    const notYet = uncounted > 0 ? ` in the zones counted, ${uncounted} are not yet` : "";
    if (days === null) return `${set}: ${share.left} on where the map asks for ${share.worn}${notYet}`;
    const unlearned = isKnown ? "" : "; how many were on is what the map asks for, so it is not learned from";
    return `${set}: ${leftWords(share)}${notYet}${unlearned}`;
  }
  if (expected === null) return `${set}: nothing counted yet`;
  const by = { client: ` by this client’s last ${from.of === "client" ? from.fills : ""}`, studio: " by the studio’s fills", usual: "" };
  return `${set}: nothing counted yet, about ${expected.left} of ${expected.worn} may be left${by[from.of]}`;
}

/** What it comes to: how many come off, how many are placed, how long that takes. */
export function workWords({ removals, gaps, minutes }: FillOutlook): string {
  const off = removals.reduce((sum, { rest }) => sum + rest, 0);
  const place = gaps.spots.reduce((sum, { planned }) => sum + planned, 0);
  return `${off > 0 ? `${off} to come off, ` : ""}${place} ${place === 1 ? "lash" : "lashes"} to place, about ${minutes.off + minutes.place} min`;
}
