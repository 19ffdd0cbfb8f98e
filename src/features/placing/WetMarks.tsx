"use client";
import { memo, useLayoutEffect, useMemo, useRef, useState } from "react";
import { placements } from "@/core/map";
import { isWet, waitS, type PlannedSpot } from "@/core/placing";
import type { Plate } from "@/features/drawing/plate";
import { sizedCanvas } from "@/features/drawing/sizedCanvas";
import { usePixelRatio } from "@/features/drawing/usePixelRatio";
import { useTheme } from "@/features/drawing/useTheme";
import { useTabletStore, useTick } from "@/features/tablet/TabletProvider";
import { onPlate, pointsOnPad, type SetOnPads, type Stretch } from "./onPlate";
import type { AtWork } from "./usePlacing";

/** Wet marks and how long they last stand on the lid, mm below the line. */
const WET = { dots: -1, words: -4.2 } as const;
/** A dot is so large, mm and at least px. */
const DOT = { mm: 0.36, leastPx: 2.5 } as const;

type Props = { plate: Plate; of: SetOnPads; work: AtWork; stretch: Stretch };

/** A dot under each lash whose glue is wet. Painted by hand: there may be a hundred, and each comes and goes. */
export const WetDots = memo(
  function WetDots({ plate, of: { survey, map }, work: { progress, wetS }, stretch }: Props) {
    const store = useTabletStore();
    const canvas = useRef<HTMLCanvasElement>(null);
    const theme = useTheme();
    const ratio = usePixelRatio();
    const eyes = useMemo(
      () =>
        plate.eyes.map((place) => {
          const { side, pxPerMm } = place;
          const at = pointsOnPad(survey, place, stretch[side]);
          const worn = placements(map, survey, side).filter((placement) => placement.worn);
          return { side, dots: worn.map(({ lash }) => at(lash.at, WET.dots)), radius: Math.max(DOT.leastPx, DOT.mm * pxPerMm) };
        }),
      [plate, survey, map, stretch],
    );
    const shown = useRef<{ readonly of: readonly unknown[]; readonly slots: readonly (readonly number[])[] }>(null);
    const paint = (nowMs: number) => {
      const context = canvas.current?.getContext("2d");
      if (!canvas.current || !context) return;
      const slots = eyes.map(({ side }) => progress.line[side].flatMap((atMs, slot) => (isWet(atMs, wetS, nowMs) ? [slot] : [])));
      const of = [plate, eyes, ratio, theme];
      const before = shown.current && of.every((part, i) => part === shown.current!.of[i]) ? shown.current.slots : null;
      // Where all that are there still are, only what came is drawn.
      const isMore = before?.every((there, i) => there.every((slot) => slots[i]!.includes(slot))) ?? false;
      if (!before) {
        // Sizing clears it. Asking for the colour makes the browser settle the whole page: only where it may be another.
        sizedCanvas(canvas.current, plate, ratio);
        context.fillStyle = getComputedStyle(canvas.current).color;
      } else if (!isMore) context.clearRect(0, 0, plate.widthPx, plate.eyeBottom);
      shown.current = { of, slots };
      context.beginPath();
      eyes.forEach(({ dots, radius }, i) => {
        for (const slot of slots[i]!) {
          if (isMore && before![i]!.includes(slot)) continue;
          const [x, y] = dots[slot]!;
          context.moveTo(x + radius, y);
          context.arc(x, y, radius, 0, 2 * Math.PI);
        }
      });
      context.fill();
      canvas.current.dataset["wet"] = String(slots.flat().length);
    };
    useLayoutEffect(() => paint(store.now().ms));
    useTick(paint);
    return <canvas ref={canvas} aria-hidden="true" className={`${onPlate} text-brass`} />;
  },
  (a, b) =>
    a.plate === b.plate &&
    a.stretch === b.stretch &&
    a.of.map === b.of.map &&
    a.of.survey === b.of.survey &&
    a.work.progress === b.work.progress &&
    a.work.wetS === b.work.wetS,
);

/** How long until a lash is safe, said once an eye, where it is longest: the dots show how far it reaches. Told by the clock's beat. */
export function WetWords({
  spots,
  work: { progress, wetS },
  at,
}: {
  spots: readonly PlannedSpot[];
  work: AtWork;
  /** The middle of a zone, so far out of the line, mm. */
  at: (zone: number, outMm: number) => readonly [number, number];
}) {
  const [{ zone, seconds }, setWorst] = useState({ zone: 0, seconds: 0 });
  const told = useRef("");
  useTick((nowMs) => {
    let worst = { zone: 0, seconds: 0 };
    for (const spot of spots) {
      const left = Math.ceil(waitS(spot, progress, wetS, nowMs));
      if (left > worst.seconds) worst = { zone: spot.zone, seconds: left };
    }
    if (told.current === `${worst.zone} ${worst.seconds}`) return;
    told.current = `${worst.zone} ${worst.seconds}`;
    setWorst(worst);
  });
  if (seconds === 0 || !spots.some((spot) => spot.zone === zone)) return null;
  const [x, y] = at(zone, WET.words);
  return (
    <text x={x} y={y} dy="0.36em" textAnchor="middle" fontSize="19" fontWeight="700" fill="var(--brass)" pointerEvents="none">
      wet {seconds} s
    </text>
  );
}
