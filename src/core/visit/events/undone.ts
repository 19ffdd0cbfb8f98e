import { eventKind, type Payload } from "./kind";
import type { undonePayload } from "./payload/undone";

/** Takes back another event of the same visit. What it unmakes is left out before anything is folded. */
export const undone = eventKind<Payload<typeof undonePayload>>({ version: 1, undo: "never", fold: {} });
