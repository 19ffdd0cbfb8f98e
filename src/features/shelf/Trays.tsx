"use client";
import { useState, useTransition } from "react";
import { FIBRE_COLOURS } from "@/core/lash";
import type { Tray } from "@/core/map";
import { Button, Empty, Notice } from "@/ui";
import { addTray, removeTray, setLengthInTray } from "./actions";
import { TrayLengths } from "./TrayLengths";
import { TraySheet } from "./TraySheet";
import { answered } from "@/ui/answered";

/** Trays with the lengths still in them; a tap says a length ran out, or is in again. */
export function Trays({ trays, mayRemove }: { trays: readonly { id: string; document: Tray }[]; mayRemove: boolean }) {
  const [adding, setAdding] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [removed, setRemoved] = useState<Tray | null>(null);
  const [busy, begin] = useTransition();
  const doing = (work: () => Promise<{ ok: true; data: unknown } | { ok: false; message: string }>, then?: (data: unknown) => void) =>
    begin(async () => {
      const result = await answered(work(), "Nothing was changed.");
      setProblem(result.ok ? null : result.message);
      if (result.ok) then?.(result.data);
    });
  return (
    <section aria-label="Trays">
      <div className="flex items-baseline justify-between border-b border-line pb-1">
        <h2 className="text-2xl">Trays</h2>
        <Button tone="plain" onClick={() => setAdding(true)}>
          Add a tray
        </Button>
      </div>
      {problem ? <Notice tone="stop" title={problem} className="mt-3" /> : null}
      {removed ? (
        <Notice tone="note" title={`${removed.curl} ${removed.diameterMm.toFixed(2)} was taken off the shelf`} className="mt-3">
          <Button
            tone="line"
            onClick={() =>
              doing(
                () => addTray(removed),
                () => setRemoved(null),
              )
            }
          >
            Put it back
          </Button>
        </Notice>
      ) : null}
      {trays.length === 0 ? <Empty title="No tray is on the shelf">A map is planned from lengths in stock.</Empty> : null}
      <ul aria-busy={busy}>
        {trays.map(({ id, document: tray }) => {
          const name = `${tray.curl} ${tray.diameterMm.toFixed(2)} ${tray.shape}${tray.colour ? ` ${FIBRE_COLOURS[tray.colour].label}` : ""}`;
          return (
            <li key={id} className="grid items-center gap-x-2 gap-y-1 border-b border-line py-2 sm:grid-cols-[7rem_minmax(0,1fr)_auto]">
              <span className="font-semibold">
                {name}
                {tray.geometry ? <span className="block text-sm font-normal text-ink-2">measured: {tray.geometry.turnDeg}°</span> : null}
              </span>
              <TrayLengths tray={tray} name={name} onTap={(lengthMm, stocked) => doing(() => setLengthInTray({ id, lengthMm, stocked }))} />
              {mayRemove ? (
                <Button
                  tone="plain"
                  className="justify-self-end text-sm"
                  aria-label={`Take ${name} off the shelf`}
                  onClick={() =>
                    doing(
                      () => removeTray({ id }),
                      (document) => setRemoved(document as Tray),
                    )
                  }
                >
                  Off the shelf
                </Button>
              ) : null}
            </li>
          );
        })}
      </ul>
      {adding ? <TraySheet onClose={() => setAdding(false)} /> : null}
    </section>
  );
}
