"use client";
import { useEffect, useState } from "react";

/** So long after the page is there nothing of its own is still being fetched. */
const STILL_MS = 4000;

/**
 * A part of the page that is wanted most when there is no line to fetch it by: fetched once the page has stood still for a
 * while, or at once where it is `wanted`. Null until it is there; a fetch that failed is tried again when the line is back.
 * `load` is of the module, not of a render.
 */
export function useReserve<Module>(load: () => Promise<Module>, wanted: boolean): Module | null {
  const [module, setModule] = useState<Module | null>(null);
  useEffect(() => {
    if (module) return;
    const fetch = () => void load().then(setModule, () => undefined);
    const timer = setTimeout(fetch, wanted ? 0 : STILL_MS);
    window.addEventListener("online", fetch);
    return () => {
      clearTimeout(timer);
      window.removeEventListener("online", fetch);
    };
  }, [load, wanted, module]);
  return module;
}
