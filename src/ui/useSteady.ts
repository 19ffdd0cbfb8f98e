"use client";
import { useLayoutEffect, useRef, useState } from "react";

type Acts = Readonly<Record<string, (...args: never[]) => void>>;

/**
 * The same functions for as long as the caller is there; each does what it was given last. What hangs on them, keys and
 * buttons, is drawn once and not with every change.
 */
export function useSteady<Given extends Acts>(acts: Given): Given {
  const latest = useRef(acts);
  useLayoutEffect(() => {
    latest.current = acts;
  });
  const [steady] = useState(() => {
    const one =
      (name: string) =>
      (...args: never[]) =>
        latest.current[name]?.(...args);
    return Object.fromEntries(Object.keys(acts).map((name) => [name, one(name)])) as unknown as Given;
  });
  return steady;
}
