"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import type { Draft } from "./tablet";
import { useTablet } from "./VisitProvider";

/**
 * Keeps what is being edited on the tablet until it is saved. `found` is a draft from before this page was loaded;
 * `keep` writes a little after the last change; `drop` forgets it.
 */
export function useDraft(key: string) {
  const tablet = useTablet();
  const [found, setFound] = useState<Draft | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  useEffect(() => {
    let here = true;
    void tablet.drafts.get(key).then((draft) => here && setFound(draft ?? null));
    return () => {
      here = false;
    };
  }, [tablet, key]);
  const keep = useCallback(
    (document: unknown, base: number | null) => {
      if (timer.current) clearTimeout(timer.current);
      timer.current = setTimeout(() => void tablet.drafts.put({ key, document, base, savedAtMs: Date.now() }), 150);
    },
    [tablet, key],
  );
  const drop = useCallback(async () => {
    if (timer.current) clearTimeout(timer.current);
    setFound(null);
    await tablet.drafts.delete(key);
  }, [tablet, key]);
  return { found, keep, drop };
}
