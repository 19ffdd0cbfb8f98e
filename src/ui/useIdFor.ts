"use client";
import { useState } from "react";
import { newId } from "./newId";

/**
 * An id made here for what is about to be sent: the same as long as that is the same, so that sending it again after an answer
 * was lost does nothing twice; another as soon as it was changed, so that the change is not taken for the first.
 */
export function useIdFor(content: unknown): string {
  const [kept, setKept] = useState(() => ({ content, id: newId() }));
  if (Object.is(kept.content, content)) return kept.id;
  const next = { content, id: newId() };
  setKept(next);
  return next.id;
}

/** The same for a form that is read when it is sent: an id by what is sent, as long as that stays the same. */
export function useIdBy(): (content: unknown) => string {
  const [idBy] = useState(() => {
    let last = { content: "", id: "" };
    return (content: unknown) => {
      const now = JSON.stringify(content);
      if (last.content !== now) last = { content: now, id: newId() };
      return last.id;
    };
  });
  return idBy;
}
