import { EVENT_KINDS, visitState, type EventPayload, type EventType, type KeptEvent } from "@/core/visit";

const VISIT = "00000000-0000-4000-8000-000000000001";
let made = 0;

/** An event of one visit at a moment, ms, as the server keeps it. Ids count up in the order of making. */
export function eventAt<Type extends EventType>(
  atMs: number,
  type: Type,
  payload: EventPayload<Type>,
  over: Partial<KeptEvent> = {},
): KeptEvent {
  const at = new Date(atMs).toISOString();
  return {
    id: `00000000-0000-4000-9000-${String((made += 1)).padStart(12, "0")}`,
    visitId: VISIT,
    at,
    clock: "checked",
    type,
    version: EVENT_KINDS[type].version,
    payload: payload as KeptEvent["payload"],
    serverTime: at,
    seq: null,
    ...over,
  };
}

/** The run that such events fold into. */
export const runOf = (events: readonly KeptEvent[]) => visitState(events).run;
