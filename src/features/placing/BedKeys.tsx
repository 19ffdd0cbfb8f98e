"use client";
import { memo } from "react";
import { useKey } from "@/ui/keys";
import type { BedActs } from "./bedActs";

/** What a key does, by what it produces. */
const LETTERS: Readonly<Record<string, (acts: BedActs) => void>> = {
  arrowright: (acts) => acts.beside(1),
  arrowleft: (acts) => acts.beside(-1),
  arrowup: (acts) => acts.otherEye(),
  arrowdown: (acts) => acts.otherEye(),
  r: (acts) => acts.redo(),
  a: (acts) => acts.tape(),
  o: (acts) => acts.off(),
  l: (acts) => acts.mirror(),
  b: (acts) => acts.attach(),
  p: (acts) => acts.pause(),
  k: (acts) => acts.talk(),
  m: (acts) => acts.minutes(),
  escape: (acts) => acts.back(),
};
const DIGITS = ["1", "2", "3", "4", "5", "6", "7", "8", "9", "0"] as const;

/**
 * The keys of the bed, heard by one listener: each that hears a key costs every lash its part. They hang up once, not with
 * every lash. Space, Backspace, C, S, N and D are the visit's own and hang over it.
 */
export const BedKeys = memo(function BedKeys({ acts, isProposed }: { acts: BedActs; isProposed: boolean }) {
  useKey([...DIGITS, "up", "down", "left", "right", "r", "a", "o", "l", "b", "p", "k", "m", "escape"], ({ key }) => {
    const digit = DIGITS.indexOf(key as (typeof DIGITS)[number]);
    if (digit >= 0) acts.digit(digit + 1);
    else LETTERS[key.toLowerCase()]?.(acts);
  });
  useKey("shift+space", acts.rest);
  useKey("enter", acts.take, { unless: () => !isProposed || document.activeElement !== document.body });
  return null;
});
