import type { ComeBackReason } from "../growth";
import type { Policy } from "../policy";
import { counted, formatPercent } from "../units";
import { GAP_SHOWS_MM, type NextFill } from "./nextFill";
import type { HazardFrom } from "./ownHazard";

const REASONS: Readonly<Record<ComeBackReason, (next: NextFill, policy: Pick<Policy, "fillDuePercent">) => string>> = {
  left: (_, { fillDuePercent }) => `by then ${fillDuePercent} % are left`,
  load: () => "a lash that grows comes over its load then",
  gaps: () => `gaps of ${GAP_SHOWS_MM} mm show by then`,
  threeWeeks: ({ left }) => `three weeks is the longest; ${formatPercent(left)} should be left`,
  notKnown: ({ left }) => `two weeks while nothing is known of how they last on this client; ${formatPercent(left)} should be left`,
};

/** Why that day, how sure it is, and what a week later would cost. */
export function nextFillWords(next: NextFill, from: HazardFrom, policy: Pick<Policy, "fillDuePercent">): string {
  const { day, earliest, latest, because, weekLater } = next;
  const range = earliest === latest ? "" : ` (day ${earliest} to ${latest})`;
  const by = {
    client: ` by this client’s own ${from.of === "client" ? counted(from.fills, "fill") : ""}`,
    studio: " by the studio’s fills",
    usual: "",
  };
  const later = [
    weekLater.minutes > 0 ? `${weekLater.minutes} minutes more` : "",
    weekLater.overLimit > 0 ? `${weekLater.overLimit} more ${weekLater.overLimit === 1 ? "lash" : "lashes"} over the limit` : "",
  ].filter(Boolean);
  return `Day ${day}${range}${by[from.of]}: ${REASONS[because](next, policy)}.${later.length > 0 ? ` A week later costs ${later.join(" and ")}.` : ""}`;
}
