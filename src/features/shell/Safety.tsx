"use client";
import { useTabletState } from "@/features/tablet/TabletProvider";
import { Verdict } from "@/ui";

/** What is not yet safe on the server, and whether the time is the server's. Quiet while all is well. */
export function Safety() {
  const { unsent, reach, clock, keeps, refused, visits } = useTabletState();
  const words =
    reach === "signed out"
      ? `Signed out${unsent ? `, ${unsent} ${unsent === 1 ? "tap" : "taps"} kept here` : ""}`
      : reach === "no server"
        ? `No server${unsent ? `, ${unsent} ${unsent === 1 ? "tap" : "taps"} kept here` : ""}`
        : unsent > 0
          ? `Sending ${unsent}`
          : null;
  return (
    <span role="status" data-testid="safety" data-unsent={unsent} className="flex gap-3 text-sm whitespace-nowrap">
      {words ? <Verdict tone={reach === "sending" ? "note" : "look"}>{words}</Verdict> : null}
      {!words && visits.length > 0 ? <Verdict tone="good">all safe on the server</Verdict> : null}
      {clock === "device" && visits.length > 0 ? <Verdict tone="look">time unchecked, from this device</Verdict> : null}
      {keeps ? null : <Verdict tone="look">this browser keeps no taps</Verdict>}
      {refused.length > 0 ? (
        <span title={refused.join("\n")}>
          <Verdict tone="stop">{refused.length} not accepted</Verdict>
        </span>
      ) : null}
    </span>
  );
}
