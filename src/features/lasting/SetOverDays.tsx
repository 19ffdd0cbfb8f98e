"use client";
import { wrap } from "comlink";
import { useEffect, useLayoutEffect, useMemo, useRef, useState } from "react";
import { paletteOf } from "@/core/drawing";
import { sideLabel } from "@/core/eye";
import type { DayBand, Hazard } from "@/core/growth";
import type { LashMap } from "@/core/map";
import { DAYS_AHEAD, seenAmiss, setDays, type SetDays } from "@/core/retention";
import { formatPercent } from "@/core/units";
import { EyesCanvas } from "@/features/drawing/EyesCanvas";
import { Sides, type PictureOf } from "@/features/drawing/EyesPicture";
import { useCurls } from "@/features/drawing/useCurls";
import { layPlate, type Plate } from "@/features/drawing/plate";
import { sizedCanvas } from "@/features/drawing/sizedCanvas";
import { usePixelRatio } from "@/features/drawing/usePixelRatio";
import { useTheme } from "@/features/drawing/useTheme";
import { Button, useWidth } from "@/ui";
import { Course } from "./Course";
import { paintDay } from "./paintDay";
import type { RetentionWorker } from "@/workers/retention.worker";

/** A day is shown so long while it plays, ms. */
const PLAY_MS = 160;
/** Finer than this a day's drawing takes more room than it shows. */
const MOST_RATIO = 2;
const WIDEST = 760;

/**
 * A set on each of its next 35 days, in the mirror: shed and lost lashes gone, grown ones further out. The days are drawn
 * ahead, one after the other while the page is idle, so that the slider only lays one over the eyes.
 */
export function SetOverDays({ of, hazard, placedOn }: { of: PictureOf & { readonly map: LashMap }; hazard: Hazard; placedOn: string }) {
  const { survey, map, trays, policy } = of;
  const [ref, room] = useWidth<HTMLDivElement>(WIDEST);
  const width = Math.min(WIDEST, room);
  const plate = useMemo(() => layPlate(survey, "mirror", width), [survey, width]);
  const set = useMemo(() => setDays({ map, survey, trays, policy }, hazard.mid), [map, survey, trays, policy, hazard.mid]);
  const [day, setDay] = useState(0);
  const [isPlaying, setPlaying] = useState(false);
  const curlOf = useCurls(of);
  const drawn = useDaysAhead(set, plate, of, curlOf);
  const canvas = useRef<HTMLCanvasElement>(null);
  const frame = drawn[day];
  // With the words beside it, in the same frame.
  useLayoutEffect(() => {
    const context = canvas.current?.getContext("2d");
    if (!context || !frame || !canvas.current) return;
    // A canvas given its size anew is made anew: only where the drawing's has changed.
    if (canvas.current.width !== frame.width || canvas.current.height !== frame.height)
      Object.assign(canvas.current, { width: frame.width, height: frame.height });
    context.clearRect(0, 0, frame.width, frame.height);
    context.drawImage(frame, 0, 0);
  }, [frame]);
  // At the last day it has played to its end.
  const plays = isPlaying && day < DAYS_AHEAD;
  useEffect(() => {
    if (!plays) return;
    const timer = setInterval(() => setDay((now) => (now >= DAYS_AHEAD ? now : now + 1)), PLAY_MS);
    return () => clearInterval(timer);
  }, [plays]);
  const bands = useBands(set);
  const says = daySays(day, set);
  return (
    // Painted apart from the page around it: a step of the slider records nothing else anew.
    <div ref={ref} className="relative isolate will-change-transform">
      <div
        className="eye-glass relative contain-strict"
        data-view="mirror"
        style={{ width: plate.widthPx, height: plate.eyeBottom }}
        role="img"
        aria-label={`The set of ${placedOn} on day ${day}, in the mirror: ${says}`}
      >
        <EyesCanvas plate={plate} survey={survey} map={null} curlOf={curlOf} offsetMm={policy.attachmentOffsetMm} />
        <canvas
          ref={canvas}
          aria-hidden="true"
          data-day={frame ? day : undefined}
          className="pointer-events-none absolute top-0 left-0"
          style={{ width: plate.widthPx, height: plate.eyeBottom }}
        />
      </div>
      <Sides plate={plate} />
      <div className="mt-1 flex flex-wrap items-center gap-x-4 gap-y-2">
        <Button
          tone="line"
          className="min-h-11 w-24"
          onClick={() => {
            if (!plays && day >= DAYS_AHEAD) setDay(0);
            setPlaying(!plays);
          }}
        >
          {plays ? "Stop" : "Play"}
        </Button>
        <label className="flex min-w-60 flex-1 items-center gap-3">
          <span className="w-16 text-lg font-semibold tabular-nums contain-content">Day {day}</span>
          <input
            type="range"
            min={0}
            max={DAYS_AHEAD}
            step={1}
            value={day}
            aria-label="Day"
            className="h-11 flex-1 accent-ivy"
            onChange={(event) => {
              setPlaying(false);
              setDay(Number(event.target.value));
            }}
          />
        </label>
      </div>
      {/* As high as its longest, so that nothing under it moves. */}
      <p className="mt-1 min-h-12 contain-content">{says}</p>
      <Course bands={bands} set={set} day={day} width={width} />
      <p className="text-[0.9375rem] text-ink-2">
        Drawn, not counted: one set of many that could be, with {formatPercent(hazard.mid, 1)} of bonds lost a day and lashes that live{" "}
        {policy.cycleDays} days. The band holds nine in ten of a thousand.
      </p>
    </div>
  );
}

