import { memo, useMemo } from "react";
import type { Curl } from "@/core/curl";
import { drawnNaturals, fieldOf, lidOutline, type EyeSurvey, type LidOutline, type Survey } from "@/core/eye";
import { FIBRE_COLOURS, type Fibre } from "@/core/lash";
import { drawnZone, lashesByZone, placements, type LashMap, type Placement, type ZoneLashes } from "@/core/map";
import { useMounted } from "@/ui";
import { Eye } from "./Eye";
import { lashPath } from "./lashPath";
import type { EyePlace } from "./plate";

/** What a zone's lashes are drawn in: ordinary ink, chosen, or stopped. */
export type LashInk = "plain" | "chosen" | "stop";
const NONE: readonly Placement[] = [];
const INKS: Record<LashInk, string> = { plain: "var(--ink)", chosen: "var(--ivy)", stop: "var(--rosehip)" };

type Props = {
  map: LashMap;
  survey: Survey;
  /** The survey's eye with the landmarks the map stands on. */
  eye: EyeSurvey;
  place: EyePlace;
  pxPerMm: number;
  curlOf: (fibre: Fibre) => Curl;
  /** Ink of each zone of each layer that is not drawn plainly. */
  inks?: readonly (readonly LashInk[])[];
};

/**
 * An eye with every extension as it will fall. They come once the page is in the browser: how wide it is is only known
 * there, and what a server drew would be drawn again.
 */
export const WornEye = memo(function WornEye({ map, survey, eye, place, pxPerMm, curlOf, inks }: Props) {
  const { side } = place;
  const surveyed = survey.eyes[side];
  // Where lashes root is the lid's own affair: landmarks move the iris, not the lid.
  const lid = useMemo(() => lidOutline(surveyed), [surveyed]);
  const naturals = useMemo(() => drawnNaturals(fieldOf(survey, side), lid), [survey, lid, side]);
  const mounted = useMounted();
  const placed = mounted ? placements(map, survey, side) : NONE;
  const zones = useMemo(() => lashesByZone(placed), [placed]);
  return (
    <>
      <Eye eye={eye} place={place} pxPerMm={pxPerMm} naturals={naturals} faint={!mounted || zones.length > 0} />
      {zones.map((zone) => {
        const ink = inks?.[zone.layer]?.[zone.zone] ?? "plain";
        const colour = zone.worn[0]!.fibre.colour;
        const fill = ink === "plain" && colour && colour !== "black" ? FIBRE_COLOURS[colour].ink : INKS[ink];
        return (
          <ZonePath key={`${zone.layer} ${zone.zone}`} zone={zone} lid={lid} place={place} pxPerMm={pxPerMm} curlOf={curlOf} fill={fill} />
        );
      })}
    </>
  );
});

type ZonePathProps = {
  zone: ZoneLashes;
  lid: LidOutline;
  place: EyePlace;
  pxPerMm: number;
  curlOf: (fibre: Fibre) => Curl;
  fill: string;
};

const sameWorn = (a: ZoneLashes["worn"], b: ZoneLashes["worn"]) =>
  a.length === b.length && a.every(({ lash, fibre }, i) => lash === b[i]!.lash && fibre === b[i]!.fibre);

/** A zone's lashes are one path, drawn anew only when what is worn there has changed: so a drag repaints within a frame. */
const ZonePath = memo(
  function ZonePath({ zone, lid, place, pxPerMm, curlOf, fill }: ZonePathProps) {
    const path = drawnZone(zone, lid, curlOf)
      .map((lash) => lashPath(lash, place, pxPerMm))
      .join("");
    return <path d={path} fill={fill} />;
  },
  (a, b) => a.fill === b.fill && a.lid === b.lid && a.place === b.place && a.curlOf === b.curlOf && sameWorn(a.zone.worn, b.zone.worn),
);
