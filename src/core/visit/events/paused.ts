import { endSpan } from "../../placing/work";
import { eventKind, type Payload } from "./kind";
import type { pausedPayload } from "./payload/paused";

/** The work stands still until it is said to go on, or goes on. */
export const paused = eventKind<Payload<typeof pausedPayload>>({
  version: 1,
  fold: {
    placing: (placing, { atMs, payload: { why } }) => ({
      ...placing,
      pauses: [...endSpan(placing.pauses, atMs), { why, fromMs: atMs, toMs: null }],
    }),
  },
});
