"use client";
import { memo, useImperativeHandle, useLayoutEffect, useMemo, useRef, type Ref } from "react";
import type { Curl } from "@/core/curl";
import { closedEye, drawClosedEye, drawLids, drawOpening, openEye, PAD_BY_LAMP, paletteOf } from "@/core/drawing";
import { fieldOf, type Survey } from "@/core/eye";
import type { Fibre } from "@/core/lash";
import { baseIndex, landmarksOf, type LashMap } from "@/core/map";
import { lashLayers, lookOn, padOutline } from "./lashesOnPlate";
import { LashLayers } from "./LashLayers";
import { paintShapes } from "./paint";
import { sizedCanvas } from "./sizedCanvas";
import type { Plate } from "./plate";
import { usePixelRatio } from "./usePixelRatio";
import { useTheme } from "./useTheme";

export type EyesCanvasProps = {
  plate: Plate;
  survey: Survey;
  /** What is worn, or null for the natural lashes alone. */
  map: LashMap | null;
  curlOf: (fibre: Fibre) => Curl;
  /** Where extensions are set, mm along the natural lash. */
  offsetMm: number;
  /** Draws another map at once, before the page has followed. */
  live?: Ref<(map: LashMap) => void>;
  /** A hand holds something: only what changes is drawn. */
  moving?: boolean;
};

/** What a look's drawing is measured by. */
const DRAWN = "lashes";
const canvasClass = "pointer-events-none absolute left-0 top-0";

/** Both eyes of a plate with every lash, painted: under it what does not change, over it the lashes. Says nothing to those who listen. */
export const EyesCanvas = memo(function EyesCanvas({ plate, survey, map, curlOf, offsetMm, live, moving = false }: EyesCanvasProps) {
  const opening = useRef<HTMLCanvasElement>(null);
  const lids = useRef<HTMLCanvasElement>(null);
  const lashes = useRef<HTMLCanvasElement>(null);
  const moved = useRef<HTMLCanvasElement>(null);
  const layers = useRef<LashLayers>(null);
  const atHand = useRef<LashMap | null>(null);
  const theme = useTheme();
  const ratio = usePixelRatio();
  const onPadByLamp = theme === "lamp" && plate.view === "pad";
  const palette = useMemo(
    () => ({ ...paletteOf(theme, survey.colours), ...(onPadByLamp ? PAD_BY_LAMP : {}) }),
    [theme, survey.colours, onPadByLamp],
  );
  // What of the map is drawn under the lashes: where its landmarks and the lines of its base stand.
  const under = JSON.stringify(
    plate.eyes.map(
      ({ side }) =>
        map && (plate.view === "pad" ? map.eyes[side].layers[baseIndex(map, side)]!.boundaries : (map.landmarks?.[side] ?? null)),
    ),
  );

  const looks = useMemo(() => Object.fromEntries(plate.eyes.map((place) => [place.side, lookOn(plate, survey, place)])), [plate, survey]);

  useLayoutEffect(() => {
    const context = sizedCanvas(opening.current, plate, ratio);
    if (!context) return;
    for (const place of plate.eyes) {
      const { side } = place;
      const brush = { palette, point: place.point, pxPerMm: place.pxPerMm };
      if (plate.view === "pad") {
        paintShapes(
          context,
          drawClosedEye(closedEye(survey.eyes[side]), padOutline(survey, map, side, plate.longestMm), survey.seed),
          brush,
        );
        continue;
      }
      const landmarks = map ? landmarksOf(map, survey, side) : survey.eyes[side].landmarks;
      const drawing = { field: fieldOf(survey, side), seed: survey.seed, xRunsRight: side === "left" };
      paintShapes(context, drawOpening(openEye({ ...survey.eyes[side], landmarks }), drawing), brush);
    }
    // `under` is what of the map is drawn here.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [plate, survey, palette, under, ratio]);
  useLayoutEffect(() => {
    const context = sizedCanvas(lids.current, plate, ratio);
    if (!context || plate.view === "pad") return;
    for (const { side, point, pxPerMm } of plate.eyes)
      paintShapes(context, drawLids(openEye(survey.eyes[side]), { seed: survey.seed }), { palette, point, pxPerMm });
  }, [plate, survey, palette, ratio]);

  const paint = (worn: LashMap | null, isMoving: boolean) => {
    const [resting, hand] = [lashes, moved].map((canvas) => canvas.current?.getContext("2d"));
    if (!resting || !hand) return;
    const start = performance.now();
    layers.current ??= new LashLayers();
    const drawn = plate.eyes.flatMap((place) => lashLayers(survey, worn, place, looks[place.side]!, { curlOf, offsetMm, palette }));
    if (isMoving) layers.current.paintMoving(resting, hand, drawn, ratio);
    else layers.current.paint(resting, hand, drawn, ratio);
    // For `npm run bench -- drawing`; only the last is kept.
    performance.clearMeasures(DRAWN);
    performance.measure(DRAWN, { start });
  };
  useImperativeHandle(live, () => (next) => {
    atHand.current = next;
    paint(next, true);
  });
  useLayoutEffect(() => {
    sizedCanvas(lashes.current, plate, ratio);
    sizedCanvas(moved.current, plate, ratio);
  }, [plate, ratio]);
  useLayoutEffect(() => {
    // What the hand holds was drawn as it moved; the page is a step behind it.
    if (moving && atHand.current) return;
    atHand.current = null;
    paint(map, moving);
  });
  return (
    <>
      <canvas ref={opening} aria-hidden="true" className={canvasClass} data-layer="opening" />
      <canvas ref={lids} aria-hidden="true" className={canvasClass} data-layer="lids" />
      <canvas ref={lashes} aria-hidden="true" className={canvasClass} data-layer="lashes" />
      <canvas ref={moved} aria-hidden="true" className={canvasClass} data-layer="moving" />
    </>
  );
});
