"use client";
import { useMemo, useState } from "react";
import type { AirAt } from "@/core/adhesive";
import type { RoomAir } from "@/core/air";

/** A knot a minute is enough, for a trail as for a dose. */
const EVERY_MS = 55_000;

/** A page's air minute by minute, with what has been heard since it was loaded. In order of time. */
export function useTrail(since: readonly AirAt[], heard: RoomAir | null): readonly AirAt[] {
  const [more, setMore] = useState<readonly AirAt[]>([]);
  const newest = since.at(-1)?.atMs ?? 0;
  const last = Math.max(newest, more.at(-1)?.atMs ?? 0);
  const heardMs = heard ? Date.parse(heard.takenAt) : 0;
  if (heard && heardMs - last > EVERY_MS)
    setMore([...more, { atMs: heardMs, temperatureC: heard.temperatureC, relativeHumidity: heard.relativeHumidity }]);
  return useMemo(() => [...since, ...more.filter(({ atMs }) => atMs > newest)], [since, more, newest]);
}
