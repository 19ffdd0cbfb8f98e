import { z } from "zod";
import { eventKind } from "./kind";

/** Takes back another event of the same visit. What it unmakes is left out before anything is folded. */
export const undone = eventKind({ version: 1, payload: z.strictObject({ eventId: z.uuid() }), undo: "never", fold: {} });
