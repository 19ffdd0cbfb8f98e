import { z } from "zod";
import { recipeSchema } from "@/core/mixing";
import { runPlanSchema, type PlanDraft } from "@/core/processing";

// Fetched by a page that finds a draft: no page carries the schemas for it.

const plan = runPlanSchema.shape;
const planDraftSchema: z.ZodType<PlanDraft> = z.object({
  protocolKey: z.string(),
  areas: z.array(plan.areas.element),
  pace: plan.pace,
  density: plan.density,
  wish: plan.wish,
  from: plan.from,
  ownSeconds: z.record(z.string(), z.number()),
  shieldId: z.string().nullable(),
  recipes: z.record(z.string(), recipeSchema),
  reason: z.string(),
});

/** A plan as it was being made on this tablet; null where an older page kept it otherwise. */
export const readPlanDraft = (document: unknown): PlanDraft | null => planDraftSchema.safeParse(document).data ?? null;
