import { z } from "zod";
import type { DocumentKind } from "../document";
import { SERVICE_IDS } from "../service";
import { RECORDED } from "./recorded";
import { partsOf, VISIT_PART_IDS } from "./parts";
import { WHEN_IDS } from "./when";

const words = (least: number, most: number) => z.string().trim().min(least, "Say it in words.").max(most, `${most} characters at most.`);

export const checkStepSchema = z.strictObject({
  id: z.string().regex(/^[a-z][a-zA-Z0-9-]{0,40}$/, "A short name of letters, figures and dashes."),
  part: z.enum(VISIT_PART_IDS),
  name: words(1, 80),
  /** Why it is done; said beside it. */
  why: words(0, 240),
  minutes: z.number().min(0, "From 0 to 60 minutes.").max(60, "From 0 to 60 minutes."),
  when: z.enum(WHEN_IDS),
  /** What of the visit's own record ties it; null where a hand has to. */
  recordedAs: z.enum(RECORDED).nullable(),
});
export type CheckStep = z.infer<typeof checkStepSchema>;

/** The steps of a visit of one service, in the order of work. */
export const checklistSchema = z
  .strictObject({
    version: z.literal(1),
    service: z.enum(SERVICE_IDS),
    steps: z.array(checkStepSchema).min(1, "One step at least.").max(80, "80 steps at most."),
  })
  .superRefine(({ service, steps }, check) => {
    const parts = partsOf(service);
    steps.forEach((step, i) => {
      const say = (path: string, message: string) => check.addIssue({ code: "custom", path: ["steps", i, path], message });
      if (steps.findIndex(({ id }) => id === step.id) < i) say("id", "Two steps cannot be the same one.");
      if (!parts.includes(step.part)) say("part", "A visit of this service has no such part.");
      if (i > 0 && parts.indexOf(step.part) < parts.indexOf(steps[i - 1]!.part)) say("part", "It stands after a part that comes later.");
    });
  });
export type Checklist = z.infer<typeof checklistSchema>;

export const checklistDocument: DocumentKind<Checklist> = { name: "checklist", version: 1, schema: checklistSchema };
