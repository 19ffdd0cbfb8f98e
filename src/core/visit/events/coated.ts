import { stepOf } from "../../processing/runState";
import { eventKind, type Payload } from "./kind";
import type { coatedPayload } from "./payload/coated";

/** First touch: from here its time counts. Where something lies on already, a second touch changes nothing. */
export const coated = eventKind<Payload<typeof coatedPayload>>({
  version: 1,
  fold: {
    run: (run, { id, atMs, payload: { stepId, area } }) => {
      if (run.coats.some((coat) => coat.area === area && coat.offAtMs === null)) return run;
      const paste = stepOf(run, stepId)?.mix ? run.pastes.findLast((one) => one.stepId === stepId) : undefined;
      const coat = { eventId: id, stepId, area, onAtMs: atMs, offAtMs: null, extraS: 0, looks: [], pasteEventId: paste?.eventId ?? null };
      return { ...run, coats: [...run.coats, coat] };
    },
  },
});
