"use client";
import { useMemo } from "react";
import { cureLedger, type AirAt, type CureLaw, type CureLedger, type LedgerSettings } from "@/core/adhesive";
import { placingsOf, type VisitState } from "@/core/visit";

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
  return useMemo(
    () =>
      beat === null ? null : cureLedger(placingsOf(state, beat), readings, beat, settings, { law, finish: state.set.finish, waterHours }),
    [state, readings, beat, settings, law, waterHours],
  );
}
