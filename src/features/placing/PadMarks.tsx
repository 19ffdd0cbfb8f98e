"use client";
import { memo, useCallback, useLayoutEffect, useMemo, useRef } from "react";
import { sideLabel, type Side, type Survey } from "@/core/eye";
import type { LashMap } from "@/core/map";
import { spotKey, type PlannedSpot } from "@/core/placing";
import type { EyePlace } from "@/features/drawing/plate";
import { pointsOnPad } from "./onPlate";
import type { AtWork } from "./usePlacing";
import { WetWords } from "./WetMarks";

/** How far out over the pad things stand past the longest fibre, mm. */
const RING = { lengths: 3.1, litLength: 3.9, share: 7.2, edge: 8, name: 9.5 } as const;
/** Lengths nearer to the lit one than this are under it, mm. */
const COVERS_MM = 4.2;
type Point = readonly [number, number];
/** Where a pad's marks stand on the screen, and how they are drawn; the same object until the pad is laid anew. */
type PadGround = {
  readonly k: number;
  readonly at: (share: number, outMm: number) => Point;
  readonly arc: (from: number, to: number, outMm: number) => Point[];
};

const path = (points: readonly Point[]) => `M${points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join("L")}`;

/** What is written on one pad: zones and lengths of the layer that is worked, how full each is, the one to work lit, what is wet. */
export const PadMarks = memo(function PadMarks({
  place,
  survey,
  map,
  work,
  longestMm,
  after,
  stretchMm,
  onZone,
}: {
  place: EyePlace;
  survey: Survey;
  map: LashMap;
  work: AtWork;
  longestMm: number;
  /** Lashes each spot would end with, while what remains is planned again. */
  after: ReadonlyMap<number, number> | null;
  /** How far tape draws the inner corner sideways now. */
  stretchMm: number;
  onZone: (side: Side, zone: number) => void;
}) {
  const { side } = place;
  const layer = map.eyes[side].layers[work.spot?.layer ?? 0] ?? map.eyes[side].layers[0]!;
  const layerIndex = map.eyes[side].layers.indexOf(layer);
  const ground = useMemo((): PadGround => {
    const at = pointsOnPad(survey, place, stretchMm);
    return { k: place.pxPerMm, at, arc: (from, to, outMm) => Array.from({ length: 9 }, (_, i) => at(from + ((to - from) * i) / 8, outMm)) };
  }, [place, survey, stretchMm]);
  const { k, at } = ground;
  const spots = work.plan.spots.filter((spot) => spot.side === side && spot.layer === layerIndex);
  const wholes = work.whole.spots.filter((spot) => spot.side === side && spot.layer === layerIndex);
  // The same function for zones that have not changed.
  const touch = useRef(onZone);
  useLayoutEffect(() => {
    touch.current = onZone;
  });
  const onTouch = useCallback((zone: number) => touch.current(side, zone), [side]);
  const labelAt = (i: number, outMm: number) => at((layer.boundaries[i]! + layer.boundaries[i + 1]!) / 2, longestMm + outMm);
  const lit = work.spot?.side === side && work.spot.layer === layerIndex ? work.spot : null;
  const litLabel = lit ? labelAt(lit.zone - 1, RING.litLength) : null;
  const nameAt = at(0.5, longestMm + RING.name);
  return (
    <g>
      <text x={nameAt[0]} y={nameAt[1]} dy="0.36em" textAnchor="middle" fontSize="19" fill="var(--ink-2)">
        {sideLabel(side)}
      </text>
      {layer.zones.map((fibre, i) => {
        const zone = i + 1;
        const here = spots.filter((spot) => spot.zone === zone);
        const isLit = lit?.zone === zone;
        const [lx, ly] = labelAt(i, RING.lengths);
        return (
          <ZoneOnPad
            key={zone}
            ground={ground}
            side={side}
            zone={zone}
            from={layer.boundaries[i]!}
            to={layer.boundaries[i + 1]!}
            longestMm={longestMm}
            isBare={fibre === null}
            length={String((isLit ? lit?.fibre.lengthMm : fibre?.lengthMm) ?? "–")}
            isLit={isLit}
            // The lit length stands in front: one that it would cover is left out.
            isCovered={!isLit && litLabel !== null && Math.hypot(lx - litLabel[0], ly - litLabel[1]) < COVERS_MM * k}
            kept={sum(here, work.keptOn)}
            placed={sum(here, (spot) => Math.min(spot.planned, work.progress.of(spot).placed))}
            planned={sum(here, (spot) => spot.planned)}
            whole={sum(wholes, (spot) => (spot.zone === zone ? spot.planned : 0))}
            then={after ? sum(here, (spot) => after.get(spotKey(spot)) ?? work.keptOn(spot) + spot.planned) : null}
            onTouch={onTouch}
          />
        );
      })}
      <WetWords spots={spots} work={work} at={(zone, outMm) => labelAt(zone - 1, outMm - longestMm)} />
    </g>
  );
});

