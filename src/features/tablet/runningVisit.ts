import { readKeptEvents, type KeptEvent } from "@/core/visit";
import { isList, isText, readField } from "@/core/document/readField";

/** A visit under way, for the clocks that hang on every screen. */
export type RunningVisit = {
  readonly id: string;
  readonly clientId: string;
  readonly clientName: string;
  readonly chairName: string;
  /** Agreed with this person, or tapped at by them. */
  readonly mine: boolean;
  /** When the eyes may open as it looks now, ms; null while placing goes on. */
  readonly eyesMayAtMs: number | null;
};

/** What the server answers: the visits, and of each the events that were not known yet. */
export type RunningAnswer = { readonly visits: readonly (RunningVisit & { readonly events: readonly KeptEvent[] })[] };

/** Reads the server's answer; throws where it is none. */
export function readRunning(answer: unknown): RunningAnswer {
  const visits = readField(answer, "visits", isList);
  return {
    visits: visits.map((visit) => ({ ...readOne(visit), events: readKeptEvents(readField(visit, "events", isList)) })),
  };
}

/** Running visits as a tablet kept them; none where they cannot be read. */
export function readRunningList(rows: unknown): RunningVisit[] {
  try {
    return isList(rows) ? rows.map(readOne) : [];
  } catch {
    return [];
  }
}

const readOne = (visit: unknown): RunningVisit => ({
  id: readField(visit, "id", isText),
  clientId: readField(visit, "clientId", isText),
  clientName: readField(visit, "clientName", isText),
  chairName: readField(visit, "chairName", isText),
  mine: readField(visit, "mine", isFlag),
  eyesMayAtMs: readField(visit, "eyesMayAtMs", isMoment),
});

const isFlag = (value: unknown): value is boolean => typeof value === "boolean";
const isMoment = (value: unknown): value is number | null => value === null || typeof value === "number";
