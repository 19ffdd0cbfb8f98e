"use client";
import { useEffect, useRef } from "react";
import { spotKey, type PlannedSpot } from "@/core/placing";
import { formatMm } from "@/core/units";
import { sayAtBed } from "@/features/tablet/alarm";

/** Minutes are said so often. */
const EVERY_MIN = 10;

/** For ears: the next place at each change, and the minutes to place every ten of them. */
export function useSpokenWork(spot: PlannedSpot | null, secondsLeft: number): void {
  const key = spot ? spotKey(spot) : null;
  const last = useRef(key);
  useEffect(() => {
    if (key === last.current) return;
    last.current = key;
    if (spot) sayAtBed("zones", `${spot.side} ${spot.zone}, ${formatMm(spot.fibre.lengthMm)}`);
    else sayAtBed("zones", "All placed.");
  });
  const tens = Math.ceil(secondsLeft / 60 / EVERY_MIN);
  const lastTens = useRef(tens);
  useEffect(() => {
    if (tens < lastTens.current && tens > 0) sayAtBed("minutes", `${tens * EVERY_MIN} minutes to place.`);
    lastTens.current = tens;
  });
}
