"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import type { Draft } from "./storage";
import { useTabletStorage } from "./TabletProvider";

/** Where the browser keeps nothing the header says so; editing goes on without drafts. */
const nothingKept = () => undefined;

export type EarlierDraft<T> = Omit<Draft, "document"> & { readonly document: T };

/** A draft of nothing but words. */
export const readWords = (document: unknown): string | null => (typeof document === "string" ? document : null);

/**
 * Keeps what is being edited on the tablet until it is saved. `earlier` is a draft from before this page was loaded, as `read`
 * understood it: one of an older page that it makes nothing of stays where it is until something is typed. `read` is of the
 * module, not of a render, and may fetch what it reads by. `keep` writes a little after the last change; `drop` forgets it.
 */
export function useDraft<T>(key: string, read: (document: unknown) => T | null | Promise<T | null>) {
  const tablet = useTabletStorage();
  const [earlier, setEarlier] = useState<EarlierDraft<T> | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  useEffect(() => {
    let isCurrent = true;
    const look = async () => {
      const draft = await tablet.draft(key);
      const document = draft && (await read(draft.document));
      if (isCurrent) setEarlier(draft && document !== null ? { ...draft, document } : null);
    };
    void look().catch(nothingKept);
    return () => {
      isCurrent = false;
    };
  }, [tablet, key, read]);
  const keep = useCallback(
    (document: T, base: number | null) => {
      if (timer.current) clearTimeout(timer.current);
      const draft = { key, document, base, savedAtMs: Date.now() };
      timer.current = setTimeout(() => void tablet.keepDraft(draft).catch(nothingKept), 150);
    },
    [tablet, key],
  );
  /** Writes at once and waits for it: for leaving the page with what was just made. */
  const keepNow = useCallback(
    async (document: T) => {
      if (timer.current) clearTimeout(timer.current);
      await tablet.keepDraft({ key, document, base: null, savedAtMs: Date.now() }).catch(nothingKept);
    },
    [tablet, key],
  );
  const drop = useCallback(async () => {
    if (timer.current) clearTimeout(timer.current);
    setEarlier(null);
    await tablet.dropDraft(key).catch(nothingKept);
  }, [tablet, key]);
  return { earlier, keep, keepNow, drop };
}
