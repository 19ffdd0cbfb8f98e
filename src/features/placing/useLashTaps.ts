"use client";
import { useCallback, useEffect, useMemo, useRef } from "react";
import type { AttachmentId, PauseReason, PlannedSpot, RedoReason, Spot, TapeId, Targets } from "@/core/placing";
import type { Side } from "@/core/eye";
import { useTabletStore } from "@/features/tablet/TabletProvider";
import type { AtWork } from "./usePlacing";

/** What is tapped while lashes are placed. */
export type LashTaps = {
  /** A lash, by a press at that time of the page, as its event says it: a page that is busy hears presses late. */
  readonly place: (pressedMs: number) => void;
  readonly rest: () => void;
  /** What a spot lacks by then: the pedal was held on it. */
  readonly restOf: (spot: PlannedSpot) => void;
  /** A lash that a check found amiss: the plan asks for it again. */
  readonly fault: (spot: Spot, why: RedoReason) => void;
  readonly mirror: (found: number) => void;
  /** How lashes are attached: in a zone, or everywhere where `spot` is null. */
  readonly attach: (is: AttachmentId, spot: Spot | null) => void;
  readonly redo: (spot: Spot, why: RedoReason) => void;
  readonly pause: (why: PauseReason | null) => void;
  readonly resume: () => void;
  readonly talk: (on: boolean) => void;
  readonly tape: (what: TapeId, side: Side, on: boolean) => void;
  readonly check: (counted: { off: number; of: number } | null) => void;
  readonly replan: (minutes: number | null, targets: Targets["spots"]) => void;
  readonly undo: () => void;
};

const at = ({ side, layer, zone, piece }: Spot) => ({ side, layer, zone, piece });

/** Taps of a visit's placing. Two that come within `slipMs` are one: a pedal bounces, a finger trembles. */
export function useLashTaps(
  visitId: string,
  { spot, progress }: Pick<AtWork, "spot" | "progress">,
  { slipMs }: { readonly slipMs: number },
): LashTaps {
  const store = useTabletStore();
  const lastMs = useRef(-Infinity);
  const isSlip = useCallback(
    (ms: number) => {
      const slip = ms - lastMs.current < slipMs;
      lastMs.current = ms;
      return slip;
    },
    [slipMs],
  );
  const latest = useRef(progress);
  useEffect(() => {
    latest.current = progress;
  });
  const lacks = spot ? spot.planned - progress.of(spot).placed : 0;
  return useMemo(
    () => ({
      place: (pressedMs) => {
        if (spot && !isSlip(pressedMs)) void store.tap(visitId, "lashPlaced", { ...at(spot), n: 1 });
      },
      rest: () => {
        if (spot && lacks > 0) void store.tap(visitId, "lashPlaced", { ...at(spot), n: lacks });
      },
      restOf: (one) => {
        const n = one.planned - latest.current.of(one).placed;
        if (n > 0) void store.tap(visitId, "lashPlaced", { ...at(one), n });
      },
      fault: (one, why) => void store.tap(visitId, "faultFound", { ...at(one), n: 1, why }),
      mirror: (found) => void store.tap(visitId, "inspected", { what: "mirror", side: null, found: Math.min(200, found) }),
      attach: (is, one) =>
        void store.tap(
          visitId,
          "workedWith",
          one ? { of: "attached", is, side: one.side, layer: one.layer, zone: one.zone } : { of: "attachedAll", is },
        ),
      redo: (one, why) => void store.tap(visitId, "lashRedone", { ...at(one), n: 1, why }),
      pause: (why) => void store.tap(visitId, "paused", { why }),
      resume: () => void store.tap(visitId, "resumed", {}),
      talk: (on) => void store.tap(visitId, "talkMarked", { on }),
      tape: (what, side, on) => void store.tap(visitId, "taped", { what, side, on }),
      check: (counted) => void store.tap(visitId, "checked", counted ?? { off: null, of: null }),
      replan: (minutes, targets) => void store.tap(visitId, "replanned", { minutes, targets: targets.map((one) => ({ ...one })) }),
      undo: () => void store.takeBackLast(visitId),
    }),
    [store, visitId, spot, lacks, isSlip],
  );
}
