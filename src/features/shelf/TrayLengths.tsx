"use client";
import { useState } from "react";
import type { Tray } from "@/core/map";
import { cx } from "@/ui";
import { PRACTICE_LENGTHS, WORN_LENGTHS } from "./trayLengths";

/** The lengths still in a tray: a tap says one ran out, or is in again. Those for mannequin heads stand apart. */
export function TrayLengths({ tray, name, onTap }: { tray: Tray; name: string; onTap: (lengthMm: number, stocked: boolean) => void }) {
  // Once shown they stay: a length tapped off by mistake is tapped on again.
  const [practice, setPractice] = useState(() => tray.lengthsMm.some((mm) => PRACTICE_LENGTHS.includes(mm)));
  const button = (mm: number) => {
    const stocked = tray.lengthsMm.includes(mm);
    return (
      <button
        key={mm}
        type="button"
        aria-pressed={stocked}
        aria-label={`${name}, ${mm} mm`}
        onClick={() => onTap(mm, !stocked)}
        className={cx(
          "size-8 rounded text-sm",
          stocked ? "bg-moss-soft font-semibold text-ink" : "text-ink-2 line-through decoration-line-strong hover:bg-moss-soft",
        )}
      >
        {mm}
      </button>
    );
  };
  return (
    <span className="flex flex-wrap items-center gap-1">
      {WORN_LENGTHS.map(button)}
      {practice ? (
        <span className="flex flex-wrap items-center gap-1">
          <span className="px-1 text-sm text-ink-2">practice</span>
          {PRACTICE_LENGTHS.map(button)}
        </span>
      ) : (
        <button
          type="button"
          aria-label={`${name}, lengths for practice`}
          title="Longer ones, for practice on a mannequin head"
          onClick={() => setPractice(true)}
          className="size-8 rounded text-sm text-ink-2 hover:bg-moss-soft"
        >
          …
        </button>
      )}
    </span>
  );
}
