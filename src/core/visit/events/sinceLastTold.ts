import { eventKind, type Payload } from "./kind";
import type { sinceLastToldPayload } from "./payload/sinceLastTold";

/** What the client told of the days since the last visit, one answer at a time. The last word counts; null takes it back. */
export const sinceLastTold = eventKind<Payload<typeof sinceLastToldPayload>>({
  version: 1,
  undo: "notByPedal",
  fold: { fill: (fill, { payload: { of, is } }) => ({ ...fill, since: { ...fill.since, [of]: is } }) },
});
