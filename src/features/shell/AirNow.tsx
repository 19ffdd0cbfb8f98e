"use client";
import Link from "next/link";
import { useEffect, useState } from "react";
import { vapourDensityGm3 } from "@/core/air";
import type { RoomWithAir } from "@/features/air/data";

const EVERY_MS = 10_000;
const STALE_MS = 15 * 60_000;

/** The first room's air, on every screen; says so when it is old. */
export function AirNow() {
  const [rooms, setRooms] = useState<readonly RoomWithAir[]>([]);
  const [old, setOld] = useState(false);
  useEffect(() => {
    const read = async () => {
      try {
        const response = await fetch("/api/air", { cache: "no-store" });
        if (!response.ok) return;
        const found = ((await response.json()) as { rooms: RoomWithAir[] }).rooms;
        setRooms(found);
        const first = found[0]?.air;
        setOld(first ? Date.now() - Date.parse(first.takenAt) > STALE_MS : false);
      } catch {
        setOld(true);
      }
    };
    const first = setTimeout(read, 0);
    const every = setInterval(read, EVERY_MS);
    return () => {
      clearTimeout(first);
      clearInterval(every);
    };
  }, []);
  const air = rooms[0]?.air;
  if (!air) return null;
  return (
    <Link href="/air" className="hidden gap-3 whitespace-nowrap text-ink-2 hover:text-ink md:flex" title={rooms[0]?.name}>
      <span>{air.temperatureC.toFixed(1)} °C</span>
      <span>{Math.round(air.relativeHumidity * 100)} %</span>
      <span className="hidden font-semibold text-ink lg:inline">{vapourDensityGm3(air).toFixed(1)} g/m³</span>
      {old ? <span className="text-brass">old</span> : null}
    </Link>
  );
}
