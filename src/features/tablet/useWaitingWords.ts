"use client";
import { keptWords } from "./keptWords";
import type { TabletState } from "./store";
import { useCommandState, useTabletState } from "./TabletProvider";

type Waiting = { readonly words: string; readonly isCutOff: boolean };

/** What is to be said of what waits; null while all goes as it should. */
function waitingWords({ reach, unsent, isSlow }: TabletState, entries: number): Waiting | null {
  const kept = keptWords(unsent, entries);
  const cutOff = (why: string): Waiting => ({ words: kept ? `${why}, ${kept} kept here` : why, isCutOff: true });
  if (reach === "signed out") return cutOff("Signed out");
  if (reach === "no server") return cutOff("No server");
  if (entries > 0) return { words: `${kept} kept here`, isCutOff: true };
  return isSlow ? { words: `Sending ${unsent}`, isCutOff: false } : null;
}

/** What waits on this tablet, in words, and whether the server is out of reach; null while all goes as it should. */
export function useWaitingWords(): Waiting | null {
  const { waiting } = useCommandState();
  const words = useTabletState((state) => waitingWords(state, waiting.length)?.words ?? null);
  const isCutOff = useTabletState((state) => waitingWords(state, waiting.length)?.isCutOff ?? false);
  return words === null ? null : { words, isCutOff };
}
