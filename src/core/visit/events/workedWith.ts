import type { WorkedWith } from "../../placing/workedWith";
import { eventKind, type Payload } from "./kind";
import type { workedWithPayload } from "./payload/workedWith";

/** What was worked with, or how: primer, dip, mask, fan, where the lashes of a zone are attached. The last word counts. */
export const workedWith = eventKind<Payload<typeof workedWithPayload>>({
  version: 1,
  fold: { set: (set, { payload }) => ({ ...set, with: said(set.with, payload) }) },
});

function said(before: WorkedWith, payload: Payload<typeof workedWithPayload>): WorkedWith {
  switch (payload.of) {
    case "primer":
      return { ...before, primer: { is: payload.is, batchId: payload.batchId } };
    case "dip":
      return { ...before, dip: payload.is };
    case "attachedAll":
      return { ...before, attachedAll: payload.is, attached: [] };
    case "attached": {
      const { side, layer, zone, is } = payload;
      const others = before.attached.filter((one) => one.side !== side || one.layer !== layer || one.zone !== zone);
      return { ...before, attached: [...others, { side, layer, zone, is }] };
    }
    default:
      return { ...before, [payload.of]: payload.is };
  }
}
