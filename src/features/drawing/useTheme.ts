"use client";
import { useSyncExternalStore } from "react";
import type { Theme } from "@/core/drawing";

const subscribe = (changed: () => void) => {
  const observer = new MutationObserver(changed);
  observer.observe(document.documentElement, { attributeFilter: ["data-theme"] });
  return () => observer.disconnect();
};
const now = (): Theme => (document.documentElement.dataset["theme"] === "lamp" ? "lamp" : "paper");

/** The theme the page stands in: what is painted on a canvas must know it. */
export const useTheme = (): Theme => useSyncExternalStore(subscribe, now, () => "paper");
