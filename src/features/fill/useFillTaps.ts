"use client";
import { useState } from "react";
import { isSameZone, type FillOutlook, type FoundZone, type Removal } from "@/core/fill";
import type { VisitState } from "@/core/visit";
import { useTabletStore } from "@/features/tablet/TabletProvider";

/** Taking off, one at a tap. */
export type FillTaps = {
  /** Where the next one comes off: the zone that was chosen while it has some, else the first that has. */
  readonly now: Removal | null;
  /** Extensions that are still to come off. */
  readonly toGo: number;
  readonly choose: (zone: FoundZone) => void;
  readonly takeOff: (hurt: boolean) => void;
  readonly undo: (() => void) | null;
};

export function useFillTaps(visitId: string, outlook: FillOutlook | null, { fill, head }: VisitState): FillTaps {
  const store = useTabletStore();
  const [chosen, setChosen] = useState<FoundZone | null>(null);
  const removals = outlook?.removals ?? [];
  const first = removals.find(({ rest }) => rest > 0) ?? null;
  const there = chosen && removals.find(({ plan }) => isSameZone(plan.zone, chosen));
  // One more than planned comes off where somebody asked for that zone.
  const unplanned = chosen && !there ? outlook?.off.zones.find(({ zone }) => isSameZone(zone, chosen)) : undefined;
  const now = there ?? (unplanned ? { plan: unplanned, done: 0, rest: 0 } : first);
  return {
    now,
    toGo: removals.reduce((sum, { rest }) => sum + rest, 0),
    choose: setChosen,
    takeOff: (hurt) => {
      if (!now) return;
      const { side, layer, zone } = now.plan.zone;
      void store.tap(visitId, "takenOff", { side, layer, zone, n: 1, hurt });
      if (now.rest <= 1) setChosen(null);
    },
    undo: fill.off.length > 0 && head.lastUndoable?.type === "takenOff" ? () => void store.takeBackLast(visitId) : null,
  };
}
