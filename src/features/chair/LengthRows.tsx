"use client";
import { memo, useMemo, useState, type CSSProperties } from "react";
import { sideLabel, type Side } from "@/core/eye";
import { baseIndex, eyesInView, innerCornerOnRight, LAYER_LABELS, layerLegend, type LashMap, type Layer } from "@/core/map";
import type { ZonePlaced } from "@/core/visit";
import { Button, cx } from "@/ui";

const LOWEST_MM = 3;

/** The map at the bed: the layer being placed, every zone's length as large as it goes, as seen from the bed head. */
export const LengthRows = memo(function LengthRows({
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
  const legends = useMemo(() => {
    const layers = eyesInView("bedHead").flatMap((side) => map.eyes[side].layers[shown] ?? []);
    return [...new Set(layers.map(layerLegend))].join(" ");
  }, [map, shown]);
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
          <section key={side} aria-label={sideLabel(side)} className="@container">
            <h2 className="font-sans text-xl first-letter:uppercase">{sideLabel(side)}</h2>
            <ol
              className="mt-1 flex items-end gap-1"
              // As large as they go, and never into one another: two figures are a little wider than they are high.
              style={
                { "--figure": `clamp(1.25rem, min(3.75vw, ${(78 / Math.max(1, zones.length)).toFixed(2)}cqw), 3.25rem)` } as CSSProperties
              }
            >
              {zones.map(({ fibre, number }) => (
                <Zone
                  key={number}
                  side={side}
                  layer={shown}
                  number={number}
                  role={layer.role}
                  fibre={fibre}
                  done={placed?.some((one) => one.side === side && one.layer === shown && one.zone === number) ?? false}
                  onPlace={onPlace}
                />
              ))}
            </ol>
          </section>
        );
      })}
      <p className="text-[0.9375rem] text-ink-2">
        {onPlace
          ? "Touch a zone's number when it is done: its cure is counted from then. "
          : placed && placed.length > 0
            ? "Zones marked below their length were tapped as placed. "
            : ""}
        Seen from the bed head: client&rsquo;s left on your left. {legends}
      </p>
    </div>
  );
});

/** One zone: its length, how long that looks, its key. Drawn anew only when this zone is done or taken back. */
const Zone = memo(function Zone({
  side,
  layer,
  number,
  role,
  fibre,
  done,
  onPlace,
}: {
  side: Side;
  layer: number;
  number: number;
  role: Layer["role"];
  fibre: Layer["zones"][number];
  done: boolean;
  onPlace?: ((side: Side, layer: number, zone: number) => void) | undefined;
}) {
  const kind = role === "accent" ? "section" : "zone";
  return (
    <li className="min-w-0 flex-1 text-center">
      <span className="block text-[length:var(--figure)] leading-none font-semibold tracking-tight">{fibre ? fibre.lengthMm : "–"}</span>
      {fibre?.classes?.length ? (
        <span className="block text-[clamp(1rem,2vw,1.5rem)] leading-tight text-ink-2">
          {fibre.classes.map(({ lengthMm }) => lengthMm).join(" ")}
        </span>
      ) : null}
      <span
        aria-hidden="true"
        className={role === "accent" ? "mx-auto mt-1.5 block w-1.5 rounded-t-full bg-ivy" : "mx-auto mt-1.5 block rounded-t-sm bg-ivy"}
        style={{ height: fibre ? (fibre.lengthMm - LOWEST_MM) * 5 : 2, opacity: 0.75 }}
      />
      {onPlace ? (
        <button
          type="button"
          aria-pressed={done}
          aria-label={`${kind} ${number}, ${sideLabel(side)} done`}
          disabled={!fibre}
          onClick={() => onPlace(side, layer, number)}
          className={cx(
            "block min-h-14 w-full border-t-2 pt-1 text-lg font-semibold contain-content disabled:opacity-40",
            done ? "border-ivy bg-moss-soft" : "border-line-strong text-ink-2 hover:bg-moss-soft",
          )}
        >
          {number}
          <span
            aria-hidden="true"
            className={cx("mx-auto mt-0.5 block size-2.5 rounded-full border-2 border-current", done && "bg-current text-ivy")}
          />
        </button>
      ) : (
        <span
          className={cx(
            "block border-t-2 pt-0.5 text-sm",
            done ? "border-ivy bg-moss-soft font-semibold" : "border-line-strong text-ink-2",
          )}
        >
          <span className="sr-only">{kind} </span>
          {number}
          {done ? <span className="sr-only">, placed</span> : null}
        </span>
      )}
    </li>
  );
});
