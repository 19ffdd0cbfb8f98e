"use client";
import type { HandMatch } from "@/core/adhesive";
import type { LashMap } from "@/core/map";
import { keptWhole, openSpan, unevenBy } from "@/core/placing";
import type { VisitState } from "@/core/visit";
import type { PictureOf } from "@/features/drawing/EyesPicture";
import { useTabletStore } from "@/features/tablet/TabletProvider";
import { useSteady } from "@/ui/useSteady";
import type { BedActs } from "./bedActs";
import { BedButton } from "./BedButton";
import { BedButtons } from "./BedButtons";
import { BedKeys } from "./BedKeys";
import { BedClock, FibreAndCount, MinutesLeft, NextLash, Then, Uneven } from "./Figures";
import { PadsAtWork } from "./PadsAtWork";
import { ProposalFigures } from "./ProposalFigures";
import { Says } from "./Says";
import { useBedAsk } from "./useBedAsk";
import type { LashTaps } from "./useLashTaps";
import type { AtWork } from "./usePlacing";
import { useReplan } from "./useReplan";
import { useSpokenWork } from "./useSpokenWork";
import { Waits } from "./Waits";

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
  const store = useTabletStore();
  const pause = openSpan(placing.pauses);
  const talking = openSpan(placing.talk) !== null;
  const uneven = unevenBy(progress);

  const again = useReplan(of, work);
  const { proposal } = again;
  const kept = () => {
    const last = state.set.beads.at(-1);
    const inUse =
      last && last.endedAtMs === null ? { lifeS: last.lifeS, leftS: last.lifeS - (store.now().ms - last.placedAtMs) / 1000 } : null;
    return keptWhole(of.policy, inUse, usualBeadLifeS, eyesS);
  };
  const take = () => {
    if (proposal) taps.replan(proposal.minutes, proposal.targets);
    again.drop();
  };

  const { ask, label, answers, isAsked, redoSpot, sinceCheck, ...bed } = useBedAsk({
    state,
    work,
    taps,
    eyesS,
    propose: (minutes) => again.propose(minutes, kept()),
    onEnd,
  });
  const { open } = bed;
  const otherMinutes = () => {
    again.drop();
    open("minutes");
  };
  const touchZone: typeof work.chooseZone = (side, zone) => {
    if (!bed.touched(side, zone)) work.chooseZone(side, zone);
  };
  const acts = useSteady<BedActs>({
    digit: (digit) => {
      if (proposal) {
        if (digit === 1) take();
        if (digit === 2) otherMinutes();
      } else if (answers.length > 0) bed.answer(digit - 1);
      else if (spot) touchZone(spot.side, digit);
    },
    beside: work.beside,
    otherEye: work.otherEye,
    place: taps.place,
    resume: taps.resume,
    rest: taps.rest,
    undo: taps.undo,
    redo: () => open("redo"),
    check: () => taps.check(null),
    off: () => open("off"),
    mirror: () => open("mirror"),
    tape: () => open("tape"),
    attach: () => open("attach"),
    pause: bed.pause,
    talk: () => taps.talk(!talking),
    minutes: () => open("minutes"),
    shake: beads.shake,
    bead: beads.bead,
    end: onEnd,
    page: onPage,
    take,
    back: () => {
      if (proposal) again.drop();
      else if (ask) bed.close();
      else onPage();
    },
  });
  useSpokenWork(spot, work.secondsLeft);

  return (
    // What is touched takes no focus: the next press of the pedal is the pedal's.
    <div
      data-bed
      className="flex min-h-0 flex-1 flex-col gap-2 px-3 pt-2 pb-2 select-none sm:px-5"
      onMouseDown={(event) => event.preventDefault()}
    >
      <BedKeys acts={acts} isProposed={proposal !== null} />
      <h1 className="sr-only">{title}</h1>
      <div className="min-h-16 flex-1 sm:min-h-[9rem]">
        <PadsAtWork of={of} work={work} placing={placing} after={proposal?.after ?? null} onZone={touchZone} />
      </div>
      {proposal ? (
        <ProposalFigures proposal={proposal} />
      ) : (
        <div>
          <div className="flex flex-wrap items-end gap-x-2 text-[6rem] leading-[0.92] font-semibold tracking-[-0.02em] sm:gap-x-7 lg:items-baseline">
            <NextLash spot={spot} isAllPlaced={work.isAllPlaced} isPaused={pause !== null} />
            <BedClock state={state} pausedAtMs={pause?.fromMs ?? null} />
          </div>
          <div className="flex flex-wrap items-baseline gap-x-7 text-5xl leading-[1.15] font-semibold">
            <FibreAndCount spot={spot} placed={spot ? progress.of(spot).placed : 0} />
            <MinutesLeft minutes={Math.round(work.secondsLeft / 60)} />
            <Uneven side={uneven?.side ?? null} lashes={uneven?.lashes ?? 0} isMuch={(uneven?.lashes ?? 0) > work.inTurn} />
          </div>
          <p className="flex flex-wrap justify-between gap-x-8 text-xl leading-7 text-ink-2 sm:text-2xl sm:leading-8">
            <Then work={work} />
            <Waits />
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
          <BedButton keyName="2" className="flex-1" onPress={otherMinutes}>
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
            <BedButton key={words} keyName={String((i + 1) % 10)} pressed={on} onPress={() => bed.answer(i)}>
              {on ? `take off: ${words}` : words}
            </BedButton>
          ))}
          <BedButton keyName="Esc" onPress={bed.close}>
            {ask?.what === "pause" || ask?.what === "where" ? "not said" : "none of it"}
          </BedButton>
        </div>
      ) : (
        <BedButtons
          acts={acts}
          state={state}
          hasSpot={spot !== null}
          mayUndo={state.head.lastUndoable !== null}
          mayRedo={redoSpot !== null}
          mayBrush={sinceCheck > 0}
          isPaused={pause !== null}
          isTalking={talking}
        />
      )}
    </div>
  );
}
