"use client";
import { memo, useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from "react";
import { closedEye, drawClosedEye, naturalBlades, NATURALS_OPACITY, PAD_BY_LAMP, paletteOf, wornBlades } from "@/core/drawing";
import { fieldOf, sideLabel, type Side, type Survey } from "@/core/eye";
import { eyesInView, placements, type LashMap } from "@/core/map";
import { drawnTo, isWet, spotKey, tapesOn, waitS, type PlannedSpot, type PlacingWork } from "@/core/placing";
import { LashLayers, type LashLayer } from "@/features/drawing/LashLayers";
import { lookOn, padOutline } from "@/features/drawing/lashesOnPlate";
import { inPx, paintBlades, paintShapes } from "@/features/drawing/paint";
import { layPlate, type EyePlace, type Plate } from "@/features/drawing/plate";
import { sizedCanvas } from "@/features/drawing/sizedCanvas";
import { usePixelRatio } from "@/features/drawing/usePixelRatio";
import { useTheme } from "@/features/drawing/useTheme";
import type { PictureOf } from "@/features/drawing/EyesPicture";
import { useCurls } from "@/features/drawing/EyesPicture";
import type { AtWork } from "./usePlacing";

/** Of the lid below the line so much is shown, in lash lines: the brow says nothing at the bed. */
const LID_SHOWN = 0.2;
/** Layers that are not worked now are drawn so strongly. */
const OTHER_LAYER = 0.5;
const canvasClass = "pointer-events-none absolute left-0 top-0";

type Props = {
  of: PictureOf & { readonly map: LashMap };
  work: AtWork;
  placing: PlacingWork;
  /** For what is wet still. */
  nowMs: number;
  /** Lashes each spot would end with, while what remains is planned again. */
  after: ReadonlyMap<string, number> | null;
  onZone: (side: Side, zone: number) => void;
};

/** Both closed eyes on their pads from the bed head, with every lash that is placed, the zone to work lit, what is wet marked. */
export function PadsAtWork({ of, work, placing, nowMs, after, onZone }: Props) {
  const [box, size] = useSize();
  const { survey, map } = of;
  const longestMm = useMemo(() => Math.max(...work.plan.spots.map(({ fibre }) => fibre.lengthMm), 8), [work.plan]);
  const isDrawn = (side: Side) => tapesOn(placing).some((tape) => tape.what === "innerDrawn" && tape.side === side);
  const litSide = work.spot?.side ?? "right";
  const both = useMemo(() => arranged(survey, longestMm, size), [survey, longestMm, size]);
  // Changing eyes lays nothing out anew where both are shown.
  const plates = both.find((plates) => plates.some(({ eyes }) => eyes.some(({ side }) => side === litSide))) ?? both[0]!;
  return (
    <div ref={box} className="flex h-full w-full flex-col items-center justify-center overflow-hidden">
      {plates.map((plate) => (
        <div
          key={plate.eyes.map(({ side }) => side).join(" ")}
          className="relative shrink-0 overflow-hidden"
          style={{ width: plate.widthPx, height: shownHeight(plate, survey) }}
        >
          <PlacedLashes plate={plate} of={of} work={work} />
          <svg
            width={plate.widthPx}
            height={plate.eyeBottom}
            className="absolute top-0 left-0 select-none"
            role="img"
            aria-label={plate.eyes
              .map(({ side }) => `${sideLabel(side)} on its pad, ${work.progress.placed[side]} lashes placed`)
              .join("; ")}
          >
            {plate.eyes.map((place) => (
              <Pad
                key={place.side}
                place={place}
                survey={survey}
                map={map}
                work={work}
                nowMs={nowMs}
                after={after}
                stretchMm={of.policy.tapeStretchMm}
                isDrawn={isDrawn(place.side)}
                longestMm={longestMm}
                onZone={onZone}
              />
            ))}
          </svg>
        </div>
      ))}
    </div>
  );
}

/** Smaller than this two eyes say little, px per mm: then the one that is worked is shown alone. */
const LEAST_SCALE = 6;

/**
 * Both eyes beside each other or one over the other, whichever is larger: one arrangement of plates. Where neither is large
 * enough, two: each eye alone, of which the one at work is shown.
 */
function arranged(survey: Survey, longestMm: number, { width, height }: { width: number; height: number }): Plate[][] {
  const fit = (onlys: readonly (Side | null)[]) => {
    const shapes = onlys.map((only) => layPlate(survey, "pad", 1000, { longestMm, only }));
    const tall = shapes.reduce((sum, shape) => sum + shownHeight(shape, survey), 0);
    const widthPx = Math.max(160, Math.floor(Math.min(width, (height / tall) * 1000)));
    const scale = (Math.min(...shapes.flatMap(({ eyes }) => eyes.map(({ pxPerMm }) => pxPerMm))) * widthPx) / 1000;
    return { scale, plates: () => onlys.map((only) => layPlate(survey, "pad", widthPx, { longestMm, only })) };
  };
  const [beside, over] = [fit([null]), fit(eyesInView("bedHead"))];
  const alone = eyesInView("bedHead").map((side) => fit([side]));
  const best = over.scale > beside.scale ? over : beside;
  const isAlone = best.scale < LEAST_SCALE && alone.every(({ scale }) => scale > best.scale);
  return isAlone ? alone.map(({ plates }) => plates()) : [best.plates()];
}

/** From the pads' upper edge to a little under the lash line. */
function shownHeight({ eyes, eyeBottom }: Plate, survey: Survey): number {
  return Math.min(
    eyeBottom,
    ...eyes.map(({ side, point, pxPerMm }) => point([0, 0])[1] + survey.eyes[side].lashLineMm * LID_SHOWN * pxPerMm),
  );
}

/** The lashes themselves: painted on canvases, a spot of the plan each a picture of its own, so that a tap draws one of them. */
const PlacedLashes = memo(
  function PlacedLashes({ plate, of, work }: { plate: Plate; of: Props["of"]; work: AtWork }) {
    const under = useRef<HTMLCanvasElement>(null);
    const lashes = useRef<HTMLCanvasElement>(null);
    const moving = useRef<HTMLCanvasElement>(null);
    const layers = useRef<LashLayers>(null);
    /** What is on the canvas: of what drawing, and how many lashes of each spot. */
    const shown = useRef<{ readonly of: readonly unknown[]; readonly counts: readonly number[] }>(null);
    const theme = useTheme();
    const ratio = usePixelRatio();
    const curlOf = useCurls(of);
    const { survey, map, policy } = of;
    const { attachmentOffsetMm: offsetMm } = policy;
    const palette = useMemo(
      () => ({ ...paletteOf(theme, survey.colours), ...(theme === "lamp" ? PAD_BY_LAMP : {}) }),
      [theme, survey.colours],
    );
    const looks = useMemo(() => Object.fromEntries(plate.eyes.map((place) => [place.side, lookOn(plate, survey, place)])), [plate, survey]);
    const worn = useMemo(
      () => ({
        right: placements(map, survey, "right").filter((placement) => placement.worn),
        left: placements(map, survey, "left").filter((placement) => placement.worn),
      }),
      [map, survey],
    );
    useLayoutEffect(() => {
      const context = sizedCanvas(under.current, plate, ratio);
      sizedCanvas(lashes.current, plate, ratio);
      sizedCanvas(moving.current, plate, ratio);
      if (!context) return;
      for (const { side, point, pxPerMm } of plate.eyes)
        paintShapes(context, drawClosedEye(closedEye(survey.eyes[side]), padOutline(survey, map, side, plate.longestMm), survey.seed), {
          palette,
          point,
          pxPerMm,
        });
    }, [plate, survey, map, palette, ratio]);
    useLayoutEffect(() => {
      const [resting, hand] = [lashes, moving].map((canvas) => canvas.current?.getContext("2d"));
      if (!resting || !hand) return;
      const layerNow = work.spot?.layer;
      const opacityOf = (spot: PlannedSpot) => (spot.layer === layerNow || layerNow === undefined ? 1 : OTHER_LAYER);
      const bladesOf = (spot: PlannedSpot, from: number, to: number) =>
        wornBlades(
          spot.slots.slice(from, to).map((slot) => ({ lash: worn[spot.side][slot]!.lash, fibre: spot.fibre })),
          { curlOf, offsetMm },
          looks[spot.side]!,
        );
      const counts = work.plan.spots.map((spot) => Math.min(spot.planned, work.progress.of(spot).placed));
      const of = [plate, looks, palette, ratio, worn, work.plan, layerNow, curlOf, offsetMm];
      const before = shown.current;
      shown.current = { of, counts };
      // A lash more is drawn onto what is there; only where one is gone, or the drawing is another, all is laid anew.
      if (before && of.every((part, i) => part === before.of[i]) && counts.every((count, i) => count >= before.counts[i]!)) {
        resting.setTransform(ratio, 0, 0, ratio, 0, 0);
        work.plan.spots.forEach((spot, i) => {
          const place = plate.eyes.find(({ side }) => side === spot.side);
          if (!place || counts[i] === before.counts[i]) return;
          const blades = bladesOf(spot, before.counts[i]!, counts[i]!).map((blade) => inPx(blade, place));
          paintBlades(resting, blades, palette.lash, opacityOf(spot));
        });
        return;
      }
      layers.current ??= new LashLayers();
      const drawn = plate.eyes.flatMap((place): LashLayer[] => {
        const { side } = place;
        const look = looks[side]!;
        const field = fieldOf(survey, side);
        return [
          {
            key: side,
            of: [field, look],
            blades: () => naturalBlades(field, look),
            brush: place,
            ink: palette.hair,
            opacity: NATURALS_OPACITY.worn,
          },
          ...work.plan.spots.flatMap((spot): LashLayer[] => {
            const placed = Math.min(spot.planned, work.progress.of(spot).placed);
            if (spot.side !== side || placed === 0) return [];
            return [
              {
                key: spotKey(spot),
                of: [look, curlOf, offsetMm, worn[side], spot, placed],
                blades: () => bladesOf(spot, 0, placed),
                brush: place,
                ink: palette.lash,
                opacity: opacityOf(spot),
              },
            ];
          }),
        ];
      });
      layers.current.paint(resting, hand, drawn, ratio);
    });
    return (
      <>
        <canvas ref={under} aria-hidden="true" className={canvasClass} />
        <canvas ref={lashes} aria-hidden="true" className={canvasClass} data-layer="lashes" />
        <canvas ref={moving} aria-hidden="true" className={canvasClass} />
      </>
    );
  },
  (a, b) =>
    a.plate === b.plate &&
    a.of.map === b.of.map &&
    a.of.survey === b.of.survey &&
    a.work.progress === b.work.progress &&
    a.work.spot?.layer === b.work.spot?.layer,
);

/** How far out over the pad things stand past the longest fibre, mm. */
const RING = { lengths: 3.1, litLength: 3.9, share: 7.2, edge: 8, name: 9.5 } as const;
/** Lengths nearer to the lit one than this are under it, mm. */
const COVERS_MM = 4.2;
/** Wet marks and how long they last stand on the lid, mm below the line. */
const WET = { dots: -1, words: -4.2 } as const;

type Point = readonly [number, number];
/** Where a pad's marks stand on the screen, and how they are drawn; the same object until the pad is laid anew. */
type PadGround = {
  readonly k: number;
  readonly at: (share: number, outMm: number) => Point;
  readonly arc: (from: number, to: number, outMm: number) => Point[];
};

const path = (points: readonly Point[]) => `M${points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join("L")}`;

/** What is written on one pad: zones and lengths of the layer that is worked, how full each is, the one to work lit, what is wet. */
const Pad = memo(function Pad({
  place,
  survey,
  map,
  work,
  nowMs,
  longestMm,
  after,
  stretchMm,
  isDrawn,
  onZone,
}: {
  place: EyePlace;
  survey: Survey;
  map: LashMap;
  work: AtWork;
  nowMs: number;
  longestMm: number;
  after: Props["after"];
  /** How far tape draws the inner corner sideways, and whether it does. */
  stretchMm: number;
  isDrawn: boolean;
  onZone: Props["onZone"];
}) {
  const { side } = place;
  const layer = map.eyes[side].layers[work.spot?.layer ?? 0] ?? map.eyes[side].layers[0]!;
  const layerIndex = map.eyes[side].layers.indexOf(layer);
  const ground = useMemo((): PadGround => {
    const closed = closedEye(survey.eyes[side]);
    const drawn = (share: number) => (isDrawn ? drawnTo(share, closed.lashLineMm, stretchMm) : share);
    const at = (share: number, outMm: number) => place.point(closed.point(drawn(share), outMm));
    return { k: place.pxPerMm, at, arc: (from, to, outMm) => Array.from({ length: 9 }, (_, i) => at(from + ((to - from) * i) / 8, outMm)) };
  }, [place, survey, side, isDrawn, stretchMm]);
  const { k, at } = ground;
  const spots = work.plan.spots.filter((spot) => spot.side === side && spot.layer === layerIndex);
  const wholes = work.whole.spots.filter((spot) => spot.side === side && spot.layer === layerIndex);
  const worn = useMemo(() => placements(map, survey, side).filter((placement) => placement.worn), [map, survey, side]);
  // The same function for zones that have not changed.
  const touch = useRef(onZone);
  useLayoutEffect(() => {
    touch.current = onZone;
  });
  const onTouch = useCallback((zone: number) => touch.current(side, zone), [side]);
  const labelAt = (i: number, outMm: number) => at((layer.boundaries[i]! + layer.boundaries[i + 1]!) / 2, longestMm + outMm);
  const lit = work.spot?.side === side && work.spot.layer === layerIndex ? work.spot : null;
  const litLabel = lit ? labelAt(lit.zone - 1, RING.litLength) : null;
  const waitOf = (zone: number) =>
    Math.max(0, ...spots.flatMap((spot) => (spot.zone === zone ? [waitS(spot, work.progress, work.wetS, nowMs)] : [])));
  // Said once an eye, where it is longest: the dots show how far it reaches.
  const worst = Math.max(0, ...spots.map(({ zone }) => waitOf(zone)));
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
        const waits = waitOf(zone);
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
            placed={sum(here, (spot) => Math.min(spot.planned, work.progress.of(spot).placed))}
            planned={sum(here, (spot) => spot.planned)}
            whole={sum(wholes, (spot) => (spot.zone === zone ? spot.planned : 0))}
            then={after ? sum(here, (spot) => after.get(spotKey(spot)) ?? spot.planned) : null}
            wetS={waits > 0 && waits === worst ? Math.ceil(waits) : 0}
            onTouch={onTouch}
          />
        );
      })}
      {work.progress.line[side].map((atMs, slot) => {
        if (!isWet(atMs, work.wetS, nowMs)) return null;
        const [x, y] = at(worn[slot]!.lash.at, WET.dots);
        return <circle key={slot} cx={x} cy={y} r={Math.max(2.5, 0.36 * k)} fill="var(--brass)" pointerEvents="none" data-wet />;
      })}
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
  placed,
  planned,
  whole,
  then,
  wetS,
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
  placed: number;
  planned: number;
  /** Lashes of the map, whatever was planned again. */
  whole: number;
  /** Lashes it would end with, while what remains is planned again. */
  then: number | null;
  /** Seconds until its next lash has no wet one beside it, where that is said. */
  wetS: number;
  onTouch: (zone: number) => void;
}) {
  const sector = `${path([...arc(from, to, 0), ...arc(from, to, longestMm + RING.edge).reverse()])}Z`;
  const middle = (from + to) / 2;
  const [lx, ly] = at(middle, longestMm + (isLit ? RING.litLength : RING.lengths));
  const [wx, wy] = at(middle, WET.words);
  const share = whole ? Math.min(1, placed / whole) : 0;
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
      {share > 0 ? <path d={arcOf(0, share)} stroke="var(--ivy)" strokeWidth={0.5 * k} fill="none" /> : null}
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
      {wetS > 0 ? (
        <text x={wx} y={wy} dy="0.36em" textAnchor="middle" fontSize="19" fontWeight="700" fill="var(--brass)">
          wet {wetS} s
        </text>
      ) : null}
      {isBare ? null : (
        <path d={sector} fill="transparent" className="cursor-pointer" onClick={() => onTouch(zone)} data-hit={`${side} ${zone}`} />
      )}
    </g>
  );
});

const sum = (spots: readonly PlannedSpot[], of: (spot: PlannedSpot) => number) => spots.reduce((total, spot) => total + of(spot), 0);

/** Less of a change in height than this is none. */
const KEEPS_PX = 48;

/** The room there is, px. */
function useSize() {
  const ref = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 800, height: 320 });
  useEffect(() => {
    if (!ref.current) return;
    const observer = new ResizeObserver(([entry]) => {
      if (!entry) return;
      const { width, height } = entry.contentRect;
      // A line of words more or less under them lays no eyes out anew.
      setSize((now) => (now.width === width && Math.abs(now.height - height) < KEEPS_PX ? now : { width, height }));
    });
    observer.observe(ref.current);
    return () => observer.disconnect();
  }, []);
  return [ref, size] as const;
}
