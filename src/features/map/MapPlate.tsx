"use client";
import dynamic from "next/dynamic";
import { useMemo, useState, type Ref } from "react";
import { sideLabel, SIDES, type Landmarks, type Side } from "@/core/eye";
import {
  EYE_VIEW_LABELS,
  landmarksOf,
  SEVERITIES,
  type EyeView,
  type Finding,
  type LashMap,
  type MapFacts,
  type Severity,
} from "@/core/map";
import { layPlate } from "@/features/drawing/plate";
import { EyesCanvas } from "@/features/drawing/EyesCanvas";
import { useCurls } from "@/features/drawing/useCurls";
import { ZoneMarks, type ZoneMark } from "@/features/drawing/ZoneMarks";
import { Choice, useWidth } from "@/ui";
import { Backdrop, FOOT_PX } from "./Backdrop";
import { Landmark } from "./Landmark";
import type { Drag, SkylineScale, ZoneRef } from "./drag";
import { Skyline } from "./Skyline";

// What is not seen at first is fetched when it is turned to.
const LookLine = dynamic(() => import("./LookLine").then((module) => module.LookLine));
const MapOnPad = dynamic(() => import("@/features/drawing/MapOnPad").then((module) => module.MapOnPad));
const SideView = dynamic(() => import("./SideView").then((module) => module.SideView));

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
  live,
  moving,
}: {
  facts: MapFacts;
  findings: readonly Finding[];
  view: EyeView;
  /** The layer being worked on. */
  layer: number;
  chosen: ZoneRef | null;
  drag: Drag;
  bending: Bending | null;
  onLandmark: (side: Side, mark: keyof Landmarks, at: number, stroke: string, done: boolean) => void;
  /** Draws the lashes of another map at once. */
  live: Ref<(map: LashMap) => void>;
  /** The pointer still holds something of the map. */
  moving: boolean;
}) {
  const [ref, width] = useWidth<HTMLDivElement>(900);
  const [only, setOnly] = useState<Side>("right");
  const narrow = width < NARROW_PX;
  const shownSide = narrow ? (chosen?.side ?? only) : null;
  const { map, trays, policy } = facts;
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
  const plate = useMemo(
    () => layPlate(facts.survey, view, width, { only: shownSide, longestMm: Math.ceil(longest) }),
    [facts.survey, view, width, shownSide, longest],
  );
  const skyTop = plate.eyeBottom + 26;
  const groundY = skyTop + topMm * plate.pxPerMm;
  const scale = useMemo<SkylineScale>(() => ({ groundY, pxPerMm: plate.pxPerMm, topMm }), [groundY, plate.pxPerMm, topMm]);
  const shape = useMemo(() => shapeOf(facts), [facts]);
  const severities = useSeverities(shape, findings);
  const curlOf = useCurls({ trays, policy });

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
      <div className="relative isolate" style={{ width, height: groundY + FOOT_PX }}>
        {view === "side" ? null : (
          <div className="eye-glass absolute top-0 left-0 -z-10" data-view={view} style={{ width, height: plate.eyeBottom }}>
            <EyesCanvas
              plate={plate}
              survey={facts.survey}
              map={map}
              curlOf={curlOf}
              offsetMm={policy.attachmentOffsetMm}
              live={live}
              moving={moving}
            />
          </div>
        )}
        <svg
          width={width}
          height={groundY + FOOT_PX}
          className="absolute top-0 left-0 overflow-visible"
          role="group"
          aria-label={`Lash map of both eyes, ${EYE_VIEW_LABELS[view]}`}
        >
          <Backdrop plate={plate} scale={scale} />
          {plate.eyes.map((place) => {
            const { side } = place;
            const eye = facts.survey.eyes[side];
            const marks = landmarksOf(map, facts.survey, side);
            const mine = chosen?.side === side && chosen.layer === layer ? chosen.index : null;
            const markOf = (l: number, z: number): ZoneMark =>
              severities[side][l]?.[z] === "stop" ? "stop" : l === layer && z === mine ? "chosen" : "none";
            return (
              <g key={side}>
                {view === "side" ? (
                  <SideView
                    facts={facts}
                    side={side}
                    at={mine === null ? marks.pupil : zoneMiddle(facts, side, layer, mine)}
                    box={{ from: place.from, to: place.to, bottom: plate.eyeBottom }}
                  />
                ) : (
                  <ZoneMarks plate={plate} place={place} survey={facts.survey} map={map} markOf={markOf} />
                )}
                {view === "pad" ? (
                  <MapOnPad plate={plate} place={place} survey={facts.survey} map={map} layer={layer} chosen={mine} />
                ) : null}
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
    </div>
  );
}

/** The middle of a zone of the layer worked on, as a place of the lash line. */
function zoneMiddle({ layers }: MapFacts, side: Side, layer: number, zone: number): number {
  const { from, to } = layers[side][layer]![zone]!;
  return (from + to) / 2;
}
