"use client";
import { useRef } from "react";
import { BedButton } from "./BedButton";
import type { LashTaps } from "./useLashTaps";

/** Held so long, the pedal means the rest of the zone, ms. */
export const HELD_MS = 700;

/** The pedal as a button: a tap is a lash, held it is the rest of the zone. */
export function PlacedButton({ taps, disabled, isPaused }: { taps: LashTaps; disabled: boolean; isPaused: boolean }) {
  const held = useRef<{ timer: ReturnType<typeof setTimeout> | null; done: boolean }>({ timer: null, done: false });
  const down = () => {
    held.current.done = false;
    held.current.timer = setTimeout(() => {
      held.current.done = true;
      taps.rest();
    }, HELD_MS);
  };
  const up = () => {
    if (held.current.timer) clearTimeout(held.current.timer);
  };
  return (
    <BedButton
      keyName="Space"
      tone="ivy"
      disabled={disabled}
      className="col-span-2"
      testId="bed-placed"
      onPointerDown={down}
      onPointerUp={up}
      onPointerLeave={up}
      onPress={() => {
        if (held.current.done) held.current.done = false;
        else if (isPaused) taps.resume();
        else taps.place();
      }}
    >
      {isPaused ? "go on" : "placed"}
    </BedButton>
  );
}
