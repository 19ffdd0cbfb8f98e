"use client";
import { useEffect, useEffectEvent } from "react";

/** A key that is held down for so long, by its code: `useHeldKey("Space", 700, rest)`. Let go before, nothing happens. */
export function useHeldKey(code: string, ms: number, held: () => void): void {
  const isHeld = useEffectEvent(held);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const up = () => clearTimeout(timer);
    const down = (event: KeyboardEvent) => {
      if (event.code !== code || event.repeat || event.shiftKey) return;
      up();
      timer = setTimeout(isHeld, ms);
    };
    const letGo = (event: KeyboardEvent) => event.code === code && up();
    window.addEventListener("keydown", down);
    window.addEventListener("keyup", letGo);
    window.addEventListener("blur", up);
    return () => {
      up();
      window.removeEventListener("keydown", down);
      window.removeEventListener("keyup", letGo);
      window.removeEventListener("blur", up);
    };
  }, [code, ms]);
}
