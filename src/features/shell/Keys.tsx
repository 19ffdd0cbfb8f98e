"use client";
import { lazy, Suspense, useState } from "react";
import { useKey } from "@/ui/keys";
import { turnTheme } from "./theme";

const KeysHelp = lazy(() => import("./KeysHelp").then((module) => ({ default: module.KeysHelp })));
const Finder = lazy(() => import("./Finder").then((module) => ({ default: module.Finder })));

const hasCommand = (event: KeyboardEvent) => event.ctrlKey || event.metaKey;

/** The button that finds, and the keys that work everywhere: find, help, theme. */
export function Keys() {
  const [finding, setFinding] = useState(false);
  const [helping, setHelping] = useState(false);
  useKey("mod+k", () => setFinding(true), { everywhere: true, whileTyping: true });
  useKey("/", () => setFinding(true), { everywhere: true, anyModifiers: true, unless: hasCommand });
  useKey("?", () => setHelping(true), { everywhere: true, anyModifiers: true, unless: hasCommand });
  useKey("shift+l", turnTheme, { everywhere: true });
  return (
    <>
      <button
        type="button"
        aria-label="Find"
        title="Find ( / )"
        onClick={() => setFinding(true)}
        className="-m-1 inline-flex size-9 items-center justify-center rounded-full text-ink-2 hover:bg-moss-soft hover:text-ink"
      >
        <svg
          viewBox="0 0 20 20"
          className="size-5"
          fill="none"
          stroke="currentColor"
          strokeWidth="1.6"
          strokeLinecap="round"
          aria-hidden="true"
        >
          <circle cx="8.5" cy="8.5" r="5.5" />
          <path d="m12.6 12.6 4.4 4.4" />
        </svg>
      </button>
      <Suspense fallback={null}>
        {finding ? <Finder onClose={() => setFinding(false)} onKeys={() => setHelping(true)} /> : null}
        {helping ? <KeysHelp onClose={() => setHelping(false)} /> : null}
      </Suspense>
    </>
  );
}
