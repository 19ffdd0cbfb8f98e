"use client";
import { useDeferredValue } from "react";
import type { HandMatch } from "@/core/adhesive";
import type { LashMap } from "@/core/map";
import { keptWhole, openSpan, whatFollows, type Spot } from "@/core/placing";
import { visitClocks, type VisitState } from "@/core/visit";
import type { PictureOf } from "@/features/drawing/EyesPicture";
import { useClockTime } from "@/features/tablet/TabletProvider";
import { useWaitingWords } from "@/features/tablet/useWaitingWords";
import { Verdict } from "@/ui";
import { useKey } from "@/ui/keys";
import { BedButton } from "./BedButton";
import { BedClock, FibreAndCount, NextLash, Uneven } from "./Figures";
import { PadsAtWork } from "./PadsAtWork";
import { PlacedButton } from "./PlacedButton";
import { ProposalFigures } from "./ProposalFigures";
import { Says } from "./Says";
import { useBedAsk } from "./useBedAsk";
import type { LashTaps } from "./useLashTaps";
import type { AtWork } from "./usePlacing";
import { useReplan } from "./useReplan";
import { useSpokenWork } from "./useSpokenWork";

const DIGITS = ["1", "2", "3", "4", "5", "6", "7", "8", "9", "0"] as const;

