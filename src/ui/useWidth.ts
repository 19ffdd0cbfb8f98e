"use client";
import { useEffect, useRef, useState } from "react";

/** Width of an element in CSS pixels as it is laid out; the first guess serves until it is. */
export function useWidth<E extends Element>(guess: number) {
  const ref = useRef<E>(null);
  const [width, setWidth] = useState(guess);
  useEffect(() => {
    if (!ref.current) return;
    const observer = new ResizeObserver(([entry]) => entry && setWidth(entry.contentRect.width));
    observer.observe(ref.current);
    return () => observer.disconnect();
  }, []);
  return [ref, width] as const;
}
