"use client";
import type { TabletState } from "@/features/tablet/store";
import { useTabletState } from "@/features/tablet/TabletProvider";
import { Verdict } from "@/ui";

/** What is to be said of what waits; null while all goes as it should. */
function waitingWords({ reach, unsent, isSlow }: TabletState): string | null {
  const kept = unsent ? `, ${unsent} ${unsent === 1 ? "tap" : "taps"} kept here` : "";
  if (reach === "signed out") return `Signed out${kept}`;
  if (reach === "no server") return `No server${kept}`;
  return isSlow ? `Sending ${unsent}` : null;
}

/** What is not yet safe on the server, and whether the time is the server's. Quiet while all is well. */
export function Safety() {
  const unsent = useTabletState((state) => state.unsent);
  const words = useTabletState(waitingWords);
  const isCutOff = useTabletState(({ reach }) => reach === "signed out" || reach === "no server");
  const clock = useTabletState((state) => state.clock);
  const keeps = useTabletState((state) => state.keeps);
  const refused = useTabletState((state) => state.refused);
  const isBusy = useTabletState((state) => state.visits.length > 0);
  return (
    <span role="status" data-testid="safety" data-unsent={unsent} className="flex gap-3 text-sm whitespace-nowrap">
      {words ? <Verdict tone={isCutOff ? "look" : "note"}>{words}</Verdict> : null}
      {!words && isBusy ? <Verdict tone="good">all safe on the server</Verdict> : null}
      {clock === "device" && isBusy ? <Verdict tone="look">time unchecked, from this device</Verdict> : null}
      {keeps ? null : <Verdict tone="look">this browser keeps no taps</Verdict>}
      {refused.length > 0 ? (
        <span title={refused.join("\n")}>
          <Verdict tone="stop">{refused.length} not accepted</Verdict>
        </span>
      ) : null}
    </span>
  );
}
