import { partOf } from "../eye/areas";
import { mixFor, mixObjection, type Mix, type MixProblem } from "../mixing/mixFor";
import type { Product } from "../mixing/product";
import { processSteps } from "../protocol/steps";
import type { RunPlan } from "./runPlan";
import { sentence } from "../units";

export type PlannedMix = {
  readonly stepId: string;
  readonly mix: Mix | MixProblem;
  /** Why it may not be mixed, naming the step; null where it may. */
  readonly objection: string | null;
};

/** What a plan would mix, step by step in order, for steps that go on somewhere; `limit` is the most peroxide on lashes, as a fraction by weight. */
export function planMixes(
  plan: Pick<RunPlan, "protocol" | "areas" | "density" | "recipes">,
  products: ReadonlyMap<string, Product>,
  limit: number,
): PlannedMix[] {
  return processSteps(plan.protocol).flatMap(({ id: stepId, name, on }) => {
    const recipe = plan.recipes[stepId];
    const areas = plan.areas.filter((area) => partOf(area) === on);
    if (!recipe || areas.length === 0) return [];
    const mix = mixFor(recipe, products, { areas, density: plan.density }, on, limit);
    const why = mixObjection(mix);
    return [{ stepId, mix, objection: why && `${sentence(name)}: ${why}` }];
  });
}
