"use client";
import { lazy, Suspense, useState } from "react";
import { useKey } from "@/ui/keys";
import { turnTheme } from "./theme";

const KeysHelp = lazy(() => import("./KeysHelp").then((module) => ({ default: module.KeysHelp })));
const Finder = lazy(() => import("./Finder").then((module) => ({ default: module.Finder })));

const hasCommand = (event: KeyboardEvent) => event.ctrlKey || event.metaKey;

/** Keys that work everywhere: find, help, theme. */
export function Keys() {
  const [finding, setFinding] = useState(false);
  const [helping, setHelping] = useState(false);
  useKey("mod+k", () => setFinding(true), { everywhere: true, whileTyping: true });
  useKey("/", () => setFinding(true), { everywhere: true, anyModifiers: true, unless: hasCommand });
  useKey("?", () => setHelping(true), { everywhere: true, anyModifiers: true, unless: hasCommand });
  useKey("shift+l", turnTheme, { everywhere: true });
  return (
    <Suspense fallback={null}>
      {finding ? <Finder onClose={() => setFinding(false)} /> : null}
      {helping ? <KeysHelp onClose={() => setHelping(false)} /> : null}
    </Suspense>
  );
}
