"use client";
import { useEffect, useRef } from "react";
import type { ZoneRef } from "./drag";

export type MapKeys = {
  readonly chosen: ZoneRef | null;
  readonly choose: (step: { zone: number } | { beside: 1 | -1 } | "other eye") => void;
  readonly move: (way: 1 | -1) => void;
  readonly bare: () => void;
  /** The chosen zone's outer line pulled a step, as seen on the screen. */
  readonly pull: (way: 1 | -1) => void;
  readonly layer: () => void;
  readonly undo: () => void;
  readonly redo: () => void;
  readonly fix: () => void;
  readonly turn: () => void;
  readonly save: () => void;
};

const TWO_FIGURES_MS = 700;
const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));
/** Arrows belong to toggle groups and menus while those hold the focus. */
const ownsArrows = (target: EventTarget | null) =>
  target instanceof HTMLElement && target.closest('[role="group"] [data-radix-collection-item], [role="menu"], [role="dialog"]') !== null;

/** The map by keyboard: zone by number, arrows for length, undo and redo. */
export function useMapKeys(keys: MapKeys): void {
  const latest = useRef(keys);
  useEffect(() => {
    latest.current = keys;
  });
  const figure = useRef<{ digit: number; at: number } | null>(null);
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const now = latest.current;
      const key = event.key.toLowerCase();
      if (event.ctrlKey || event.metaKey) {
        const does =
          key === "s"
            ? now.save
            : isTyping(event.target)
              ? null
              : key === "y" || (key === "z" && event.shiftKey)
                ? now.redo
                : key === "z"
                  ? now.undo
                  : null;
        if (!does) return;
        event.preventDefault();
        return does();
      }
      if (isTyping(event.target) || event.altKey) return;
      if (/^[0-9]$/.test(key)) {
        const digit = Number(key);
        const first = figure.current;
        const together = first && event.timeStamp - first.at < TWO_FIGURES_MS && first.digit === 1 ? 10 + digit : null;
        figure.current = { digit, at: event.timeStamp };
        return now.choose({ zone: (together ?? (digit === 0 ? 10 : digit)) - 1 });
      }
      if (key.startsWith("arrow")) {
        if (ownsArrows(event.target)) return;
        event.preventDefault();
        if (key === "arrowup" || key === "arrowdown") now.move(key === "arrowup" ? 1 : -1);
        else if (event.shiftKey) now.pull(key === "arrowright" ? 1 : -1);
        else now.choose({ beside: key === "arrowright" ? 1 : -1 });
        return;
      }
      if (key === "e") now.choose("other eye");
      else if (key === "delete") now.bare();
      else if (key === "n") now.layer();
      else if (key === "f") now.fix();
      else if (key === "b") now.turn();
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, []);
}
