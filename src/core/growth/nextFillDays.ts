import type { Policy } from "../policy";

/** Days until a set is filled where nothing is known of how it lasts. Common practice. */
const UNKNOWN_DAYS = 14;

const DAYS: Readonly<Record<Policy["fill"], number>> = { twoWeeks: 14, threeWeeks: 21, computed: UNKNOWN_DAYS };

/** After how many days the next fill is proposed, by the studio's school. */
export const nextFillDays = ({ fill }: Pick<Policy, "fill">): number => DAYS[fill];
