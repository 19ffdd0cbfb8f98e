"use client";
import { isPressable, useKey } from "@/ui/keys";

/** Keys and pedal of a run: Space does what is next, figures 1 to 4 a lane, S stops, Backspace takes back. */
export function useRunKeys(on: {
  next: () => void;
  lane: (index: number) => void;
  stop: () => void;
  undo: () => void;
  extend: () => void;
}) {
  useKey("space", on.next, { unless: isPressable });
  useKey(["1", "2", "3", "4"], ({ key }) => on.lane(Number(key) - 1));
  useKey("s", on.stop);
  useKey("e", on.extend);
  useKey("backspace", on.undo);
}
