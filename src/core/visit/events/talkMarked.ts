import { endSpan } from "../../placing/work";
import { eventKind, type Payload } from "./kind";
import type { talkMarkedPayload } from "./payload/talkMarked";

/** From here the client talks or moves, or does so no more. */
export const talkMarked = eventKind<Payload<typeof talkMarkedPayload>>({
  version: 1,
  fold: {
    placing: (placing, { atMs, payload: { on } }) => {
      const ended = endSpan(placing.talk, atMs);
      return { ...placing, talk: on ? [...ended, { fromMs: atMs, toMs: null }] : ended };
    },
  },
});
