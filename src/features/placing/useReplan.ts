"use client";
import { useCallback, useState } from "react";
import type { LashMap } from "@/core/map";
import { lookOf, placingTime, replan, spotKey, unevenBy, weightsOf, type KeptWhole, type Targets } from "@/core/placing";
import type { PictureOf } from "@/features/drawing/EyesPicture";
import type { AtWork } from "./usePlacing";

/** What remains, planned for a time: before, after, and where the minutes go. */
export type Proposal = {
  readonly minutes: number;
  readonly more: number;
  readonly look: { readonly now: number; readonly then: number };
  readonly placingS: number;
  readonly beads: number;
  readonly endS: number;
  /** Lashes by which one eye stays ahead. */
  readonly uneven: ReturnType<typeof unevenBy>;
  readonly targets: Targets["spots"];
  /** Lashes each spot ends with, those kept among them. */
  readonly after: ReadonlyMap<number, number>;
};

/** Plans what remains for the minutes there are, and holds it until it is taken or not. */
export function useReplan(of: PictureOf & { readonly map: LashMap }, { whole, keptOn, progress, pace }: AtWork) {
  const [proposal, setProposal] = useState<Proposal | null>(null);
  const propose = useCallback(
    (minutes: number, kept: KeptWhole) => {
      const weights = weightsOf(whole, of);
      const { seconds, beads } = placingTime(minutes * 60, kept);
      const all = whole.spots.map((spot, i) => ({
        spot,
        weight: weights[i]!,
        // What is kept shows as what is placed does.
        placed: keptOn(spot) + progress.of(spot).placed,
        seconds: pace(spot.side, spot.isFan),
      }));
      const result = replan(all, seconds);
      const sum = (side: "right" | "left") => whole.spots.reduce((n, spot, i) => n + (spot.side === side ? result.counts[i]! : 0), 0);
      const planned = (side: "right" | "left") => whole.spots.reduce((n, spot) => n + (spot.side === side ? spot.planned : 0), 0);
      setProposal({
        minutes,
        more: result.counts.reduce((n, count, i) => n + count - all[i]!.placed, 0),
        look: {
          now: lookOf(
            whole.spots,
            weights,
            all.map(({ placed }) => placed),
          ),
          then: result.look,
        },
        placingS: result.seconds,
        beads,
        endS: kept.endS,
        uneven: unevenBy({
          placed: { right: sum("right"), left: sum("left") },
          planned: { right: planned("right"), left: planned("left") },
        }),
        targets: whole.spots.map((spot, i) => {
          const { side, layer, zone, piece } = spot;
          return { side, layer, zone, piece, planned: result.counts[i]! - keptOn(spot) };
        }),
        after: new Map(whole.spots.map((spot, i) => [spotKey(spot), result.counts[i]!])),
      });
    },
    [of, whole, keptOn, progress, pace],
  );
  return { proposal, propose, drop: () => setProposal(null) };
}
