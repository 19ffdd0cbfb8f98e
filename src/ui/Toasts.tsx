"use client";
import { lazy, Suspense, useEffect, useState } from "react";
import { onToast } from "./toast";

/** Fetched when there is first something to say. */
const Shown = lazy(() => import("./ToastsShown").then((module) => ({ default: module.ToastsShown })));

/** Where toasts stand, on every screen. */
export function Toasts() {
  const [wanted, setWanted] = useState(false);
  useEffect(() => (wanted ? undefined : onToast(() => setWanted(true))), [wanted]);
  return <Suspense fallback={null}>{wanted ? <Shown /> : null}</Suspense>;
}
