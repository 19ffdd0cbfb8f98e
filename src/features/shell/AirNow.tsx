"use client";
import Link from "next/link";
import { useEffect, useState } from "react";
import { vapourDensityGm3 } from "@/core/air";
import { useLine, useRooms } from "@/features/live/LiveProvider";

const STALE_MS = 15 * 60_000;

/** The first room's air, on every screen, as it is heard; says so when it is old or the line is down. */
export function AirNow() {
  const rooms = useRooms();
  const connected = useLine();
  const air = rooms[0]?.air;
  const [now, setNow] = useState<number | null>(null);
  useEffect(() => {
    const every = setInterval(() => setNow(Date.now()), 30_000);
    return () => clearInterval(every);
  }, []);
  if (!air) return null;
  const old = !connected || (now !== null && now - Date.parse(air.takenAt) > STALE_MS);
  return (
    <Link
      href="/air"
      className="hidden gap-3 whitespace-nowrap text-ink-2 hover:text-ink md:flex"
      title={rooms[0]?.name}
      data-testid="air-now"
    >
      <span>{air.temperatureC.toFixed(1)} °C</span>
      <span>{Math.round(air.relativeHumidity * 100)} %</span>
      <span className="hidden font-semibold text-ink lg:inline">{vapourDensityGm3(air).toFixed(1)} g/m³</span>
      {old ? <span className="text-brass">old</span> : null}
    </Link>
  );
}
