"use client";
import { useState, useTransition } from "react";
import { CURL_IDS } from "@/core/curl";
import { FIBRE_COLOUR_IDS, FIBRE_COLOURS, FIBRE_DIAMETERS_MM } from "@/core/lash";
import type { Tray } from "@/core/map";
import { Button, Dialog, Empty, Notice, SelectField, TextField, cx } from "@/ui";
import { addTray, removeTray, setLengthInTray } from "./actions";
import { answered } from "@/ui/answered";

const LENGTHS = Array.from({ length: 14 }, (_, i) => i + 5);

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
  const add = (event: React.FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const lengthsMm = LENGTHS.filter((mm) => form.has(`mm${mm}`));
    const typed = (name: string) =>
      String(form.get(name) ?? "")
        .trim()
        .replace(",", ".");
    const colour = form.get("colour");
    const measured = typed("turn") !== "";
    doing(
      () =>
        addTray({
          curl: form.get("curl"),
          diameterMm: Number(form.get("diameter")),
          shape: form.get("shape"),
          lengthsMm,
          ...(colour === "black" ? {} : { colour }),
          ...(measured
            ? {
                geometry: {
                  turnDeg: Number(typed("turn")),
                  baseStraightMm: Number(typed("base") || 0),
                  turnOver: Number(typed("over") || 100) / 100,
                },
              }
            : {}),
        }),
      () => setAdding(false),
    );
  };
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
            <li key={id} className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line py-2">
              <span className="w-32 font-semibold">
                {name}
                {tray.geometry ? <span className="block text-sm font-normal text-ink-2">measured: {tray.geometry.turnDeg}°</span> : null}
              </span>
              <span className="flex flex-wrap gap-1">
                {LENGTHS.map((mm) => {
                  const stocked = tray.lengthsMm.includes(mm);
                  return (
                    <button
                      key={mm}
                      type="button"
                      aria-pressed={stocked}
                      aria-label={`${name}, ${mm} mm`}
                      onClick={() => doing(() => setLengthInTray({ id, lengthMm: mm, stocked: !stocked }))}
                      className={cx(
                        "size-8 rounded text-sm",
                        stocked
                          ? "bg-moss-soft font-semibold text-ink"
                          : "text-ink-2 line-through decoration-line-strong hover:bg-moss-soft",
                      )}
                    >
                      {mm}
                    </button>
                  );
                })}
              </span>
              {mayRemove ? (
                <Button
                  tone="plain"
                  className="ml-auto text-sm"
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
      <Dialog open={adding} onOpenChange={setAdding} title="A tray for the shelf">
        <form onSubmit={add} className="space-y-4">
          <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
            <SelectField label="Curl" name="curl" defaultValue="C">
              {CURL_IDS.map((curl) => (
                <option key={curl}>{curl}</option>
              ))}
            </SelectField>
            <SelectField label="Diameter, mm" name="diameter" defaultValue="0.15">
              {FIBRE_DIAMETERS_MM.map((mm) => (
                <option key={mm} value={mm}>
                  {mm.toFixed(2)}
                </option>
              ))}
            </SelectField>
            <SelectField label="Shape" name="shape" defaultValue="round">
              <option>round</option>
              <option>flat</option>
            </SelectField>
            <SelectField label="Colour" name="colour" defaultValue="black">
              {FIBRE_COLOUR_IDS.map((id) => (
                <option key={id} value={id}>
                  {FIBRE_COLOURS[id].label}
                </option>
              ))}
            </SelectField>
          </div>
          <details className="text-[0.9375rem]">
            <summary className="min-h-8 cursor-pointer text-ink-2">This maker&rsquo;s curl, measured</summary>
            <div className="mt-2 grid grid-cols-3 gap-3">
              <TextField label="Turn, °" name="turn" inputMode="decimal" />
              <TextField label="Straight base, mm" name="base" inputMode="decimal" />
              <TextField label="Turns over, %" name="over" inputMode="decimal" />
            </div>
          </details>
          <fieldset>
            <legend className="text-sm text-ink-2">Lengths in it, mm</legend>
            <div className="mt-1 flex flex-wrap gap-x-4 gap-y-2">
              {LENGTHS.map((mm) => (
                <label key={mm} className="flex items-center gap-1.5">
                  <input type="checkbox" name={`mm${mm}`} defaultChecked={mm >= 7 && mm <= 13} className="size-4 accent-[var(--ivy)]" />
                  {mm}
                </label>
              ))}
            </div>
          </fieldset>
          {problem ? <Notice tone="stop" title={problem} /> : null}
          <Button type="submit" disabled={busy}>
            Put it on the shelf
          </Button>
        </form>
      </Dialog>
    </section>
  );
}
