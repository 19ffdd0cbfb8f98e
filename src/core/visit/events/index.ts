import { batchTaken } from "./batchTaken";
import { beadPlaced } from "./beadPlaced";
import { beadWiped } from "./beadWiped";
import { bottleTaken } from "./bottleTaken";
import { checked } from "./checked";
import { coated } from "./coated";
import { corrected } from "./corrected";
import { extended } from "./extended";
import { finishApplied } from "./finishApplied";
import { finished } from "./finished";
import type { EventKind } from "./kind";
import { leftCounted } from "./leftCounted";
import { lashPlaced } from "./lashPlaced";
import { lashRedone } from "./lashRedone";
import { looked } from "./looked";
import { pasteMixed } from "./pasteMixed";
import { paused } from "./paused";
import { replanned } from "./replanned";
import { resultJudged } from "./resultJudged";
import { resumed } from "./resumed";
import { rinseEnded } from "./rinseEnded";
import { runPlanned } from "./runPlanned";
import { runStopped } from "./runStopped";
import { setTested } from "./setTested";
import { shakeStarted } from "./shakeStarted";
import { started } from "./started";
import { stopTakenBack } from "./stopTakenBack";
import { talkMarked } from "./talkMarked";
import { taped } from "./taped";
import { taskDone } from "./taskDone";
import { stepDone } from "./stepDone";
import { workedWith } from "./workedWith";
import { inspected } from "./inspected";
import { faultFound } from "./faultFound";
import { sinceLastTold } from "./sinceLastTold";
import { takenOff } from "./takenOff";
import { soakStarted } from "./soakStarted";
import { soakEnded } from "./soakEnded";
import { undone } from "./undone";
import { wiped } from "./wiped";
import { zonePlaced } from "./zonePlaced";

/** Every kind of event a visit knows. The union of events and their folding follow from it; what each says, from `payloads.ts`. */
export const EVENT_KINDS = {
  started,
  bottleTaken,
  shakeStarted,
  beadPlaced,
  beadWiped,
  zonePlaced,
  lashPlaced,
  lashRedone,
  paused,
  resumed,
  talkMarked,
  taped,
  leftCounted,
  sinceLastTold,
  takenOff,
  replanned,
  faultFound,
  inspected,
  workedWith,
  stepDone,
  soakStarted,
  soakEnded,
  checked,
  finishApplied,
  setTested,
  runPlanned,
  taskDone,
  batchTaken,
  pasteMixed,
  coated,
  wiped,
  extended,
  looked,
  runStopped,
  rinseEnded,
  stopTakenBack,
  resultJudged,
  finished,
  corrected,
  undone,
};

export type EventType = keyof typeof EVENT_KINDS;

/** The kind of that name; null for one that this version of the product does not know. */
export const kindOf = (type: string): EventKind | null => (Object.hasOwn(EVENT_KINDS, type) ? EVENT_KINDS[type as EventType] : null);
export type { EventKind, Happened } from "./kind";
