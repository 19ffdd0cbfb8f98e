import type { z } from "zod";
import { batchTakenPayload } from "./batchTaken";
import { beadPlacedPayload } from "./beadPlaced";
import { beadWipedPayload } from "./beadWiped";
import { bottleTakenPayload } from "./bottleTaken";
import { checkedPayload } from "./checked";
import { coatedPayload } from "./coated";
import { extendedPayload } from "./extended";
import { finishAppliedPayload } from "./finishApplied";
import { finishedPayload } from "./finished";
import { lookedPayload } from "./looked";
import { pasteMixedPayload } from "./pasteMixed";
import { resultJudgedPayload } from "./resultJudged";
import { rinseEndedPayload } from "./rinseEnded";
import { runPlannedPayload } from "./runPlanned";
import { runStoppedPayload } from "./runStopped";
import { setTestedPayload } from "./setTested";
import { shakeStartedPayload } from "./shakeStarted";
import { startedPayload } from "./started";
import { stopTakenBackPayload } from "./stopTakenBack";
import { taskDonePayload } from "./taskDone";
import { undonePayload } from "./undone";
import { wipedPayload } from "./wiped";
import { zonePlacedPayload } from "./zonePlaced";
import type { EventType } from "./index";
import type { Payload } from "./kind";

/** What each kind of event says, as a schema: for whoever reads events that come from outside or from the database. */
export const EVENT_PAYLOADS = {
  started: startedPayload,
  bottleTaken: bottleTakenPayload,
  shakeStarted: shakeStartedPayload,
  beadPlaced: beadPlacedPayload,
  beadWiped: beadWipedPayload,
  zonePlaced: zonePlacedPayload,
  checked: checkedPayload,
  finishApplied: finishAppliedPayload,
  setTested: setTestedPayload,
  runPlanned: runPlannedPayload,
  taskDone: taskDonePayload,
  batchTaken: batchTakenPayload,
  pasteMixed: pasteMixedPayload,
  coated: coatedPayload,
  wiped: wipedPayload,
  extended: extendedPayload,
  looked: lookedPayload,
  runStopped: runStoppedPayload,
  rinseEnded: rinseEndedPayload,
  stopTakenBack: stopTakenBackPayload,
  resultJudged: resultJudgedPayload,
  finished: finishedPayload,
  undone: undonePayload,
} satisfies Record<EventType, () => z.ZodType>;

export type EventPayload<Type extends EventType> = Payload<(typeof EVENT_PAYLOADS)[Type]>;
