"use client";
import { memo } from "react";
import { visitClocks, haveSameClocks, type VisitState } from "@/core/visit";
import { useClockTime } from "@/features/tablet/TabletProvider";
import type { BedActs } from "./bedActs";
import { BedButton } from "./BedButton";
import { PlacedButton } from "./PlacedButton";

type Props = {
  acts: BedActs;
  /** For its clocks. */
  state: VisitState;
  hasSpot: boolean;
  mayUndo: boolean;
  mayRedo: boolean;
  /** Lashes were placed since the last brush. */
  mayBrush: boolean;
  isPaused: boolean;
  isTalking: boolean;
};

/** What is owed or over, of the clocks of the bed. */
function due(state: VisitState, nowMs: number) {
  const clocks = visitClocks(state, nowMs);
  const bead = clocks.find(({ kind }) => kind === "bead");
  return {
    check: clocks.some(({ kind }) => kind === "check"),
    bead: bead !== undefined && bead.state !== "running" && !clocks.some(({ kind }) => kind === "shake"),
  };
}

/** Everything that can be done at the bed, each for a knuckle. Most lashes change nothing of it. */
export const BedButtons = memo(
  function BedButtons({ acts, state, hasSpot, mayUndo, mayRedo, mayBrush, isPaused, isTalking }: Props) {
    const nowMs = useClockTime((ms) => JSON.stringify(due(state, ms)));
    const is = nowMs === null ? { check: false, bead: false } : due(state, nowMs);
    return (
      <div role="group" aria-label="At the bed" className="grid grid-cols-5 gap-1 sm:grid-cols-6 sm:gap-2 lg:grid-cols-9">
        <PlacedButton acts={acts} disabled={!hasSpot} isPaused={isPaused} />
        <BedButton keyName="⌫" disabled={!mayUndo} onPress={acts.undo}>
          take back
        </BedButton>
        <BedButton keyName="⇧ Space" disabled={!hasSpot} onPress={acts.rest}>
          rest of it
        </BedButton>
        <BedButton keyName="R" disabled={!mayRedo} onPress={acts.redo}>
          redone
        </BedButton>
        <BedButton keyName="C" tone={is.check ? "due" : "line"} onPress={acts.check} testId="bed-check">
          {is.check ? "brushed, eyes closed" : "eyes closed"}
        </BedButton>
        <BedButton keyName="O" disabled={!mayBrush} onPress={acts.off}>
          some came off
        </BedButton>
        <BedButton keyName="L" onPress={acts.mirror}>
          mirror
        </BedButton>
        <BedButton keyName="↑" disabled={!hasSpot} onPress={acts.otherEye}>
          other eye
        </BedButton>
        <BedButton keyName="A" disabled={!hasSpot} onPress={acts.tape}>
          tape
        </BedButton>
        <BedButton keyName="B" onPress={acts.attach}>
          attached
        </BedButton>
        <BedButton keyName="P" tone={isPaused ? "due" : "line"} onPress={acts.pause}>
          {isPaused ? "go on" : "pause"}
        </BedButton>
        <BedButton keyName="K" tone={isTalking ? "due" : "line"} pressed={isTalking} onPress={acts.talk}>
          client talks
        </BedButton>
        <BedButton keyName="S" onPress={acts.shake}>
          shake
        </BedButton>
        <BedButton keyName="N" tone={is.bead ? "due" : "line"} onPress={acts.bead}>
          new bead
        </BedButton>
        <BedButton keyName="M" disabled={!hasSpot} onPress={acts.minutes}>
          minutes
        </BedButton>
        <BedButton keyName="D" onPress={acts.end}>
          dry
        </BedButton>
        <BedButton keyName="Esc" onPress={acts.page}>
          visit page
        </BedButton>
      </div>
    );
  },
  (a, b) =>
    a.acts === b.acts &&
    haveSameClocks(a.state, b.state) &&
    a.hasSpot === b.hasSpot &&
    a.mayUndo === b.mayUndo &&
    a.mayRedo === b.mayRedo &&
    a.mayBrush === b.mayBrush &&
    a.isPaused === b.isPaused &&
    a.isTalking === b.isTalking,
);
