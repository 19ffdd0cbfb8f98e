"use client";
import { useLayoutEffect, useMemo, useRef } from "react";
import { paletteOf } from "@/core/drawing";
import type { LashMap } from "@/core/map";
import { setDays } from "@/core/retention";
import { EyesCanvas } from "@/features/drawing/EyesCanvas";
import { Sides, type PictureOf } from "@/features/drawing/EyesPicture";
import { useCurls } from "@/features/drawing/useCurls";
import { layPlate } from "@/features/drawing/plate";
import { sizedCanvas } from "@/features/drawing/sizedCanvas";
import { usePixelRatio } from "@/features/drawing/usePixelRatio";
import { useTheme } from "@/features/drawing/useTheme";
import { useWidth } from "@/ui";
import { paintDay } from "./paintDay";

/** A map as one set of it may look on one of its days, in the mirror. */
export function SetOnDay({
  of,
  hazardPerDay,
  day,
  label,
}: {
  of: PictureOf & { readonly map: LashMap };
  hazardPerDay: number;
  day: number;
  label: string;
}) {
  const { survey, map, trays, policy } = of;
  const [ref, width] = useWidth<HTMLDivElement>(400);
  const plate = useMemo(() => layPlate(survey, "mirror", width), [survey, width]);
  const set = useMemo(() => setDays({ map, survey, trays, policy }, hazardPerDay), [map, survey, trays, policy, hazardPerDay]);
  const curlOf = useCurls(of);
  const theme = useTheme();
  const ratio = usePixelRatio();
  const canvas = useRef<HTMLCanvasElement>(null);
  useLayoutEffect(() => {
    const context = sizedCanvas(canvas.current, plate, ratio);
    if (context) paintDay(context, { set, plate, survey, policy, curlOf, ink: paletteOf(theme, survey.colours).lash }, day);
  }, [set, plate, survey, policy, curlOf, theme, ratio, day]);
  return (
    <div ref={ref} role="img" aria-label={label}>
      <div className="eye-glass relative" data-view="mirror" style={{ width, height: plate.eyeBottom }}>
        <EyesCanvas plate={plate} survey={survey} map={null} curlOf={curlOf} offsetMm={policy.attachmentOffsetMm} />
        <canvas ref={canvas} aria-hidden="true" className="pointer-events-none absolute top-0 left-0" />
      </div>
      <Sides plate={plate} />
    </div>
  );
}
