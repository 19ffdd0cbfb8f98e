"use client";
import { startTransition, useEffect, useState } from "react";

/** A value as it was, until the frame that shows everything else is there: for what may come a moment later. */
export function useAfterFrame<Value>(value: Value): Value {
  const [later, setLater] = useState(value);
  useEffect(() => {
    let task: ReturnType<typeof setTimeout> | undefined;
    const frame = requestAnimationFrame(() => {
      task = setTimeout(() => startTransition(() => setLater(value)));
    });
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(task);
    };
  }, [value]);
  return later;
}