/** One zone on its pad. Drawn anew only when something of this zone has changed. */
const ZoneOnPad = memo(function ZoneOnPad({
  ground: { k, at, arc },
  side,
  zone,
  from,
  to,
  longestMm,
  isBare,
  length,
  isLit,
  isCovered,
  kept,
  placed,
  planned,
  whole,
  then,
  onTouch,
}: {
  ground: PadGround;
  side: Side;
  zone: number;
  from: number;
  to: number;
  longestMm: number;
  isBare: boolean;
  length: string;
  isLit: boolean;
  isCovered: boolean;
  /** Lashes that wear an extension of an earlier visit. */
  kept: number;
  placed: number;
  planned: number;
  /** Lashes of the map, whatever was planned again. */
  whole: number;
  /** Lashes it would end with, while what remains is planned again. */
  then: number | null;
  onTouch: (zone: number) => void;
}) {
  const sector = `${path([...arc(from, to, 0), ...arc(from, to, longestMm + RING.edge).reverse()])}Z`;
  const middle = (from + to) / 2;
  const [lx, ly] = at(middle, longestMm + (isLit ? RING.litLength : RING.lengths));
  const keptShare = whole ? kept / whole : 0;
  const share = whole ? Math.min(1, (kept + placed) / whole) : 0;
  const along = (part: number) => from + 0.006 + (to - from - 0.012) * part;
  const arcOf = (less: number, more: number) => path(arc(along(less), along(more), longestMm + RING.share));
  const thenShare = then !== null && whole ? then / whole : 0;
  return (
    <g data-zone={`${side} ${zone}`} data-lit={isLit || undefined} data-placed={placed} data-planned={planned}>
      <path d={sector} fill={isLit ? "var(--ivy)" : "transparent"} fillOpacity={isLit ? 0.3 : 0} pointerEvents="none" />
      {zone > 1 ? (
        <path
          d={path([at(from, 0), at(from, longestMm + RING.lengths - 1.6)])}
          stroke="var(--ivy)"
          strokeWidth="1"
          opacity="0.45"
          fill="none"
        />
      ) : null}
      {isBare ? null : <path d={arcOf(0, 1)} stroke="var(--line-strong)" strokeWidth={0.5 * k} opacity="0.5" fill="none" />}
      {keptShare > 0 ? <path d={arcOf(0, keptShare)} stroke="var(--moss)" strokeWidth={0.5 * k} fill="none" data-kept={kept} /> : null}
      {share > keptShare ? <path d={arcOf(keptShare, share)} stroke="var(--ivy)" strokeWidth={0.5 * k} fill="none" /> : null}
      {thenShare > share ? (
        <path d={arcOf(share, thenShare)} stroke="var(--ink-2)" strokeWidth={0.9 * k} fill="none" data-then={thenShare} />
      ) : null}
      <text
        x={lx}
        y={ly}
        dy="0.36em"
        textAnchor="middle"
        fontSize={isLit ? Math.max(30, Math.min(48, 4.6 * k)) : Math.max(13, Math.min(22, 2 * k))}
        fontWeight={isLit ? 700 : 600}
        fill={isLit ? "var(--ivy-deep)" : "var(--ink)"}
        opacity={isCovered ? 0 : 1}
      >
        {length}
      </text>
      {isBare ? null : (
        <path d={sector} fill="transparent" className="cursor-pointer" onClick={() => onTouch(zone)} data-hit={`${side} ${zone}`} />
      )}
    </g>
  );
});

const sum = (spots: readonly PlannedSpot[], of: (spot: PlannedSpot) => number) => spots.reduce((total, spot) => total + of(spot), 0);
