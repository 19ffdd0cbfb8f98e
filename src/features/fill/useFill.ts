"use client";
import { useMemo } from "react";
import { fillOutlook, type FillOutlook } from "@/core/fill";
import type { VisitState } from "@/core/visit";
import { usualPace } from "@/core/placing";
import type { PlacingOf } from "@/features/placing/usePlacing";
import type { FoundSet } from "@/features/visit/setBefore";

/** What a fill is told by. */
export type FillOf = PlacingOf & { readonly found: FoundSet | null };

/** A fill before anything is placed, by what was counted and taken off so far; null where no set before it is known, or it has no map. */
export function useFill(
  { found, map, ground, policy, pace }: FillOf,
  { fill, head }: VisitState,
  nowMs: number | null,
): FillOutlook | null {
  // Days count to the beginning: an hour at the chair moves nothing.
  const atMs = head.startedAtMs ?? (nowMs === null ? null : Math.floor(nowMs / MINUTE_MS) * MINUTE_MS);
  return useMemo(() => {
    if (!found || !map || !ground || atMs === null) return null;
    const { hazard, bareBelowDays, cycleDays } = found.expected;
    return fillOutlook(found.set, { hazardPerDay: hazard.mid, bareBelowDays, cycleDays }, fill, atMs, {
      map,
      survey: ground.survey,
      policy,
      pace: usualPace(pace),
    });
  }, [found, map, ground, policy, pace, fill, atMs]);
}

const MINUTE_MS = 60_000;
