import { z } from "zod";
import { airSchema } from "@/core/air";

/** A minute past now is allowed for: devices' clocks wander. */
const AHEAD_MS = 60_000;
const BEHIND_MS = 400 * 86_400_000;

/** What a hygrometer hands in. `now` decides what is too far ahead or behind, ms since 1970. */
export const readingBatchSchema = (nowMs: number) =>
  z.strictObject({
    readings: z
      .array(
        airSchema.extend({
          takenAt: z.iso.datetime({ offset: true, error: "takenAt must be an ISO time with its zone." }).refine(
            (text) => {
              const at = Date.parse(text);
              return at <= nowMs + AHEAD_MS && at >= nowMs - BEHIND_MS;
            },
            { message: "takenAt lies in the future, or over a year back: check the device's clock." },
          ),
        }),
      )
      .min(1, "A batch holds at least one reading.")
      .max(500, "At most 500 readings at once."),
  });
