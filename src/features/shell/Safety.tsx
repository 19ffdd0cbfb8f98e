"use client";
import { useState } from "react";
import { useCommandState, useTabletState } from "@/features/tablet/TabletProvider";
import { useWaitingWords } from "@/features/tablet/useWaitingWords";
import { Verdict } from "@/ui";
import { useReserve } from "@/ui/useReserve";

const load = () => import("./SafetySheet");

/** What is not yet safe on the server, and whether the time is the server's. Quiet while all is well; opened, it says what it is. */
export function Safety() {
  const [open, setOpen] = useState(false);
  const sheet = useReserve(load, open);
  const unsent = useTabletState((state) => state.unsent);
  const { waiting, refused } = useCommandState();
  const waits = useWaitingWords();
  const clock = useTabletState((state) => state.clock);
  const keeps = useTabletState((state) => state.keeps);
  const refusedTaps = useTabletState((state) => state.refused);
  const isBusy = useTabletState((state) => state.visits.length > 0);
  const notAccepted = refused.length + refusedTaps.length;
  return (
    <>
      <span role="status" data-testid="safety" data-unsent={unsent + waiting.length} className="flex gap-3 text-sm whitespace-nowrap">
        {waits ? <Verdict tone={waits.isCutOff ? "look" : "note"}>{waits.words}</Verdict> : null}
        {!waits && isBusy ? <Verdict tone="good">all safe on the server</Verdict> : null}
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
