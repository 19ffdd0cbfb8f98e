import { SERVICES } from "../service";
import { z } from "zod";
import { LEAST_DEPTH, MOST_DEPTH } from "../colour/depth";
import { AREAS, partOf } from "../eye/areas";
import { DENSITIES } from "../eye/classes";
import { LIFT_WISHES, type LiftWish } from "../lift/chooseShield";
import { recipeSchema } from "../mixing/recipe";
import { checkProtocol } from "../protocol/checkProtocol";
import { protocolSchema } from "../protocol/protocol";
import { isProcess } from "../protocol/steps";

const keys = <T extends Record<string, unknown>>(record: T) => Object.keys(record) as [keyof T & string, ...(keyof T & string)[]];
export const depthSchema = z.number().min(LEAST_DEPTH, "Depth runs from 1 to 10.").max(MOST_DEPTH, "Depth runs from 1 to 10.");

/**
 * What was agreed for one client today: the protocol as it stood, minutes for each step, shield, recipes, the wish. It is
 * kept whole in the visit's events, so that a later change of the protocol changes no run.
 */
export const runPlanSchema = z
  .strictObject({
    protocol: protocolSchema,
    /** Of the studio's own protocol; null for a generic one. */
    protocolId: z.uuid().nullable(),
    revision: z.int32().min(1),
    areas: z
      .array(z.enum(AREAS))
      .min(1, "Choose where it goes on.")
      .max(AREAS.length)
      .refine((areas) => new Set(areas).size === areas.length, "An area is named once."),
    /** Planned seconds by step id. */
    seconds: z.record(z.string(), z.number()),
    /** Seconds after first touch at which a step is looked at early, by step id: its factors ask for less than the leaflet's shortest. */
    lookAtS: z.record(z.string(), z.number().min(0).max(3600)).optional(),
    pace: z.strictObject({
      hair: z.enum(["fine", "medium", "coarse"]),
      processed: z.boolean(),
      filmCover: z.boolean(),
      /** As an older plan noted it; without effect. */
      roomC: z.number().min(-10).max(50).nullable().optional(),
    }),
    density: z.enum(keys(DENSITIES)),
    wish: z.strictObject({
      lift: z.enum(keys(LIFT_WISHES) as [LiftWish, ...LiftWish[]]).nullable(),
      lashDepth: depthSchema.nullable(),
      browDepth: depthSchema.nullable(),
    }),
    /** Depth the hair has today. */
    from: z.strictObject({ lashDepth: depthSchema, browDepth: depthSchema }),
    shield: z
      .strictObject({
        shieldId: z.uuid(),
        name: z.string().max(40),
        radiusMm: z.number().min(1.5).max(10),
        /** In the middle of the line, degrees. */
        rawDeg: z.number().min(0).max(500),
        keptDeg: z.number().min(0).max(500),
      })
      .nullable(),
    /** What is mixed, by step id. */
    recipes: z.record(z.string(), recipeSchema),
  })
  .superRefine((plan, context) => {
    const refuse = (path: PropertyKey[], message: string) => context.addIssue({ code: "custom", path, message });
    const [problem] = checkProtocol(plan.protocol);
    if (problem) return refuse(["protocol", ...problem.path.split(".")], problem.why);
    const parts: readonly string[] = SERVICES[plan.protocol.service].parts;
    if (plan.areas.some((area) => !parts.includes(partOf(area)))) refuse(["areas"], "This protocol is not for that area.");
    for (const step of plan.protocol.steps.filter(isProcess)) {
      const planned = plan.seconds[step.id];
      if (planned === undefined) refuse(["seconds", step.id], `“${step.name}” has no time.`);
      else if (planned > step.mostS)
        refuse(["seconds", step.id], `The leaflet ends “${step.name}” at ${step.mostS / 60} min; nothing plans past it.`);
      else if (planned < step.leastS) refuse(["seconds", step.id], `The leaflet begins “${step.name}” at ${step.leastS / 60} min.`);
    }
  });
export type RunPlan = z.infer<typeof runPlanSchema>;
