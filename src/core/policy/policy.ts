import { z } from "zod";
import { QUESTIONS } from "./questions";

type Questions = typeof QUESTIONS;
const ofEach = <T>(of: (question: Questions[keyof Questions]) => T) =>
  Object.fromEntries(Object.entries(QUESTIONS).map(([key, question]) => [key, of(question)]));

/** Counts up whenever a question comes, goes, or changes what its answers mean: older policies then take its default. */
export const POLICY_VERSION = 10;

const answers = ofEach(({ schema }) => schema) as { readonly [Key in keyof Questions]: Questions[Key]["schema"] };

/** What a studio has decided where practitioners disagree. A product leaflet wins over all of it. */
export const policySchema = z
  .strictObject({ version: z.literal(POLICY_VERSION), ...answers })
  .refine((p) => p.fineOverLengthMm <= p.overLengthMm, {
    message: "Fine lashes cannot be given more than the rest.",
    path: ["fineOverLengthMm"],
  })
  .refine((p) => p.loadAmber < p.loadRed && p.loadAmberFan < p.loadRed, {
    message: "The stop must lie above the caution.",
    path: ["loadRed"],
  });
export type Policy = z.infer<typeof policySchema>;

/** The defaults of the trade, each with its reason in its question. */
export const defaultPolicy = { version: POLICY_VERSION, ...ofEach((question) => question.default) } as Policy;
