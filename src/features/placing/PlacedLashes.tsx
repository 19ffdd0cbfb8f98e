"use client";
import { memo, useLayoutEffect, useMemo, useRef } from "react";
import {
  closedEye,
  drawClosedEye,
  KEPT_INK,
  naturalBlades,
  NATURALS_OPACITY,
  PAD_BY_LAMP,
  paletteOf,
  wornBlades,
  type Look,
} from "@/core/drawing";
import { fieldOf } from "@/core/eye";
import { placements, type Placement } from "@/core/map";
import { drawnTo, spotKey, type PlannedSpot } from "@/core/placing";
import { useCurls } from "@/features/drawing/useCurls";
import { LashLayers, type LashLayer } from "@/features/drawing/LashLayers";
import { lookOn, padOutline } from "@/features/drawing/lashesOnPlate";
import { inPx, paintBlades, paintShapes } from "@/features/drawing/paint";
import type { EyePlace, Plate } from "@/features/drawing/plate";
import { sizedCanvas } from "@/features/drawing/sizedCanvas";
import { usePixelRatio } from "@/features/drawing/usePixelRatio";
import { useTheme } from "@/features/drawing/useTheme";
import { onPlate, type SetOnPads, type Stretch } from "./onPlate";
import type { AtWork } from "./usePlacing";

/** Layers that are not worked now are drawn so strongly, and what is kept of an earlier visit. */
const OTHER_LAYER = 0.5;
const KEPT = 0.75;

/** What of the work is painted. */
export type LashesAtWork = Pick<AtWork, "plan" | "kept" | "progress"> & { readonly spot: Pick<PlannedSpot, "layer"> | null };

/** What the lashes that are kept wear: by the map that is worked, for which extension each is nobody says. */
const keptOn = (worn: readonly Placement[], kept: ReadonlySet<number>) =>
  [...kept].flatMap((place) => {
    const one = worn[place];
    return one?.worn ? [{ lash: one.lash, fibre: one.worn.fibre }] : [];
  });

/** The lashes themselves: painted on canvases, a spot of the plan each a picture of its own, so that a tap draws one of them. */
export const PlacedLashes = memo(
  function PlacedLashes({ plate, of, work, stretch }: { plate: Plate; of: SetOnPads; work: LashesAtWork; stretch: Stretch }) {
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
    // Tape draws the skin sideways, and the lashes that stand in it.
    const looks = useMemo(() => {
      const lookOf = (place: EyePlace): Look => {
        const { lashLineMm } = survey.eyes[place.side];
        const look = lookOn(plate, survey, place);
        return (lash, hair) => look({ ...lash, at: drawnTo(lash.at, lashLineMm, stretch[place.side]) }, hair);
      };
      return Object.fromEntries(plate.eyes.map((place) => [place.side, lookOf(place)]));
    }, [plate, survey, stretch]);
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
      const of = [plate, looks, palette, theme, ratio, worn, work.plan, work.kept, layerNow, curlOf, offsetMm];
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
          {
            key: `${side} kept`,
            of: [look, curlOf, offsetMm, worn[side], work.kept[side]],
            blades: () => wornBlades(keptOn(worn[side], work.kept[side]), { curlOf, offsetMm }, look),
            brush: place,
            ink: KEPT_INK[theme],
            opacity: KEPT,
          },
          ...work.plan.spots.flatMap((spot): LashLayer[] => {
            const placed = Math.min(spot.planned, work.progress.of(spot).placed);
            if (spot.side !== side || placed === 0) return [];
            return [
              {
                key: String(spotKey(spot)),
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
        <canvas ref={under} aria-hidden="true" className={onPlate} />
        <canvas ref={lashes} aria-hidden="true" className={onPlate} data-layer="lashes" />
        <canvas ref={moving} aria-hidden="true" className={onPlate} />
      </>
    );
  },
  (a, b) =>
    a.plate === b.plate &&
    a.stretch === b.stretch &&
    a.of.map === b.of.map &&
    a.of.survey === b.of.survey &&
    a.work.progress === b.work.progress &&
    a.work.kept === b.work.kept &&
    a.work.spot?.layer === b.work.spot?.layer,
);
