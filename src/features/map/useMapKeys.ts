"use client";
import { useRef } from "react";
import { useKey } from "@/ui/keys";
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
const FIGURES = ["0", "1", "2", "3", "4", "5", "6", "7", "8", "9"];
/** Arrows belong to toggle groups and menus while those hold the focus. */
const ownsArrows = ({ target }: KeyboardEvent) =>
  target instanceof HTMLElement && target.closest('[role="group"] [data-radix-collection-item], [role="menu"]') !== null;
const ARROWS = { repeats: true, unless: ownsArrows };

/** The map by keyboard: zone by number, arrows for length, undo and redo. */
export function useMapKeys(keys: MapKeys): void {
  const figure = useRef<{ digit: number; at: number } | null>(null);
  useKey("mod+s", keys.save, { whileTyping: true });
  useKey("mod+z", keys.undo, { repeats: true });
  useKey(["mod+y", "mod+shift+z"], keys.redo, { repeats: true });
  useKey(FIGURES, ({ key, timeStamp }) => {
    const digit = Number(key);
    const first = figure.current;
    const together = first && timeStamp - first.at < TWO_FIGURES_MS && first.digit === 1 ? 10 + digit : null;
    figure.current = { digit, at: timeStamp };
    keys.choose({ zone: (together ?? (digit === 0 ? 10 : digit)) - 1 });
  });
  useKey("arrowup", () => keys.move(1), ARROWS);
  useKey("arrowdown", () => keys.move(-1), ARROWS);
  useKey("arrowright", () => keys.choose({ beside: 1 }), ARROWS);
  useKey("arrowleft", () => keys.choose({ beside: -1 }), ARROWS);
  useKey("shift+arrowright", () => keys.pull(1), ARROWS);
  useKey("shift+arrowleft", () => keys.pull(-1), ARROWS);
  useKey("e", () => keys.choose("other eye"));
  useKey("delete", keys.bare, { repeats: true });
  useKey("n", keys.layer);
  useKey("f", keys.fix);
  useKey("b", keys.turn);
}
