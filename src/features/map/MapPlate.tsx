"use client";
import { useCallback, useMemo, useState } from "react";
import { sideLabel, SIDES, type Landmarks, type Side, type Survey } from "@/core/eye";
import type { Fibre } from "@/core/lash";
import { fibreCurl, landmarksOf, SEVERITIES, type Finding, type MapFacts, type Severity, type View } from "@/core/map";
import { layPlate } from "@/features/drawing/plate";
import { WornEye, type LashInk } from "@/features/drawing/WornEye";
import { Choice, useWidth } from "@/ui";
import { Backdrop, FOOT_PX } from "./Backdrop";
import { Landmark } from "./Landmark";
import { LookLine } from "./LookLine";
import type { Drag, SkylineScale, ZoneRef } from "./drag";
import { Skyline } from "./Skyline";

const NARROW_PX = 620;
const MARKS = ["irisInner", "pupil", "irisOuter", "browPeak"] as const;

type Severities = readonly (readonly (Severity | "none")[])[];

/** How many zones each layer of each eye has, and which is the base: all that findings are laid out by. */
const shapeOf = ({ layers }: MapFacts) =>
  JSON.stringify(SIDES.map((side) => layers[side].map((zones) => [zones[0]?.role === "base" ? 1 : 0, zones.length])));

/** Gravest finding of each zone of each layer, anew only where findings or zones changed. */
function useSeverities(shape: string, findings: readonly Finding[]): Readonly<Record<Side, Severities>> {
  return useMemo(() => {
    const sides = JSON.parse(shape) as [number, number][][];
    const [right, left] = SIDES.map((side, i) => severitiesOf(sides[i]!, findings, side));
    return { right: right!, left: left! };
  }, [shape, findings]);
}

function severitiesOf(layers: readonly (readonly [base: number, zones: number])[], findings: readonly Finding[], side: Side): Severities {
  const base = layers.findIndex(([isBase]) => isBase);
  const worst = layers.map(([, zones]) => Array<Severity | "none">(zones).fill("none"));
  for (const { where, severity } of findings) {
    if (where.side !== side && where.side !== "both") continue;
    const layer = worst[where.layer ?? base];
    for (const zone of where.zones) {
      const before = layer?.[zone];
      if (before === undefined) continue;
      if (before === "none" || SEVERITIES.indexOf(severity) > SEVERITIES.indexOf(before)) layer![zone] = severity;
    }
  }
  return worst;
}

export type Bending = {
  readonly handles: Readonly<Record<Side, readonly { readonly at: number; readonly dropMm: number }[]>>;
  readonly longestMm: Readonly<Record<Side, number>>;
  readonly onBend: (handle: number, dropMm: number, stroke: string) => void;
};

/** The sheet: both eyes with the lashes as they will fall, over their skyline, at one true scale. */
export function MapPlate({
  facts,
  findings,
  view,
  layer,
  chosen,
  drag,
  bending,
  onLandmark,
}: {
  facts: MapFacts;
  findings: readonly Finding[];
  view: View;
  /** The layer being worked on. */
  layer: number;
  chosen: ZoneRef | null;
  drag: Drag;
  bending: Bending | null;
  onLandmark: (side: Side, mark: keyof Landmarks, at: number, stroke: string, done: boolean) => void;
}) {
  const [ref, width] = useWidth<HTMLDivElement>(900);
  const [only, setOnly] = useState<Side>("right");
  const narrow = width < NARROW_PX;
  const shownSide = narrow ? (chosen?.side ?? only) : null;
  const { map, trays, policy } = facts;
  const { landmarks } = map;
  const survey = useStanding(facts.survey, landmarks);
  const plate = useMemo(() => layPlate(facts.survey, view, width, shownSide), [facts.survey, view, width, shownSide]);
  // As high as anything in stock reaches, so that the sheet does not change its height under a drag.
  const longest = Math.max(
    12,
    ...SIDES.flatMap((side) =>
      facts.layers[side].flatMap((zones) =>
        zones.map((zone) => Math.max(zone.fibre?.lengthMm ?? 0, Math.min(16, zone.stockedMm.at(-1) ?? 0))),
      ),
    ),
  );
  const topMm = Math.ceil(longest) + 3;
  const skyTop = plate.eyeBottom + 26;
  const groundY = skyTop + topMm * plate.pxPerMm;
  const scale = useMemo<SkylineScale>(() => ({ groundY, pxPerMm: plate.pxPerMm, topMm }), [groundY, plate.pxPerMm, topMm]);
  const shape = useMemo(() => shapeOf(facts), [facts]);
  const severities = useSeverities(shape, findings);
  const curlOf = useCallback((fibre: Fibre) => fibreCurl(fibre, trays, policy), [trays, policy]);
  const turned = view === "bedHead";

  return (
    <div ref={ref}>
      {narrow ? (
        <Choice
          label="Eye"
          value={shownSide!}
          options={SIDES.map((side) => ({ value: side, label: sideLabel(side) }))}
          onChange={(side) => {
            setOnly(side);
            drag.onChoose({ side, index: 0, layer });
          }}
        />
      ) : null}
      {/* A fibre longer than the sheet has room for stands out over it rather than being cut off. */}
      <svg width={width} height={groundY + FOOT_PX} className="overflow-visible" role="group" aria-label="Lash map of both eyes">
        <Backdrop plate={plate} width={width} scale={scale} turned={turned} />
        {plate.eyes.map((place) => {
          const { side } = place;
          const eye = facts.survey.eyes[side];
          const marks = landmarksOf(map, facts.survey, side);
          const mine = chosen?.side === side && chosen.layer === layer ? chosen.index : null;
          const inks = severities[side].map((zones, l) =>
            zones.map((severity, z): LashInk => (severity === "stop" ? "stop" : l === layer && z === mine ? "chosen" : "plain")),
          );
          return (
            <g key={side}>
              <WornEye
                map={map}
                survey={facts.survey}
                eye={survey.eyes[side]}
                place={place}
                pxPerMm={plate.pxPerMm}
                curlOf={curlOf}
                inks={inks}
              />
              <Skyline
                place={place}
                eye={eye}
                layers={facts.layers[side]}
                active={Math.min(layer, facts.layers[side].length - 1)}
                severities={severities[side]}
                chosen={mine}
                scale={scale}
                drag={drag}
              />
              {MARKS.map((mark) => (
                <Landmark
                  key={mark}
                  side={side}
                  mark={mark}
                  at={marks[mark]}
                  lineMm={eye.lashLineMm}
                  place={place}
                  top={skyTop}
                  groundY={groundY}
                  pxPerMm={plate.pxPerMm}
                  onMove={onLandmark}
                  onEnd={drag.onEnd}
                />
              ))}
              {bending ? (
                <LookLine
                  side={side}
                  eye={eye}
                  place={place}
                  scale={scale}
                  handles={bending.handles[side]}
                  longestMm={bending.longestMm[side]}
                  onBend={bending.onBend}
                  onEnd={drag.onEnd}
                />
              ) : null}
            </g>
          );
        })}
        <title>{map.title}</title>
      </svg>
    </div>
  );
}

/** The survey with the landmarks the map stands on; the survey itself where the map has none of its own. */
function useStanding(survey: Survey, landmarks: MapFacts["map"]["landmarks"]): Survey {
  return useMemo(
    () =>
      landmarks
        ? {
            ...survey,
            eyes: {
              right: { ...survey.eyes.right, landmarks: landmarks.right },
              left: { ...survey.eyes.left, landmarks: landmarks.left },
            },
          }
        : survey,
    [survey, landmarks],
  );
}
