"use client";
import { useEffect, useEffectEvent } from "react";
import { isTyping } from "@/ui";

/** Keys and pedal of a run: Space does what is next, figures 1 to 4 a lane, S stops, Backspace takes back. */
export function useRunKeys(on: {
  next: () => void;
  lane: (index: number) => void;
  stop: () => void;
  undo: () => void;
  extend: () => void;
}) {
  const press = useEffectEvent((event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.repeat || document.querySelector('[role="dialog"]')) return;
    if (isTyping(event.target)) return;
    const key = event.key.toLowerCase();
    // A focused button or link takes Space for itself.
    const own = event.target instanceof HTMLElement && /^(BUTTON|A|SUMMARY)$/.test(event.target.tagName);
    if (key === " " && !own) {
      event.preventDefault();
      on.next();
    } else if (/^[1-4]$/.test(key)) on.lane(Number(key) - 1);
    else if (key === "s") on.stop();
    else if (key === "e") on.extend();
    else if (key === "backspace") {
      event.preventDefault();
      on.undo();
    }
  });
  useEffect(() => {
    const listen = (event: KeyboardEvent) => press(event);
    window.addEventListener("keydown", listen);
    return () => window.removeEventListener("keydown", listen);
  }, []);
}
