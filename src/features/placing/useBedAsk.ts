"use client";
import { useState } from "react";
import type { Side } from "@/core/eye";
import {
  ATTACHMENT_IDS,
  ATTACHMENTS,
  openSpan,
  PAUSE_REASON_IDS,
  PAUSE_REASONS,
  REDO_REASON_IDS,
  REDO_REASONS,
  TAPE_IDS,
  TAPES,
  tapesOn,
  type PlacingWork,
  type RedoReason,
  type Spot,
} from "@/core/placing";
import { formatClock } from "@/core/units";
import { lashesSinceBrush, type VisitState } from "@/core/visit";
import type { LashTaps } from "./useLashTaps";
import type { AtWork } from "./usePlacing";

export type BedAsk =
  | { readonly what: "redo" | "pause" | "tape" | "off" | "minutes" | "mirror" | "attach" }
  /** Where lashes came off, or stand amiss: as many touches of zones as there are. */
  | { readonly what: "where"; readonly why: RedoReason; readonly left: number };

export type BedAnswer = {
  readonly words: string;
  readonly on?: boolean;
  readonly do: () => void;
  /** What is asked next; nothing where it is left out. */
  readonly next?: BedAsk;
};

/** Times that are asked for, min. */
const MINUTES = [15, 20, 30, 45, 60, 90] as const;
/** What a mirror from below shows. */
const IN_THE_MIRROR: readonly RedoReason[] = ["outOfLine", "leaned", "lifted", "twisted", "sticky"];

/** What is asked at the bed, one thing at a time, with its answers by digit. A lash placed meanwhile answers it: nothing is in the pedal's way. */
export function useBedAsk({
  state,
  work,
  taps,
  eyesS,
  propose,
  onEnd,
}: {
  state: VisitState;
  work: AtWork;
  taps: LashTaps;
  eyesS: number;
  propose: (minutes: number) => void;
  onEnd: () => void;
}) {
  const { placing } = state;
  const { spot, progress } = work;
  const [asked, setAsked] = useState<{ readonly ask: BedAsk; readonly lashes: PlacingWork["lashes"]; readonly faults: number } | null>(
    null,
  );
  const ask = asked && asked.lashes === placing.lashes ? asked.ask : null;
  const put = (next: BedAsk | null) =>
    setAsked(next && { ask: next, lashes: placing.lashes, faults: asked && ask ? asked.faults : placing.faults.length });
  const open = (what: Exclude<BedAsk["what"], "where">) => put(ask?.what === what ? null : { what });
  const redoSpot: Spot | null = work.isChosen ? spot : (progress.lastSpot ?? spot);
  const sinceCheck = lashesSinceBrush(state);
  const found = placing.faults.length - (asked?.faults ?? placing.faults.length);

  const faultIn = (side: Side, zone: number, { why, left }: { why: RedoReason; left: number }): BedAsk | null => {
    const where = work.placedIn(side, zone);
    if (!where) return { what: "where", why, left };
    taps.fault(where, why);
    return left > 1 ? { what: "where", why, left: left - 1 } : why === "cameOff" ? null : { what: "mirror" };
  };

  const answers = ((): readonly BedAnswer[] => {
    switch (ask?.what) {
      case "redo":
        return redoSpot ? REDO_REASON_IDS.map((why) => ({ words: REDO_REASONS[why], do: () => taps.redo(redoSpot, why) })) : [];
      case "pause":
        return PAUSE_REASON_IDS.map((why) => ({ words: PAUSE_REASONS[why], do: () => taps.pause(why) }));
      case "tape":
        return spot
          ? TAPE_IDS.map((what) => {
              const on = tapesOn(placing).some((tape) => tape.what === what && tape.side === spot.side);
              return { words: TAPES[what], on, do: () => taps.tape(what, spot.side, !on) };
            })
          : [];
      case "off":
        return Array.from({ length: Math.min(9, sinceCheck) }, (_, i) => ({
          words: `${i + 1} came off`,
          do: () => taps.check({ off: i + 1, of: Math.min(400, sinceCheck) }),
          next: { what: "where", why: "cameOff", left: i + 1 },
        }));
      case "mirror":
        return [
          ...IN_THE_MIRROR.map((why) => ({
            words: REDO_REASONS[why],
            do: () => undefined,
            next: { what: "where" as const, why, left: 1 },
          })),
          { words: found > 0 ? `nothing more, ${found} to set again` : "nothing amiss", do: () => taps.mirror(found) },
        ];
      case "attach":
        return [
          ...(spot ? ATTACHMENT_IDS.map((is) => ({ words: `${ATTACHMENTS[is]} here`, do: () => taps.attach(is, spot) })) : []),
          ...ATTACHMENT_IDS.map((is) => ({ words: `${ATTACHMENTS[is]} everywhere`, do: () => taps.attach(is, null) })),
        ];
      case "minutes":
        return [
          ...MINUTES.map((minutes) => ({ words: `${minutes} min`, do: () => propose(minutes) })),
          { words: `leave now: dry ${formatClock(eyesS)}`, do: onEnd },
          ...(placing.targets ? [{ words: "the whole plan again", do: () => taps.replan(null, []) }] : []),
        ];
      default:
        return [];
    }
  })();

  return {
    ask,
    label: ask && askLabel(ask, redoSpot, spot),
    answers,
    /** Something is waited for: a digit, or a zone. */
    isAsked: answers.length > 0 || ask?.what === "where",
    redoSpot,
    sinceCheck,
    open,
    close: () => put(null),
    answer: (index: number) => {
      const one = answers[index];
      one?.do();
      put(one?.next ?? null);
    },
    /** A zone was touched: where it is asked for, that is the answer. Says whether it was. */
    touched: (side: Side, zone: number): boolean => {
      if (ask?.what !== "where") return false;
      put(faultIn(side, zone, ask));
      return true;
    },
    pause: () => {
      if (openSpan(placing.pauses)) return taps.resume();
      taps.pause(null);
      open("pause");
    },
  };
}

const spotWords = ({ side, zone }: Spot) => `${side} ${zone}`;

function askLabel(ask: BedAsk, redo: Spot | null, spot: Spot | null): string {
  switch (ask.what) {
    case "redo":
      return `A lash of ${redo ? spotWords(redo) : ""} set anew. Why?`;
    case "pause":
      return "Paused. Why?";
    case "tape":
      return `Tape on the client's ${spot?.side ?? ""} eye`;
    case "minutes":
      return "How long is there, until the client is up?";
    case "off":
      return "Brushed, eyes seen closed. How many came off?";
    case "mirror":
      return "In the mirror from below: what is amiss?";
    case "attach":
      return `How are the lashes attached${spot ? ` in ${spotWords(spot)}` : ""}?`;
    case "where":
      return `${ask.left === 1 ? "One" : ask.left} ${REDO_REASONS[ask.why]}: touch ${ask.left === 1 ? "its zone" : "the zones"}. The plan asks for ${ask.left === 1 ? "it" : "them"} again.`;
  }
}
