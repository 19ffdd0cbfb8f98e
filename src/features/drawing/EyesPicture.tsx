"use client";
import { memo, useMemo } from "react";
import { sideLabel, type Survey } from "@/core/eye";
import { baseIndex, mapInWords, type EyeView, type LashMap, type MapFacts } from "@/core/map";
import { useWidth } from "@/ui";
import { EyesCanvas } from "./EyesCanvas";
import { MapOnPad } from "./MapOnPad";
import { Nose } from "./Nose";
import { layPlate, type Plate } from "./plate";
import { useCurls } from "./useCurls";

export type PictureOf = {
  survey: Survey;
  /** What is worn, or null for the natural lashes alone. */
  map: LashMap | null;
} & Pick<MapFacts, "trays" | "policy">;

/** Both eyes as wide as there is room, with what a map lays on them; which is which and the nose stand below. */
export function EyesPicture({
  of,
  view = "mirror",
  label,
  guess = 430,
}: {
  of: PictureOf;
  view?: Exclude<EyeView, "side">;
  /** What it shows, for those who cannot see it. */
  label: string;
  /** Its width before it is laid out, px. */
  guess?: number;
}) {
  const [ref, width] = useWidth<HTMLDivElement>(guess);
  const { survey, map, policy } = of;
  const plate = useMemo(() => layPlate(survey, view, width), [survey, view, width]);
  const curlOf = useCurls(of);
  return (
    <div ref={ref} role="img" aria-label={map ? `${label}: ${mapInWords(map)}` : label}>
      <div className="eye-glass relative" data-view={view} style={{ width, height: plate.eyeBottom }}>
        <EyesCanvas plate={plate} survey={survey} map={map} curlOf={curlOf} offsetMm={policy.attachmentOffsetMm} />
        {map && view === "pad" ? (
          <svg width={width} height={plate.eyeBottom} className="absolute top-0 left-0" aria-hidden="true">
            {plate.eyes.map((place) => (
              <MapOnPad
                key={place.side}
                plate={plate}
                place={place}
                survey={survey}
                map={map}
                layer={baseIndex(map, place.side)}
                chosen={null}
              />
            ))}
          </svg>
        ) : null}
      </div>
      <Sides plate={plate} />
    </div>
  );
}

/** Which eye is which, and where the nose is. */
export const Sides = memo(function Sides({ plate }: { plate: Plate }) {
  return (
    <svg width={plate.widthPx} height="44" aria-hidden="true" className="block">
      {plate.eyes.map(({ side, from, to }) => (
        <text key={side} x={(from + to) / 2} y="15" textAnchor="middle" fontSize="13.5" fill="var(--ink-2)">
          {sideLabel(side)}
        </text>
      ))}
      {plate.noseX ? <Nose x={plate.noseX} y={plate.view === "pad" ? 10 : 30} length={20} turned={plate.view === "pad"} /> : null}
    </svg>
  );
});
