"use client";
import { useEffect, useState } from "react";

/** Keeps the screen awake while `held`; false where the browser will not (old ones, or a page that came without HTTPS). */
export function useWakeLock(wanted: boolean): boolean {
  const [works, setWorks] = useState(true);
  useEffect(() => {
    if (!wanted) return;
    let lock: WakeLockSentinel | null = null;
    let gone = false;
    const take = async () => {
      if (document.visibilityState !== "visible") return;
      try {
        if (!navigator.wakeLock) throw new Error("no wake lock here");
        const taken = await navigator.wakeLock.request("screen");
        if (gone) await taken.release();
        else {
          lock = taken;
          setWorks(true);
        }
      } catch {
        setWorks(false);
      }
    };
    // A lock ends when the page is hidden; it is taken again when it is seen again.
    const takeAgain = () => void take();
    document.addEventListener("visibilitychange", takeAgain);
    takeAgain();
    return () => {
      gone = true;
      document.removeEventListener("visibilitychange", takeAgain);
      void lock?.release().catch(() => undefined);
    };
  }, [wanted]);
  return works;
}
