"use client";
import { lazy, Suspense, useEffect, useState } from "react";
import { isTyping } from "@/ui";
import { turnTheme } from "./theme";

const KeysHelp = lazy(() => import("./KeysHelp").then((module) => ({ default: module.KeysHelp })));
const Finder = lazy(() => import("./Finder").then((module) => ({ default: module.Finder })));

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
    <Suspense fallback={null}>
      {finding ? <Finder onClose={() => setFinding(false)} /> : null}
      {helping ? <KeysHelp onClose={() => setHelping(false)} /> : null}
    </Suspense>
  );
}
