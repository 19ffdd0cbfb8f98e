import { z } from "zod";
import { depthSchema } from "./runPlan";

/** How a run came out. What nobody judged is null: only what was answered is learned from. */
export const runResultSchema = z.strictObject({
  /** Kept turn in the middle of the line, degrees, and how it was read. */
  turn: z.strictObject({ seenDeg: z.number().min(-90).max(270), by: z.enum(["card", "photo"]) }).nullable(),
  lashDepth: depthSchema.nullable(),
  browDepth: depthSchema.nullable(),
  even: z.boolean().nullable(),
  comfort: z.enum(["well", "tickled", "stung"]).nullable(),
});
export type RunResult = z.infer<typeof runResultSchema>;
