"use client";
import { beadLifeS } from "@/core/adhesive";
import type { Air } from "@/core/air";
import type { VisitState } from "@/core/visit";
import { useTabletStore } from "@/features/tablet/TabletProvider";
import { useKey } from "@/ui/keys";
import type { VisitProps } from "./visitProps";

/** What is tapped while placing: shake, bead, take back; by button, by key, by pedal. */
export function useBeadTaps(visit: VisitProps, { set }: VisitState, air: Air | null, shakeS: number) {
  const store = useTabletStore();
  const { bottleId } = set;
  const taps = {
    shake: () => void store.tap(visit.id, "shakeStarted", { durationS: shakeS }),
    bead: () => void store.tap(visit.id, "beadPlaced", { lifeS: beadLifeS(visit.policy.beadMinutes, air), air, bottleId }),
    undo: () => void store.takeBackLast(visit.id),
    timed: (seconds: number) =>
      void (air && bottleId && seconds >= 0.1 && seconds <= 60 && store.tap(visit.id, "setTested", { seconds, air, bottleId })),
  };
  useKey("s", taps.shake);
  useKey("n", taps.bead);
  useKey("backspace", taps.undo);
  return taps;
}
