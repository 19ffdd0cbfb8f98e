"use client";
import { readAlarmChoice, soundIsOpen } from "@/features/tablet/alarm";
import { useNow } from "@/features/tablet/TabletProvider";
import { useWakeLock } from "@/features/tablet/useWakeLock";
import { Verdict } from "@/ui";

const LOOK_AGAIN_MS = 2000;

/** Keeps the screen awake, and says what this browser does not let a page do. */
export function SoundAndSleep() {
  const awake = useWakeLock(true);
  const isAlive = useNow(LOOK_AGAIN_MS) !== null;
  return (
    <>
      {isAlive && readAlarmChoice().sound && !soundIsOpen() ? (
        <p className="mt-3 text-[0.9375rem] text-ink-2">Touch anything once, and the clocks can sound.</p>
      ) : null}
      {awake ? null : (
        <p className="mt-3 text-[0.9375rem]">
          <Verdict tone="look">This browser lets the screen sleep.</Verdict>{" "}
          <span className="text-ink-2">Set the tablet to stay on, or reach the studio by HTTPS. Asleep, no clock can sound.</span>
        </p>
      )}
    </>
  );
}