/** What of the set is there on a day, in words. */
function daySays(day: number, set: SetDays): string {
  const { on, shed, lost, outgrown, overLoad, look } = set.days[day]!;
  const { gap, fuller } = seenAmiss(set, day);
  return [
    `${on} of ${set.lashes.length} on (${formatPercent(on / Math.max(1, set.lashes.length))})`,
    shed > 0 ? `${shed} shed with their lash` : "",
    lost > 0 ? `${lost} let go` : "",
    `${formatPercent(look)} of the look`,
    fuller ? `the ${sideLabel(fuller.side)} fuller by ${formatPercent(fuller.by)}` : "",
    outgrown > 0 ? `${outgrown} outgrown` : "",
    overLoad > 0 ? `${overLoad} over the load` : "",
    gap ? `a gap of ${gap.mm.toFixed(1)} mm on the ${sideLabel(gap.side)}` : "",
  ]
    .filter(Boolean)
    .join(", ")
    .concat(".");
}

/** A canvas a day, drawn one after the other while nothing else is to be done; the first at once. */
function useDaysAhead(set: SetDays, plate: Plate, { survey, policy }: PictureOf, curlOf: ReturnType<typeof useCurls>) {
  const theme = useTheme();
  const ratio = Math.min(MOST_RATIO, usePixelRatio());
  const [drawn, setDrawn] = useState<readonly HTMLCanvasElement[]>([]);
  useEffect(() => {
    const palette = paletteOf(theme, survey.colours);
    const frames: HTMLCanvasElement[] = [];
    let waiting = 0;
    const paint = (day: number) => {
      const canvas = document.createElement("canvas");
      const context = sizedCanvas(canvas, plate, ratio);
      if (!context) return;
      paintDay(context, { set, plate, survey, policy, curlOf, ink: palette.lash }, day);
      frames[day] = canvas;
    };
    const next = (day: number) => {
      paint(day);
      setDrawn([...frames]);
      if (day < DAYS_AHEAD) waiting = later(() => next(day + 1));
    };
    waiting = later(() => next(0));
    return () => notLater(waiting);
  }, [set, plate, survey, policy, curlOf, theme, ratio]);
  return drawn;
}

const hasIdle = () => typeof requestIdleCallback === "function";
const later = (work: () => void): number => (hasIdle() ? requestIdleCallback(work, { timeout: 200 }) : window.setTimeout(work, 16));
const notLater = (id: number) => (hasIdle() ? cancelIdleCallback(id) : clearTimeout(id));

/** A thousand sets drawn in a worker; null until they are. */
function useBands(set: SetDays): readonly DayBand[] | null {
  const [bands, setBands] = useState<{ readonly of: SetDays; readonly days: readonly DayBand[] } | null>(null);
  useEffect(() => {
    const thread = new Worker(new URL("../../workers/retention.worker.ts", import.meta.url), { type: "module" });
    void wrap<RetentionWorker>(thread)
      .manySets([...set.lashes], set.figures)
      .then((days) => setBands({ of: set, days }))
      .catch(() => undefined);
    return () => thread.terminate();
  }, [set]);
  return bands?.of === set ? bands.days : null;
}
