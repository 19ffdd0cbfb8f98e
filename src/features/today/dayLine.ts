import type { CareFinding } from "@/core/care";
import type { MapProfile } from "@/core/map";
import type { ServiceId } from "@/core/service";
import type { Tone } from "@/ui";

/** A visit as the day shows it: minutes since midnight on the studio's clock, words ready to be read. */
export type DayLine = {
  readonly id: string;
  readonly revision: number;
  readonly clientId: string;
  readonly clientName: string;
  readonly service: ServiceId;
  readonly technicianId: string;
  readonly technicianName: string;
  readonly chairId: string;
  readonly place: string;
  readonly state: "ahead" | "running" | "done";
  readonly fromMin: number;
  readonly toMin: number;
  readonly minutes: number;
  /** When it really began and ended; null where it has not. */
  readonly really: { readonly from: string; readonly to: string | null } | null;
  readonly findings: readonly CareFinding[];
  readonly map: MapProfile | null;
  readonly mayTakeLastMap: boolean;
  readonly isWalkIn: boolean;
  /** Bottle and room, in words; the worst first. */
  readonly wishes: readonly { readonly tone: Tone; readonly word: string; readonly says: string }[];
};

export type CancelledLine = {
  readonly id: string;
  readonly clientName: string;
  readonly from: string;
  readonly service: ServiceId;
  readonly why: string;
};

/** `570` → "09:30" */
export const clockOf = (minutes: number): string =>
  `${String(Math.floor(minutes / 60) % 24).padStart(2, "0")}:${String(Math.round(minutes) % 60).padStart(2, "0")}`;

/** `75` → "1 h 15", `40` → "40 min" */
export const lengthWords = (minutes: number): string => {
  const [hours, rest] = [Math.floor(minutes / 60), Math.round(minutes) % 60];
  return hours === 0 ? `${rest} min` : rest === 0 ? `${hours} h` : `${hours} h ${rest}`;
};

/** The gravest thing said of a visit in few words, for the thread; null where nothing is. */
export function gravestOf({
  findings,
  wishes,
}: Pick<DayLine, "findings" | "wishes">): { readonly tone: Tone; readonly words: string } | null {
  const finding = findings.find(({ weight }) => weight !== "note");
  if (finding) return { tone: finding.weight === "stop" ? "stop" : "look", words: shortOf(finding.words) };
  const wish = wishes.find(({ tone }) => tone === "stop" || tone === "look");
  return wish ? { tone: wish.tone, words: shortOf(wish.word || wish.says) } : null;
}

/** What comes before the first full stop. */
const shortOf = (words: string) => words.split(". ")[0]!.replace(/\.$/, "");
