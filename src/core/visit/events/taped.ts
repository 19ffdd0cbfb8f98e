import { eventKind, type Payload } from "./kind";
import type { tapedPayload } from "./payload/taped";

/** Tape comes on or off. Either may have opened a lid: a look at the closed eyes is owed. */
export const taped = eventKind<Payload<typeof tapedPayload>>({
  version: 1,
  fold: {
    set: (set, { atMs }) => ({ ...set, checkDueSinceMs: set.checkDueSinceMs ?? atMs }),
    placing: (placing, { atMs, payload: { what, side, on } }) => {
      const isThis = (tape: (typeof placing.tapes)[number]) => tape.what === what && tape.side === side && tape.toMs === null;
      const others = placing.tapes.map((tape) => (isThis(tape) ? { ...tape, toMs: atMs } : tape));
      return { ...placing, tapes: on ? [...others, { what, side, fromMs: atMs, toMs: null }] : others };
    },
  },
});
