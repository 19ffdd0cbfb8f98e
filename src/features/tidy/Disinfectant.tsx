"use client";
import { useState } from "react";
import { dilute } from "@/core/mixing";
import type { Policy } from "@/core/policy";
import { formatClock } from "@/core/units";
import type { Soak } from "@/core/visit";
import { useClockTime, useTabletStore } from "@/features/tablet/TabletProvider";
import { Button, SelectField, Verdict } from "@/ui";

/** The disinfectant bath: how it is mixed by its label, and its contact time as a clock that hangs on every screen until the implements are out. */
export function Disinfectant({
  visitId,
  soak,
  policy,
  lots,
}: {
  visitId: string;
  soak: Soak | null;
  policy: Pick<Policy, "disinfectantMinutes" | "disinfectantPercent" | "disinfectantBathMl">;
  /** Open on the shelf. */
  lots: readonly { readonly id: string; readonly name: string }[];
}) {
  const store = useTabletStore();
  const [picked, setPicked] = useState<string | null>(null);
  const { disinfectantMinutes, disinfectantPercent, disinfectantBathMl } = policy;
  const lies = soak !== null && soak.endedAtMs === null;
  const nowMs = useClockTime((ms) => (lies ? String(Math.floor(ms / 1000)) : ""));
  const leftS = lies && nowMs !== null ? soak.contactS - (nowMs - soak.startedAtMs) / 1000 : null;
  const mix = disinfectantPercent > 0 ? dilute(1, disinfectantPercent / 100, disinfectantBathMl) : null;
  const batchId = picked ?? lots[0]?.id ?? null;
  return (
    <section aria-label="Disinfectant" className="mt-2 border-t border-line pt-2">
      <p className="text-[0.9375rem]">
        {mix
          ? `By its label ${disinfectantPercent} %: ${Math.round(mix.stock)} mL of concentrate into ${Math.round(mix.diluent)} mL of water. `
          : "Ready for use, or mixed by its label. "}
        Contact time {disinfectantMinutes} min; clean them first. <span className="text-ink-2">The label comes before both figures.</span>
      </p>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        {lies ? (
          <>
            <p data-testid="soak-clock" className="text-4xl font-semibold">
              {leftS === null ? "–" : formatClock(leftS)}
              <span className="ml-3 text-lg font-normal">
                {leftS !== null && leftS <= 0 ? <Verdict tone="good">They have had their time.</Verdict> : "in the disinfectant"}
              </span>
            </p>
            <Button
              size="bedNarrow"
              tone={leftS !== null && leftS <= 0 ? "ivy" : "line"}
              onClick={() => void store.tap(visitId, "soakEnded", {})}
            >
              Out, rinsed, dry
            </Button>
            {leftS !== null && leftS > 0 ? (
              <Button size="bedNarrow" tone="plain" onClick={() => void store.tap(visitId, "undone", { eventId: soak.eventId })}>
                Not in it after all
              </Button>
            ) : null}
          </>
        ) : (
          <>
            {lots.length > 0 ? (
              <div className="w-64">
                <SelectField label="From" value={batchId ?? ""} onChange={(event) => setPicked(event.target.value)}>
                  {lots.map(({ id, name }) => (
                    <option key={id} value={id}>
                      {name}
                    </option>
                  ))}
                </SelectField>
              </div>
            ) : null}
            <Button
              size="bedNarrow"
              tone="line"
              onClick={() => void store.tap(visitId, "soakStarted", { contactS: disinfectantMinutes * 60, batchId })}
            >
              {soak ? "In again" : "Implements are in"}
            </Button>
          </>
        )}
      </div>
    </section>
  );
}
