"use client";
import { memo, useEffect, useImperativeHandle, useLayoutEffect, useMemo, useRef, type Ref } from "react";
import type { Curl } from "@/core/curl";
import {
  closedEye,
  drawClosedEye,
  drawLids,
  drawOpening,
  inMirror,
  PAD_BY_LAMP,
  naturalBlades,
  onPad,
  openEye,
  paletteOf,
  wornBlades,
  type Look,
  type Palette,
  type Point2,
} from "@/core/drawing";
import { fieldOf, type Side, type Survey } from "@/core/eye";
import { FIBRE_COLOURS, type Fibre } from "@/core/lash";
import { baseIndex, landmarksOf, lashesByZone, onPaper, padZones, placements, type LashMap } from "@/core/map";
import { LashLayers, type LashLayer } from "./LashLayers";
import { paintShapes } from "./paint";
import type { EyePlace, Plate } from "./plate";
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

/** A pad that no map lies on. */
const BARE_PAD = { pastLongestMm: 5, past: 0.05 } as const;
const NATURALS = { bare: 0.95, worn: 0.55 } as const;
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
    const context = sized(opening.current, plate);
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
  }, [plate, survey, palette, under]);
  useLayoutEffect(() => {
    const context = sized(lids.current, plate);
    if (!context || plate.view === "pad") return;
    for (const { side, point, pxPerMm } of plate.eyes)
      paintShapes(context, drawLids(openEye(survey.eyes[side]), { seed: survey.seed }), { palette, point, pxPerMm });
  }, [plate, survey, palette]);

  const paint = (worn: LashMap | null, isMoving: boolean) => {
    const [resting, hand] = [lashes, moved].map((canvas) => canvas.current?.getContext("2d"));
    if (!resting || !hand) return;
    const start = performance.now();
    layers.current ??= new LashLayers();
    const drawn = plate.eyes.flatMap((place) => lashLayers(survey, worn, place, looks[place.side]!, { curlOf, offsetMm, palette }));
    if (isMoving) layers.current.paintMoving(resting, hand, drawn, ratioOf());
    else layers.current.paint(resting, hand, drawn, ratioOf());
    // For `npm run bench -- drawing`; only the last is kept.
    performance.clearMeasures(DRAWN);
    performance.measure(DRAWN, { start });
  };
  useImperativeHandle(live, () => (next) => {
    atHand.current = next;
    paint(next, true);
  });
  useLayoutEffect(() => {
    sized(lashes.current, plate);
    sized(moved.current, plate);
  }, [plate]);
  useLayoutEffect(() => {
    // What the hand holds was drawn as it moved; the page is a step behind it.
    if (moving && atHand.current) return;
    atHand.current = null;
    paint(map, moving);
  });
  // Moved to a screen with finer or coarser points, it is drawn for that one.
  useEffect(() => {
    const screen = matchMedia(`(resolution: ${devicePixelRatio}dppx)`);
    const change = () => {
      sized(lashes.current, plate);
      sized(moved.current, plate);
      paint(map, false);
    };
    screen.addEventListener("change", change);
    return () => screen.removeEventListener("change", change);
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

const ratioOf = () => Math.min(3, window.devicePixelRatio || 1);

/** The canvas as large as the plate, cleared, in CSS px. */
function sized(canvas: HTMLCanvasElement | null, { widthPx, eyeBottom }: Plate): CanvasRenderingContext2D | null {
  const context = canvas?.getContext("2d");
  if (!canvas || !context) return null;
  const ratio = ratioOf();
  canvas.width = Math.round(widthPx * ratio);
  canvas.height = Math.round(eyeBottom * ratio);
  canvas.style.width = `${widthPx}px`;
  canvas.style.height = `${eyeBottom}px`;
  context.setTransform(ratio, 0, 0, ratio, 0, 0);
  return context;
}

function lookOn(plate: Plate, survey: Survey, { side }: EyePlace): Look {
  if (plate.view === "pad") {
    const eye = closedEye(survey.eyes[side]);
    return (lash, hair) => onPad(eye, lash, hair);
  }
  const eye = openEye(survey.eyes[side]);
  return (lash, hair) => inMirror(eye, lash, hair);
}

type Drawn = {
  readonly curlOf: EyesCanvasProps["curlOf"];
  readonly offsetMm: number;
  readonly palette: Palette;
};

/** An eye's lashes as they lie on each other: the natural ones, then every zone, accents over the rest. */
function lashLayers(survey: Survey, map: LashMap | null, place: EyePlace, look: Look, { curlOf, offsetMm, palette }: Drawn): LashLayer[] {
  const { side } = place;
  const field = fieldOf(survey, side);
  const zones = map ? lashesByZone(placements(map, survey, side)) : [];
  const roles = map?.eyes[side].layers.map(({ role }) => role) ?? [];
  const isAccent = (layer: number) => Number(roles[layer] === "accent");
  return [
    {
      key: side,
      of: [field, look],
      blades: () => naturalBlades(field, look),
      brush: place,
      ink: palette.hair,
      opacity: zones.length ? NATURALS.worn : NATURALS.bare,
    },
    ...zones
      .sort((a, b) => isAccent(a.layer) - isAccent(b.layer))
      .map((zone): LashLayer => {
        const colour = zone.worn[0]!.fibre.colour;
        return {
          key: `${side} ${zone.layer} ${zone.zone}`,
          of: [look, curlOf, offsetMm, ...zone.worn.flatMap(({ lash, fibre }) => [lash, fibre])],
          blades: () => wornBlades(zone.worn, { curlOf, offsetMm }, look),
          brush: place,
          ink: colour && colour !== "black" ? FIBRE_COLOURS[colour].ink : palette.lash,
          opacity: 1,
        };
      }),
  ];
}

/** The pad's outline in the closed eye's own millimetres, under the base as it is planned. */
function padOutline(survey: Survey, map: LashMap | null, side: Side, longestMm: number): Point2[] {
  const eye = closedEye(survey.eyes[side]);
  if (map) return padZones(survey, map, side, baseIndex(map, side), "bedHead", longestMm).padEdge.map(onPaper(side, "bedHead"));
  const deep = longestMm + BARE_PAD.pastLongestMm;
  return [...eye.run(-BARE_PAD.past, 1 + BARE_PAD.past, -1, 48), ...eye.run(-BARE_PAD.past, 1 + BARE_PAD.past, deep, 48).reverse()];
}
