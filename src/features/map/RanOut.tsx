"use client";
import { useState } from "react";
import { type Fibre } from "@/core/lash";
import { kindLabel, ranOut, type Empty, type RanOut as Result } from "@/core/map";
import { formatMm } from "@/core/units";
import { Button, Dialog, Notice } from "@/ui";
import { emptyTray } from "./actions";
import type { MapStudio } from "./useMapStudio";

/** "I ran out": the nearest in stock across the whole map, what it costs at day 14, and the shelf told. */
export function RanOut({ studio, fibre }: { studio: MapStudio; fibre: Fibre }) {
  const [empty, setEmpty] = useState<Empty | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const kind = { curl: fibre.curl, diameterMm: fibre.diameterMm, shape: fibre.shape, ...(fibre.colour ? { colour: fibre.colour } : {}) };
  const result = empty ? ranOut(studio.facts, empty) : null;
  const take = async () => {
    if (!empty || !result) return;
    studio.apply(result.map);
    const told = await emptyTray(empty).catch(() => null);
    if (!told?.ok)
      return setProblem(told?.message ?? "The map is changed; the shelf could not be told just now. Take it off the shelf by hand.");
    setEmpty(null);
  };
  return (
    <>
      <Button tone="line" onClick={() => setEmpty({ kind, lengthMm: fibre.lengthMm })}>
        I ran out of {formatMm(fibre.lengthMm)}
      </Button>
      <Button tone="plain" onClick={() => setEmpty({ kind, lengthMm: null })}>
        The whole tray is empty
      </Button>
      <Dialog
        open={empty !== null}
        onOpenChange={(open) => !open && setEmpty(null)}
        title={`No ${empty?.lengthMm ? `${formatMm(empty.lengthMm)} mm ` : ""}${kindLabel(kind)} left`}
        wide
      >
        {result ? <Swaps result={result} /> : null}
        <p className="mt-3 text-sm text-ink-2">
          Nearest by lift, mass and contact, within the limits of each zone. Bonds held is a model of ours from contact length; load is a
          comparison.
        </p>
        {problem ? <Notice tone="look" title={problem} className="mt-3" /> : null}
        <div className="mt-4 flex flex-wrap gap-3">
          <Button onClick={() => void take()}>Swap, and take it off the shelf</Button>
          <Button tone="plain" onClick={() => setEmpty(null)}>
            Leave it
          </Button>
        </div>
      </Dialog>
    </>
  );
}

const signed = (value: number, digits: number) => `${value >= 0 ? "+" : "−"}${Math.abs(value).toFixed(digits)}`;

function Swaps({ result }: { result: Result }) {
  if (result.swaps.length === 0) return <p>No zone of this map wears it.</p>;
  // The same swap on several zones is one line.
  const lines = new Map<string, { swap: Result["swaps"][number]; places: string[] }>();
  for (const swap of result.swaps) {
    const key = `${kindLabel(swap.from)} ${swap.from.lengthMm} ${swap.to ? `${kindLabel(swap.to)} ${swap.to.lengthMm}` : "bare"} ${swap.loadDay14.toFixed(2)}`;
    const place = `${swap.side} ${swap.index + 1}`;
    const known = lines.get(key);
    if (known) known.places.push(place);
    else lines.set(key, { swap, places: [place] });
  }
  return (
    <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Swaps">
      <table className="w-full text-[0.9375rem]">
        <thead className="text-left text-sm text-ink-2">
          <tr>
            {["Zones", "Instead of", "Take", "Lift", "Mass", "Load, day 14", "Bonds held, day 14"].map((head) => (
              <th key={head} className="pr-4 font-normal">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {[...lines.values()].map(({ swap, places }) => (
            <tr key={places.join()} className="border-t border-line">
              <td className="py-2 pr-4">{places.join(", ")}</td>
              <td className="pr-4">
                {formatMm(swap.from.lengthMm)} {kindLabel(swap.from)}
              </td>
              <td className="pr-4 font-semibold">{swap.to ? `${formatMm(swap.to.lengthMm)} ${kindLabel(swap.to)}` : "leave bare"}</td>
              <td className="pr-4">{signed(swap.liftMm, 1)} mm</td>
              <td className="pr-4">{signed(swap.massMg, 3)} mg</td>
              <td className="pr-4">{signed(swap.loadDay14, 2)} ×</td>
              <td>{swap.to ? `${signed(swap.held * 100, 0)} %` : "–"}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
