"use client";
import { useState } from "react";
import type { CureLedger } from "@/core/adhesive";
import { sideLabel, type Side } from "@/core/eye";
import { formatClock } from "@/core/units";
import { Verdict } from "@/ui";

/** "zone right 0 3" → "zone 3, client's right". */
export function placingWords(key: string): string {
  const [kind, a, , zone] = key.split(" ");
  return kind === "bead" ? `bead ${a}` : `zone ${zone}, ${sideLabel(a as Side)}`;
}

/** Every bead and zone with how far it has cured in the air it really had. */
export function LedgerSheet({ ledger, needS }: { ledger: CureLedger | null; needS: number }) {
  const [open, setOpen] = useState(false);
  if (!ledger || ledger.lines.length === 0) return null;
  const lines = open ? [...ledger.lines].sort((a, b) => b.atMs - a.atMs) : [];
  return (
    <details className="mt-4 text-[0.9375rem]" data-testid="ledger" onToggle={({ currentTarget }) => setOpen(currentTarget.open)}>
      <summary className="h-9 cursor-pointer py-1.5 text-ink-2 contain-strict max-sm:h-14">
        Cure ledger: {ledger.lines.filter(({ setThrough }) => setThrough).length} of {ledger.lines.length} cured as far as open eyes want
      </summary>
      <table className="w-full">
        <thead>
          <tr className="text-left text-sm text-ink-2">
            <th className="py-1 font-normal">placed</th>
            <th className="font-normal">cure, at 22 °C and 50 %</th>
            <th className="font-normal">stands at</th>
          </tr>
        </thead>
        <tbody>
          {lines.map(({ key, dose, isolationSafe, setThrough }) => (
            <tr key={key} className="border-t border-line">
              <th scope="row" className="py-1 text-left font-semibold">
                {placingWords(key)}
              </th>
              <td>
                {dose ? (
                  <>
                    {formatClock(dose.doseS)} of {formatClock(needS)}
                    {dose.highS - dose.lowS > 20 ? (
                      <span className="text-ink-2">
                        {" "}
                        ({formatClock(dose.lowS)} to {formatClock(dose.highS)})
                      </span>
                    ) : null}
                    {dose.outsideS > 60 ? <Verdict tone="look"> air past the model</Verdict> : null}
                  </>
                ) : (
                  "no reading"
                )}
              </td>
              <td>
                <Verdict tone={setThrough ? "good" : isolationSafe ? "note" : "look"}>
                  {setThrough ? "eyes may open" : isolationSafe ? "may be let go" : "hold"}
                </Verdict>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
