import { memo, useMemo } from "react";
import { area, curveBasis, line } from "d3";
import { naturalLashAt, type EyeSurvey } from "@/core/eye";
import { lengthWords, type ZoneFacts } from "@/core/map";
import type { EyePlace } from "@/features/drawing/plate";
import type { SkylineScale } from "./drag";
import { Needle } from "./Needle";

/** The natural lashes along the lash line, with their spread: what everything on the skyline stands on. */
export const Ground = memo(function Ground({ place, eye, scale }: { place: EyePlace; eye: EyeSurvey; scale: SkylineScale }) {
  const drawn = useMemo(() => {
    const lashAt = naturalLashAt(eye);
    const places = Array.from({ length: 33 }, (_, i) => i / 32);
    const x = (at: number) => place.lineX(at * eye.lashLineMm);
    const y = (mm: number) => scale.groundY - mm * scale.pxPerMm;
    const ground = area<number>(x, scale.groundY, (at) => y(lashAt(at).lengthMm)).curve(curveBasis);
    const spread = area<number>(
      x,
      (at) => y(lashAt(at).lengthMm - lashAt(at).spreadMm),
      (at) => y(lashAt(at).lengthMm + lashAt(at).spreadMm),
    ).curve(curveBasis);
    return { ground: ground(places) ?? "", spread: spread(places) ?? "" };
  }, [eye, place, scale]);
  return (
    <>
      <path d={drawn.ground} fill="var(--moss-soft)" />
      <path d={drawn.spread} fill="var(--moss)" opacity="0.35" />
    </>
  );
});

/** The longest fibre each zone may carry, as a fine line: its path, so that an unchanged one is not drawn anew. */
export function limitPath(zones: readonly ZoneFacts[], place: EyePlace, lineMm: number, { groundY, pxPerMm }: SkylineScale): string {
  return (
    line()(
      zones.flatMap((zone) => {
        const y = groundY - (zone.pieces[0]?.limitMm ?? zone.limit.limitMm) * pxPerMm;
        return [[place.lineX(zone.from * lineMm), y] as [number, number], [place.lineX(zone.to * lineMm), y] as [number, number]];
      }),
    ) ?? ""
  );
}
export const LimitLine = memo(function LimitLine({ d }: { d: string }) {
  return <path d={d} fill="none" stroke="var(--rosehip)" strokeWidth="1.25" strokeDasharray="2 3" pointerEvents="none" />;
});

/** Narrower than this a zone has no room for its length, px. */
const FIGURE_ROOM_PX = 15;

/** A layer that is not worked on: only its line, with its lengths. */
export const Standing = memo(function Standing({
  place,
  eye,
  zones,
  scale,
}: {
  place: EyePlace;
  eye: EyeSurvey;
  zones: readonly ZoneFacts[];
  scale: SkylineScale;
}) {
  const y = (mm: number) => scale.groundY - mm * scale.pxPerMm;
  const x = (at: number) => place.lineX(at * eye.lashLineMm);
  return (
    <g pointerEvents="none" opacity="0.75">
      {zones.map((zone, i) => {
        if (!zone.fibre) return null;
        const top = y(zone.fibre.lengthMm);
        const middle = (x(zone.from) + x(zone.to)) / 2;
        return (
          <g key={i}>
            {zone.role === "accent" ? (
              <Needle x={middle} top={top} groundY={scale.groundY} ink="var(--moss)" />
            ) : (
              <line
                x1={x(zone.from)}
                x2={x(zone.to)}
                y1={top}
                y2={top}
                stroke={zone.role === "under" ? "var(--brass)" : "var(--moss)"}
                strokeWidth="2"
                strokeDasharray={zone.role === "under" ? "3 3" : undefined}
              />
            )}
            {Math.abs(x(zone.to) - x(zone.from)) >= FIGURE_ROOM_PX ? (
              // Beside the needles, where no figure of the layer worked on stands.
              <text
                x={zone.role === "accent" ? middle + 6 : Math.min(x(zone.from), x(zone.to)) + 2}
                y={zone.role === "accent" ? top + 4 : top - 4}
                textAnchor="start"
                fontSize="11"
                fill="var(--ink-2)"
              >
                {lengthWords(zone.fibre)}
              </text>
            ) : null}
          </g>
        );
      })}
    </g>
  );
});
