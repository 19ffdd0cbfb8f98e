"use client";
import Link from "next/link";
import { isOfNow, vapourDensityGm3 } from "@/core/air";
import { useLine, useRooms } from "@/features/live/LiveProvider";
import { useNow } from "@/features/tablet/TabletProvider";

const LOOK_AGAIN_MS = 30_000;

/** The first room's air, on every screen, as it is heard; says so when it is old or the line is down. */
export function AirNow() {
  const rooms = useRooms();
  const connected = useLine();
  const air = rooms[0]?.air;
  const now = useNow(LOOK_AGAIN_MS);
  if (!air) return null;
  const isOld = now !== null && !isOfNow(air, now);
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
      {isOld || !connected ? <span className="text-brass">{isOld ? "old" : "line down"}</span> : null}
    </Link>
  );
}
