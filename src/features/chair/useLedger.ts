"use client";
import { useMemo } from "react";
import { cureLedger, doseCurve, type AirAt, type CureLaw, type CureLedger, type LedgerSettings } from "@/core/adhesive";
import { placedLashesOf, type VisitState } from "@/core/visit";

/** The ledger is cast anew so often; what it shows moves by the minute. */
const ANEW_MS = 1000;

/** How far the visit's work has cured by now. */
export function useLedger(
  state: VisitState,
  readings: readonly AirAt[],
  nowMs: number | null,
  settings: LedgerSettings,
  law: CureLaw,
  waterHours: number | undefined,
): CureLedger | null {
  const untilMs = state.head.finishedAtMs ?? nowMs;
  const beat = untilMs === null ? null : Math.floor(untilMs / ANEW_MS) * ANEW_MS;
  const curve = useMemo(() => doseCurve(readings, law), [readings, law]);
  return useMemo(
    () => (beat === null ? null : cureLedger(placedLashesOf(state, beat), curve, beat, settings, { finish: state.set.finish, waterHours })),
    [state, curve, beat, settings, waterHours],
  );
}