/** At the bed: both eyes as the work lies, the next lash in figures that are read at arm's length, and nothing else. */
export function PlacingScreen({
  title,
  of,
  state,
  work,
  taps,
  beads,
  stopStands,
  hand,
  usualBeadLifeS,
  eyesS,
  onEnd,
  onPage,
}: {
  /** Whose set it is, for those who do not see the screen. */
  title: string;
  of: PictureOf & { readonly map: LashMap };
  state: VisitState;
  work: AtWork;
  taps: LashTaps;
  beads: { readonly shake: () => void; readonly bead: () => void };
  /** Something stands against the visit now. */
  stopStands: boolean;
  /** The bottle against this hand in this air; null where it is not known. */
  hand: HandMatch | null;
  /** What a bead lives in this air, and how long eyes stay shut after the last lash, s. */
  usualBeadLifeS: number;
  eyesS: number;
  onEnd: () => void;
  onPage: () => void;
}) {
  const { placing } = state;
  const { spot, progress } = work;
  const nowMs = useClockTime((ms) => String(Math.floor(ms / 1000)));
  const pause = openSpan(placing.pauses);
  const waits = useWaitingWords();

  const again = useReplan(of, work);
  const { proposal } = again;
  const kept = () => {
    const last = state.set.beads.at(-1);
    const inUse =
      last && last.endedAtMs === null
        ? { lifeS: last.lifeS, leftS: last.lifeS - ((nowMs ?? last.placedAtMs) - last.placedAtMs) / 1000 }
        : null;
    return keptWhole(of.policy, inUse, usualBeadLifeS, eyesS);
  };
  const take = () => {
    if (proposal) taps.replan(proposal.minutes, proposal.targets);
    again.drop();
  };
  const talking = openSpan(placing.talk) !== null;

  const { ask, label, answers, isAsked, redoSpot, sinceCheck, ...bed } = useBedAsk({
    state,
    work,
    taps,
    eyesS,
    propose: (minutes) => again.propose(minutes, kept()),
    onEnd,
  });
  const { open } = bed;
  const touchZone: typeof work.chooseZone = (side, zone) => {
    if (!bed.touched(side, zone)) work.chooseZone(side, zone);
  };

  useKey([...DIGITS], ({ key }) => {
    const digit = key === "0" ? 10 : Number(key);
    if (proposal) {
      if (digit === 1) take();
      if (digit === 2) open("minutes");
      if (digit === 2) again.drop();
    } else if (answers.length > 0) bed.answer(digit - 1);
    else if (spot) touchZone(spot.side, digit);
  });
  useKey("right", () => work.beside(1));
  useKey("left", () => work.beside(-1));
  useKey(["up", "down"], work.otherEye);
  useKey("shift+space", taps.rest);
  useKey("r", () => open("redo"));
  useKey("a", () => open("tape"));
  useKey("o", () => open("off"));
  useKey("l", () => open("mirror"));
  useKey("b", () => open("attach"));
  useKey("p", bed.pause);
  useKey("k", () => taps.talk(!talking));
  useKey("m", () => open("minutes"));
  useKey("enter", take, { unless: () => proposal === null || document.activeElement !== document.body });
  useKey("escape", () => {
    if (proposal) again.drop();
    else if (ask) bed.close();
    else onPage();
  });

  // Looking ahead may come a moment after the tap.
  const { spot: from, ...ahead } = useDeferredValue(work);
  const then = from && whatFollows(ahead.plan, ahead.progress, from, ahead.order, ahead.pace(from.side, from.isFan), ahead.stay);

  useSpokenWork(spot, work.secondsLeft);

  const clocks = nowMs === null ? [] : visitClocks(state, nowMs);
  const check = clocks.find(({ kind }) => kind === "check");
  const bead = clocks.find(({ kind }) => kind === "shake") ?? clocks.find(({ kind }) => kind === "bead");
  return (
    // What is touched takes no focus: the next press of the pedal is the pedal's.
    <div
      data-bed
      className="flex min-h-0 flex-1 flex-col gap-2 px-3 pt-2 pb-2 select-none sm:px-5"
      onMouseDown={(event) => event.preventDefault()}
    >
      <h1 className="sr-only">{title}</h1>
      <div className="min-h-16 flex-1 sm:min-h-[9rem]">
        <PadsAtWork of={of} work={work} placing={placing} nowMs={nowMs ?? 0} after={proposal?.after ?? null} onZone={touchZone} />
      </div>
      {proposal ? (
        <ProposalFigures proposal={proposal} />
      ) : (
        <div>
          <div className="flex flex-wrap items-end gap-x-2 text-[6rem] leading-[0.92] font-semibold tracking-[-0.02em] sm:gap-x-7 lg:items-baseline">
            <NextLash spot={spot} isAllPlaced={work.isAllPlaced} isPaused={pause !== null} />
            <BedClock clock={bead} pauseS={pause && nowMs !== null ? Math.max(0, nowMs - pause.fromMs) / 1000 : null} />
          </div>
          <div className="flex flex-wrap items-baseline gap-x-7 text-5xl leading-[1.15] font-semibold">
            <FibreAndCount spot={spot} work={work} />
            <span className="whitespace-nowrap sm:ml-auto" data-testid="minutes-left">
              {Math.round(work.secondsLeft / 60)} min<span className="hidden text-2xl font-normal text-ink-2 sm:inline"> to place</span>
            </span>
            <Uneven progress={progress} inTurn={work.inTurn} />
          </div>
          <p className="flex flex-wrap justify-between gap-x-8 text-xl leading-7 text-ink-2 sm:text-2xl sm:leading-8">
            {then ? <span data-testid="then">{thenWords(then)}</span> : null}
            {waits ? (
              <span data-testid="bed-waits">
                <Verdict tone={waits.isCutOff ? "look" : "note"}>{waits.words}</Verdict>
              </span>
            ) : null}
            <span data-testid="bed-says">
              <Says state={state} work={work} stopStands={stopStands} hand={hand} talkMorePercent={of.policy.talkMorePercent} />
            </span>
          </p>
        </div>
      )}
      {proposal ? (
        <div role="group" aria-label="Planned again" className="flex flex-wrap gap-2">
          <BedButton keyName="1" tone="ivy" className="flex-1" onPress={take}>
            work by this
          </BedButton>
          <BedButton
            keyName="2"
            className="flex-1"
            onPress={() => {
              again.drop();
              open("minutes");
            }}
          >
            other minutes
          </BedButton>
          <BedButton keyName="Esc" className="flex-1" onPress={again.drop}>
            as before
          </BedButton>
        </div>
      ) : isAsked ? (
        <div role="group" aria-label={label!} className="flex flex-wrap items-center gap-2">
          <span className="w-full text-xl">{label}</span>
          {answers.map(({ words, on }, i) => (
            <BedButton key={words} keyName={DIGITS[i]!} pressed={on} onPress={() => bed.answer(i)}>
              {on ? `take off: ${words}` : words}
            </BedButton>
          ))}
          <BedButton keyName="Esc" onPress={bed.close}>
            {ask?.what === "pause" || ask?.what === "where" ? "not said" : "none of it"}
          </BedButton>
        </div>
      ) : (
        <div role="group" aria-label="At the bed" className="grid grid-cols-5 gap-1 sm:grid-cols-6 sm:gap-2 lg:grid-cols-9">
          <PlacedButton taps={taps} disabled={!spot} isPaused={pause !== null} />
          <BedButton keyName="⌫" disabled={!state.head.lastUndoable} onPress={taps.undo}>
            take back
          </BedButton>
          <BedButton keyName="⇧ Space" disabled={!spot} onPress={taps.rest}>
            rest of it
          </BedButton>
          <BedButton keyName="R" disabled={!redoSpot} onPress={() => open("redo")}>
            redone
          </BedButton>
          <BedButton keyName="C" tone={check ? "due" : "line"} onPress={() => taps.check(null)} testId="bed-check">
            {check ? "brushed, eyes closed" : "eyes closed"}
          </BedButton>
          <BedButton keyName="O" disabled={sinceCheck === 0} onPress={() => open("off")}>
            some came off
          </BedButton>
          <BedButton keyName="L" onPress={() => open("mirror")}>
            mirror
          </BedButton>
          <BedButton keyName="↑" disabled={!spot} onPress={work.otherEye}>
            other eye
          </BedButton>
          <BedButton keyName="A" disabled={!spot} onPress={() => open("tape")}>
            tape
          </BedButton>
          <BedButton keyName="B" onPress={() => open("attach")}>
            attached
          </BedButton>
          <BedButton keyName="P" tone={pause ? "due" : "line"} onPress={bed.pause}>
            {pause ? "go on" : "pause"}
          </BedButton>
          <BedButton keyName="K" tone={talking ? "due" : "line"} pressed={talking} onPress={() => taps.talk(!talking)}>
            client talks
          </BedButton>
          <BedButton keyName="S" onPress={beads.shake}>
            shake
          </BedButton>
          <BedButton keyName="N" tone={bead?.kind === "bead" && bead.state !== "running" ? "due" : "line"} onPress={beads.bead}>
            new bead
          </BedButton>
          <BedButton keyName="M" disabled={!spot} onPress={() => open("minutes")}>
            minutes
          </BedButton>
          <BedButton keyName="D" onPress={onEnd}>
            dry
          </BedButton>
          <BedButton keyName="Esc" onPress={onPage}>
            visit page
          </BedButton>
        </div>
      )}
    </div>
  );
}

const spotWords = ({ side, zone }: Spot) => `${side} ${zone}`;

const thenWords = ({ spot, after }: NonNullable<ReturnType<typeof whatFollows>>) =>
  `then ${spotWords(spot)}, ${after === 1 ? "after this one" : `after ${after} more here`}`;
