import type { z } from "zod";
import { batchTakenPayload } from "./payload/batchTaken";
import { beadPlacedPayload } from "./payload/beadPlaced";
import { beadWipedPayload } from "./payload/beadWiped";
import { bottleTakenPayload } from "./payload/bottleTaken";
import { checkedPayload } from "./payload/checked";
import { coatedPayload } from "./payload/coated";
import { correctedPayload } from "./payload/corrected";
import { extendedPayload } from "./payload/extended";
import { finishAppliedPayload } from "./payload/finishApplied";
import { finishedPayload } from "./payload/finished";
import { lashPlacedPayload } from "./payload/lashPlaced";
import { lashRedonePayload } from "./payload/lashRedone";
import { leftCountedPayload } from "./payload/leftCounted";
import { lookedPayload } from "./payload/looked";
import { pasteMixedPayload } from "./payload/pasteMixed";
import { pausedPayload } from "./payload/paused";
import { replannedPayload } from "./payload/replanned";
import { resultJudgedPayload } from "./payload/resultJudged";
import { resumedPayload } from "./payload/resumed";
import { rinseEndedPayload } from "./payload/rinseEnded";
import { runPlannedPayload } from "./payload/runPlanned";
import { runStoppedPayload } from "./payload/runStopped";
import { setTestedPayload } from "./payload/setTested";
import { shakeStartedPayload } from "./payload/shakeStarted";
import { startedPayload } from "./payload/started";
import { stopTakenBackPayload } from "./payload/stopTakenBack";
import { talkMarkedPayload } from "./payload/talkMarked";
import { tapedPayload } from "./payload/taped";
import { taskDonePayload } from "./payload/taskDone";
import { stepDonePayload } from "./payload/stepDone";
import { workedWithPayload } from "./payload/workedWith";
import { inspectedPayload } from "./payload/inspected";
import { faultFoundPayload } from "./payload/faultFound";
import { sinceLastToldPayload } from "./payload/sinceLastTold";
import { takenOffPayload } from "./payload/takenOff";
import { soakStartedPayload } from "./payload/soakStarted";
import { soakEndedPayload } from "./payload/soakEnded";
import { undonePayload } from "./payload/undone";
import { wipedPayload } from "./payload/wiped";
import { zonePlacedPayload } from "./payload/zonePlaced";
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
  lashPlaced: lashPlacedPayload,
  lashRedone: lashRedonePayload,
  paused: pausedPayload,
  resumed: resumedPayload,
  talkMarked: talkMarkedPayload,
  taped: tapedPayload,
  leftCounted: leftCountedPayload,
  sinceLastTold: sinceLastToldPayload,
  takenOff: takenOffPayload,
  replanned: replannedPayload,
  faultFound: faultFoundPayload,
  inspected: inspectedPayload,
  workedWith: workedWithPayload,
  stepDone: stepDonePayload,
  soakStarted: soakStartedPayload,
  soakEnded: soakEndedPayload,
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
  corrected: correctedPayload,
  undone: undonePayload,
} satisfies Record<EventType, () => z.ZodType>;

export type EventPayload<Type extends EventType> = Payload<(typeof EVENT_PAYLOADS)[Type]>;
