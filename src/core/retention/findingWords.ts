import { counted, sentence } from "../units";
import type { Behind } from "./factorColumns";
import type { Effect, Silent, Told } from "./findings";

/** Ratios as they are said: "1.8"; below one and hardly above it to two places, "0.64", "1.04". */
export const ratioWords = (ratio: number): string => ratio.toFixed(ratio < 1.095 && Math.abs(ratio - 1) >= 0.005 ? 2 : 1);

const behindWords = ({ fills, clients }: Behind) => `from ${counted(fills, "fill")} of ${counted(clients, "client")}`;

/**
 * One effect in a plain sentence: "Below 40 % humidity: bonds lost 1.8 times as fast as with 40 to 60 % humidity (1.2 to 2.6),
 * from 61 fills of 24 clients, season allowed for."
 */
export function effectWords(
  { reference, isFound }: Pick<Told, "reference" | "isFound">,
  { level, ratio, low, high, behind }: Effect,
): string {
  const says = isFound && (low > 1 || high < 1);
  const range = `${ratioWords(low)} to ${ratioWords(high)}`;
  const what = says
    ? `bonds lost ${ratioWords(ratio)} times as fast as with ${reference.label} (${range})`
    : `no difference to ${reference.label} that can be told (${range} times)`;
  return `${sentence(level.label)}: ${what}, ${behindWords(behind)}, season allowed for.`;
}

/** Why nothing is said, with what is missing: "15 more clients would tell". */
export function silenceWords({ why, factor }: Pick<Silent, "why" | "factor">): string {
  switch (why.is) {
    case "tooFew": {
      const missing = [
        why.fills > 0 ? counted(why.fills, "more fill") : "",
        why.clients > 0 ? counted(why.clients, "more client") : "",
      ].filter(Boolean);
      return `${sentence(missing.join(" and ") || "more fills")} would tell.`;
    }
    case "oneWay":
      return "So far always the same way: nothing to compare.";
    case "goesWith":
      return factor.isChosenByClient && why.other === factor.label
        ? "Always the same for each client: only what changes within a client tells."
        : `Cannot be told from ${why.other}.`;
    case "extreme":
      return "All or nothing was lost one way: there is no ratio.";
    case "noFit":
      return "The counts do not bear this reckoning.";
  }
}
