import { endSpan, openSpan } from "../../placing/work";
import { eventKind, type Payload } from "./kind";
import type { pausedPayload } from "./payload/paused";

/** The work stands still until it is said to go on, or goes on. Why may be said afterwards: a pause that has no reason yet takes it. */
export const paused = eventKind<Payload<typeof pausedPayload>>({
  version: 1,
  fold: {
    placing: (placing, { atMs, payload: { why } }) => {
      const now = openSpan(placing.pauses);
      if (now?.why === null && why !== null) return { ...placing, pauses: [...placing.pauses.slice(0, -1), { ...now, why }] };
      return { ...placing, pauses: [...endSpan(placing.pauses, atMs), { why, fromMs: atMs, toMs: null }] };
    },
  },
});
