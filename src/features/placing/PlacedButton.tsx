"use client";
import { useRef } from "react";
import { BedButton } from "./BedButton";
import type { BedActs } from "./bedActs";

/** Held so long, the pedal means the rest of the zone, ms. */
export const HELD_MS = 700;

/** The pedal as a button: a tap is a lash, held it is the rest of the zone. */
export function PlacedButton({ acts, disabled, isPaused }: { acts: BedActs; disabled: boolean; isPaused: boolean }) {
  const held = useRef<{ timer: ReturnType<typeof setTimeout> | null; done: boolean }>({ timer: null, done: false });
  const down = () => {
    held.current.done = false;
    held.current.timer = setTimeout(() => {
      held.current.done = true;
      acts.rest();
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
      onPress={({ timeStamp }) => {
        if (held.current.done) held.current.done = false;
        else if (isPaused) acts.resume();
        else acts.place(timeStamp);
      }}
    >
      {isPaused ? "go on" : "placed"}
    </BedButton>
  );
}
