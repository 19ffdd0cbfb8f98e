import { z } from "zod";
import { readKeptEvents } from "@/core/visit";

/** A visit under way, for the clocks that hang on every screen. */
export const runningVisitSchema = z.object({
  id: z.uuid(),
  clientId: z.uuid(),
  clientName: z.string(),
  chairName: z.string(),
  /** Agreed with this person, or tapped at by them. */
  mine: z.boolean(),
  /** When the eyes may open as it looks now, ms; null while placing goes on. */
  eyesMayAtMs: z.number().nullable(),
});
export type RunningVisit = z.infer<typeof runningVisitSchema>;

/** What the server answers: the visits, and of each the events that were not known yet. */
export const runningAnswerSchema = z.object({
  visits: z.array(runningVisitSchema.extend({ events: z.unknown().transform(readKeptEvents) })),
});
export type RunningAnswer = z.infer<typeof runningAnswerSchema>;
