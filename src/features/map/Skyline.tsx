"use client";
import { memo } from "react";
import type { EyeSurvey } from "@/core/eye";
import type { Severity, ZoneFacts } from "@/core/map";
import type { EyePlace } from "@/features/drawing/plate";
import type { Drag, SkylineScale } from "./drag";
import { Ground, limitPath, LimitLine, Standing } from "./Ground";
import { Step } from "./Step";
import { ZoneLine } from "./ZoneLine";

/**
 * The map as a skyline along one lash line: the natural lash as the ground, the limit as a fine line over it, base
 * lengths as steps, accents as needles, the under layer as a hem. One layer at a time is worked on; the others stand back.
 */
export const Skyline = memo(function Skyline({
  place,
  eye,
  layers,
  active,
  severities,
  chosen,
  scale,
  drag,
}: {
  place: EyePlace;
  eye: EyeSurvey;
  layers: readonly (readonly ZoneFacts[])[];
  /** The layer being worked on. */
  active: number;
  severities: readonly (readonly (Severity | "none")[])[];
  /** The chosen zone of this eye, or null. */
  chosen: number | null;
  scale: SkylineScale;
  drag: Drag;
}) {
  const zones = layers[active] ?? layers[0]!;
  return (
    <g>
      <Ground place={place} eye={eye} scale={scale} />
      <LimitLine d={limitPath(zones, place, eye.lashLineMm, scale)} />
      {layers.map((standing, i) => (i === active ? null : <Standing key={i} place={place} eye={eye} zones={standing} scale={scale} />))}
      {zones.map((zone, i) => (
        <Step
          key={i}
          place={place}
          lineMm={eye.lashLineMm}
          zone={zone}
          severity={severities[active]?.[i] ?? "none"}
          chosen={chosen === i}
          reachable={chosen === i || (chosen === null && i === 0)}
          scale={scale}
          drag={drag}
        />
      ))}
      {zones.slice(1).map((zone, i) => (
        <ZoneLine
          key={i}
          side={zone.side}
          layer={active}
          edge={i + 1}
          x={place.lineX(zone.from * eye.lashLineMm)}
          toAt={place}
          lineMm={eye.lashLineMm}
          at={zone.from}
          scale={scale}
          drag={drag}
        />
      ))}
    </g>
  );
});
