"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import type { Draft } from "./storage";
import { useTabletStorage } from "./TabletProvider";

/** Where the browser keeps nothing the header says so; editing goes on without drafts. */
const nothingKept = () => undefined;

/**
 * Keeps what is being edited on the tablet until it is saved. `found` is a draft from before this page was loaded;
 * `keep` writes a little after the last change; `drop` forgets it.
 */
export function useDraft(key: string) {
  const tablet = useTabletStorage();
  const [found, setFound] = useState<Draft | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  useEffect(() => {
    let here = true;
    void tablet.draft(key).then((draft) => here && setFound(draft), nothingKept);
    return () => {
      here = false;
    };
  }, [tablet, key]);
  const keep = useCallback(
    (document: unknown, base: number | null) => {
      if (timer.current) clearTimeout(timer.current);
      timer.current = setTimeout(() => void tablet.keepDraft({ key, document, base, savedAtMs: Date.now() }).catch(nothingKept), 150);
    },
    [tablet, key],
  );
  /** Writes at once and waits for it: for leaving the page with what was just made. */
  const keepNow = useCallback(
    async (document: unknown) => {
      if (timer.current) clearTimeout(timer.current);
      await tablet.keepDraft({ key, document, base: null, savedAtMs: Date.now() }).catch(nothingKept);
    },
    [tablet, key],
  );
  const drop = useCallback(async () => {
    if (timer.current) clearTimeout(timer.current);
    setFound(null);
    await tablet.dropDraft(key).catch(nothingKept);
  }, [tablet, key]);
  return { found, keep, keepNow, drop };
}
