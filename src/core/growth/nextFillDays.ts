import type { Policy } from "../policy";

/** Two weeks is the rule where nothing is known of how a set lasts, three is pushing it. Common practice. */
export const [UNKNOWN_DAYS, LATEST_DAYS] = [14, 21] as const;

const DAYS: Readonly<Record<Policy["fill"], number>> = { twoWeeks: 14, threeWeeks: LATEST_DAYS, computed: UNKNOWN_DAYS };

/** After how many days the next fill is proposed, by the studio's school. */
export const nextFillDays = ({ fill }: Pick<Policy, "fill">): number => DAYS[fill];
