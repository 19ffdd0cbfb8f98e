"use client";
import { useState } from "react";
import { sideLabel, type Side } from "@/core/eye";
import { baseIndex, eyesInView, innerCornerOnRight, LAYER_LABELS, layerLegend, type LashMap } from "@/core/map";
import type { ZonePlaced } from "@/core/visit";
import { Button, cx } from "@/ui";

const LOWEST_MM = 3;

/** The map at the bed: the layer being placed, every zone's length as large as it goes, as seen from the bed head. */
export function LengthRows({
  map,
  placed,
  onPlace,
}: {
  map: LashMap;
  /** Zones done, where the map is worked from. */
  placed?: readonly ZonePlaced[];
  onPlace?: (side: Side, layer: number, zone: number) => void;
}) {
  const { layers } = map.eyes.right;
  const [shown, setShown] = useState(() => baseIndex(map, "right"));
  const layer = layers[shown] ?? layers[0]!;
  // One sentence where both eyes wear the same, else one an eye.
  const legends = [
    ...new Set(
      eyesInView("bedHead")
        .flatMap((side) => map.eyes[side].layers[shown] ?? [])
        .map(layerLegend),
    ),
  ];
  return (
    <div className="space-y-4">
      {layers.length > 1 ? (
        <div role="group" aria-label="Layer to place" className="flex flex-wrap gap-3">
          {layers.map(({ role }, i) => (
            <Button key={i} size="bed" tone={i === shown ? "ivy" : "line"} aria-pressed={i === shown} onClick={() => setShown(i)}>
              <span className="first-letter:uppercase">{LAYER_LABELS[role]}</span>
            </Button>
          ))}
        </div>
      ) : null}
      {eyesInView("bedHead").map((side) => {
        const zones = (map.eyes[side].layers[shown]?.zones ?? []).map((fibre, i) => ({ fibre, number: i + 1 }));
        if (innerCornerOnRight(side, "bedHead")) zones.reverse();
        return (
          <section key={side} aria-label={sideLabel(side)}>
            <h2 className="font-sans text-xl first-letter:uppercase">{sideLabel(side)}</h2>
            <ol className="mt-1 flex items-end gap-1">
              {zones.map(({ fibre, number }) => (
                <li key={number} className="min-w-0 flex-1 text-center">
                  <span className="block text-[clamp(1.25rem,3.75vw,3.25rem)] leading-none font-semibold tracking-tight">
                    {fibre ? fibre.lengthMm : "–"}
                  </span>
                  {fibre?.classes?.length ? (
                    <span className="block text-[clamp(1rem,2vw,1.5rem)] leading-tight text-ink-2">
                      {fibre.classes.map(({ lengthMm }) => lengthMm).join(" ")}
                    </span>
                  ) : null}
                  <span
                    aria-hidden="true"
                    className={
                      layer.role === "accent"
                        ? "mx-auto mt-1.5 block w-1.5 rounded-t-full bg-ivy"
                        : "mx-auto mt-1.5 block rounded-t-sm bg-ivy"
                    }
                    style={{ height: fibre ? (fibre.lengthMm - LOWEST_MM) * 5 : 2, opacity: 0.75 }}
                  />
                  {onPlace ? (
                    <ZoneDone
                      number={number}
                      words={`${layer.role === "accent" ? "section" : "zone"} ${number}, ${sideLabel(side)}`}
                      done={placed?.some((one) => one.side === side && one.layer === shown && one.zone === number) ?? false}
                      disabled={!fibre}
                      onClick={() => onPlace(side, shown, number)}
                    />
                  ) : (
                    <span className="block border-t border-line-strong pt-0.5 text-sm text-ink-2">
                      <span className="sr-only">{layer.role === "accent" ? "section " : "zone "}</span>
                      {number}
                    </span>
                  )}
                </li>
              ))}
            </ol>
          </section>
        );
      })}
      <p className="text-[0.9375rem] text-ink-2">
        {onPlace ? "Touch a zone's number when it is done: its cure is counted from then. " : ""}Seen from the bed head: client&rsquo;s left
        on your left. {legends.join(" ")}
      </p>
    </div>
  );
}

function ZoneDone({
  number,
  words,
  done,
  disabled,
  onClick,
}: {
  number: number;
  words: string;
  done: boolean;
  disabled: boolean;
  onClick: () => void;
}) {
  return (
    <button
      type="button"
      aria-pressed={done}
      aria-label={`${words} done`}
      disabled={disabled}
      onClick={onClick}
      className={cx(
        "block min-h-14 w-full border-t-2 pt-1 text-lg disabled:opacity-40",
        done ? "border-ivy bg-moss-soft font-semibold" : "border-line-strong text-ink-2 hover:bg-moss-soft",
      )}
    >
      {number}
      <span aria-hidden="true" className="block text-sm leading-none">
        {done ? "●" : "○"}
      </span>
    </button>
  );
}
