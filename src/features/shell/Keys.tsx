"use client";
import dynamic from "next/dynamic";
import { useEffect, useState } from "react";
import { Dialog } from "@/ui";
import { turnTheme } from "./theme";

const Finder = dynamic(() => import("./Finder").then((module) => module.Finder), { ssr: false });

const KEYS: readonly (readonly [string, string])[] = [
  ["/ or Ctrl K", "find a client or a place"],
  ["?", "these keys"],
  ["Shift L", "paper or lamp"],
  ["Map: 1 … 9, 0", "take zone 1 … 9, 10; two figures quickly for 11 and on"],
  ["Map: ← →", "the zone beside"],
  ["Map: ↑ ↓", "the next length in stock"],
  ["Map: E", "the other eye"],
  ["Map: Delete", "leave the zone bare"],
  ["Map: Ctrl Z, Ctrl Shift Z", "undo, redo"],
  ["Map: F", "take the first fix"],
  ["Map: B", "facing the client or from the bed head"],
  ["Map: Ctrl S", "save"],
  ["Visit: S, N", "shake, new bead"],
  ["Visit: Backspace", "take the last tap back"],
];

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

/** Keys that work everywhere: find, help, theme. */
export function Keys() {
  const [finding, setFinding] = useState(false);
  const [helping, setHelping] = useState(false);
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === "k") {
        event.preventDefault();
        setFinding(true);
      } else if (isTyping(event.target)) return;
      else if (event.key === "/") {
        event.preventDefault();
        setFinding(true);
      } else if (event.key === "?") setHelping(true);
      else if (event.key === "L" && event.shiftKey) turnTheme();
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, []);
  return (
    <>
      {finding ? <Finder onClose={() => setFinding(false)} /> : null}
      <Dialog open={helping} onOpenChange={setHelping} title="Keys">
        <dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-2">
          {KEYS.map(([key, does]) => (
            <div key={key} className="contents">
              <dt className="font-semibold whitespace-nowrap">{key}</dt>
              <dd className="text-ink-2">{does}</dd>
            </div>
          ))}
        </dl>
      </Dialog>
    </>
  );
}
