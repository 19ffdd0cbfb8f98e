"use client";
import { useState } from "react";
import { keptWords } from "@/features/tablet/keptWords";
import type { TabletState } from "@/features/tablet/store";
import { useCommandState, useTabletState } from "@/features/tablet/TabletProvider";
import { Verdict } from "@/ui";
import { useReserve } from "@/ui/useReserve";

const load = () => import("./SafetySheet");

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

/** What is not yet safe on the server, and whether the time is the server's. Quiet while all is well; opened, it says what it is. */
export function Safety() {
  const [open, setOpen] = useState(false);
  const sheet = useReserve(load, open);
  const unsent = useTabletState((state) => state.unsent);
  const { waiting, refused } = useCommandState();
  const words = useTabletState((state) => waitingWords(state, waiting.length)?.words ?? null);
  const isCutOff = useTabletState((state) => waitingWords(state, waiting.length)?.isCutOff ?? false);
  const clock = useTabletState((state) => state.clock);
  const keeps = useTabletState((state) => state.keeps);
  const refusedTaps = useTabletState((state) => state.refused);
  const isBusy = useTabletState((state) => state.visits.length > 0);
  const notAccepted = refused.length + refusedTaps.length;
  return (
    <>
      <span role="status" data-testid="safety" data-unsent={unsent + waiting.length} className="flex gap-3 text-sm whitespace-nowrap">
        {words ? <Verdict tone={isCutOff ? "look" : "note"}>{words}</Verdict> : null}
        {!words && isBusy ? <Verdict tone="good">all safe on the server</Verdict> : null}
        {clock === "device" && isBusy ? <Verdict tone="look">time unchecked, from this device</Verdict> : null}
        {keeps ? null : <Verdict tone="look">this browser keeps no taps</Verdict>}
        {notAccepted > 0 ? <Verdict tone="stop">{notAccepted} not accepted</Verdict> : null}
      </span>
      {waiting.length + notAccepted > 0 ? (
        <button type="button" className="min-h-9 text-sm font-medium text-ivy underline underline-offset-4" onClick={() => setOpen(true)}>
          Which
        </button>
      ) : null}
      {open && sheet ? <sheet.SafetySheet onClose={() => setOpen(false)} /> : null}
    </>
  );
}
