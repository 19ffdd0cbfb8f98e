import { z } from "zod";
import { airSchema } from "@/core/air";

/** A minute past now is allowed for: devices' clocks wander. */
const AHEAD_MS = 60_000;
const BEHIND_MS = 400 * 86_400_000;
const [EARLIEST, LATEST] = [Date.UTC(2000, 0, 1), Date.UTC(2100, 0, 1)];
/** A moment with its zone, whatever the zone, as the same moment in UTC. */
const moment = (error: string) =>
  z.iso
    .datetime({ offset: true, error })
    .refine((text) => Date.parse(text) >= EARLIEST && Date.parse(text) < LATEST, error)
    .transform((text) => new Date(text).toISOString());

/**
 * What a hygrometer hands in. `now` decides what is too far ahead or behind, ms since 1970; where the device says what
 * time it believes it is (`sentAt`), its own readings are judged by that.
 */
export const readingBatchSchema = (nowMs: number) =>
  z
    .strictObject({
      sentAt: moment("sentAt must be an ISO time with its zone.").optional(),
      readings: z
        .array(airSchema.extend({ takenAt: moment("takenAt must be an ISO time with its zone.") }))
        .min(1, "A batch holds at least one reading.")
        .max(500, "At most 500 readings at once."),
    })
    .superRefine(({ sentAt, readings }, context) => {
      const by = sentAt === undefined ? nowMs : Date.parse(sentAt);
      readings.forEach(({ takenAt }, i) => {
        const at = Date.parse(takenAt);
        if (at > by + AHEAD_MS || at < by - BEHIND_MS)
          context.addIssue({
            code: "custom",
            path: ["readings", i, "takenAt"],
            message: "takenAt lies in the future, or over a year back: check the device's clock, or send sentAt.",
          });
      });
    });
