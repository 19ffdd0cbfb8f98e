import { z } from "zod";
import { typedDay } from "@/server/typed";

const clock = z.iso.time({ precision: -1, error: "Give the hour, as 14:30." });

/** A source's readings between two moments on the studio's clock, and why they are taken back. */
export const takeBackForm = z.strictObject({
  id: z.uuid(),
  sensorId: z.uuid("Choose whose readings."),
  fromDay: typedDay("Give the day."),
  fromTime: clock,
  toDay: typedDay("Give the day."),
  toTime: clock,
  why: z.string().trim().min(3, "Say why, a word at least.").max(500, "500 characters at most."),
});
