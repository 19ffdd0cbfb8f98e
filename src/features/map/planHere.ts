/** The planner on the page itself, for where no worker answers. */
export { limitCosts, planMap } from "@/core/map";
