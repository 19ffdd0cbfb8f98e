"use client";
import { useCallback, useMemo, useState } from "react";
import { sideLabel, SIDES, type Landmarks, type Side, type Survey } from "@/core/eye";
import type { Fibre } from "@/core/lash";
import { fibreCurl, landmarksOf, SEVERITIES, type Finding, type MapFacts, type Severity, type View } from "@/core/map";
import { Nose } from "@/features/drawing/Nose";
import { layPlate } from "@/features/drawing/plate";
import { WornEye, type LashInk } from "@/features/drawing/WornEye";
import { Choice, useWidth } from "@/ui";
import { Landmark } from "./Landmark";
import { LookLine } from "./LookLine";
import { Skyline, type Drag, type SkylineScale, type ZoneRef } from "./Skyline";

const NARROW_PX = 620;
const FOOT_PX = 44;
const MARKS = ["irisInner", "pupil", "irisOuter", "browPeak"] as const;

type Severities = readonly (readonly (Severity | "none")[])[];

/** Gravest finding of each zone of each layer of an eye. */
function severitiesOf(facts: MapFacts, findings: readonly Finding[], side: Side): Severities {
  const base = facts.layers[side].findIndex((layer) => layer[0]?.role === "base");
  return facts.layers[side].map((layer, l) =>
    layer.map((zone) =>
      findings
        .filter(
          ({ where }) => (where.side === side || where.side === "both") && (where.layer ?? base) === l && where.zones.includes(zone.index),
        )
        .reduce<Severity | "none">(
          (worst, { severity }) => (worst === "none" || SEVERITIES.indexOf(severity) > SEVERITIES.indexOf(worst) ? severity : worst),
          "none",
        ),
    ),
  );
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
  const longest = Math.max(
    12,
    ...SIDES.flatMap((side) =>
      facts.layers[side].flatMap((zones) => zones.map((zone) => Math.max(zone.fibre?.lengthMm ?? 0, Math.min(18, zone.limit.limitMm)))),
    ),
  );
  const topMm = Math.ceil(longest) + 3;
  const skyTop = plate.eyeBottom + 26;
  const groundY = skyTop + topMm * plate.pxPerMm;
  const scale = useMemo<SkylineScale>(() => ({ groundY, pxPerMm: plate.pxPerMm, topMm }), [groundY, plate.pxPerMm, topMm]);
  const severities = useMemo(
    () => ({ right: severitiesOf(facts, findings, "right"), left: severitiesOf(facts, findings, "left") }),
    [facts, findings],
  );
  const curlOf = useCallback((fibre: Fibre) => fibreCurl(fibre, trays, policy), [trays, policy]);
  const ticks = Array.from({ length: Math.floor(topMm / 2) + 1 }, (_, i) => i * 2);
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
      <svg width={width} height={groundY + FOOT_PX} role="group" aria-label="Lash map of both eyes">
        <rect width={width} height={groundY + FOOT_PX} fill="var(--paper)" />
        {ticks.map((mm) => (
          <g key={mm}>
            <line
              x1={plate.eyes[0]!.from}
              x2={plate.eyes.at(-1)!.to}
              y1={groundY - mm * plate.pxPerMm}
              y2={groundY - mm * plate.pxPerMm}
              stroke="var(--line)"
              strokeWidth={mm === 0 ? 1.5 : 1}
              opacity={mm === 0 ? 1 : 0.75}
            />
            <text x={plate.eyes[0]!.from - 10} y={groundY - mm * plate.pxPerMm + 4} textAnchor="end" fontSize="12" fill="var(--ink-2)">
              {mm === ticks.at(-1) ? `${mm} mm` : mm}
            </text>
          </g>
        ))}
        {plate.eyes.map((place) => {
          const { side } = place;
          const eye = facts.survey.eyes[side];
          const marks = landmarksOf(map, facts.survey, side);
          const mine = chosen?.side === side && chosen.layer === layer ? chosen.index : null;
          const inkOf = (l: number, z: number): LashInk =>
            severities[side][l]?.[z] === "stop" ? "stop" : l === layer && z === mine ? "chosen" : "plain";
          return (
            <g key={side}>
              <WornEye
                map={map}
                survey={facts.survey}
                eye={survey.eyes[side]}
                place={place}
                pxPerMm={plate.pxPerMm}
                curlOf={curlOf}
                inkOf={inkOf}
              />
              <text
                x={(place.from + place.to) / 2}
                y={turned ? 13 : plate.eyeBottom + 12}
                textAnchor="middle"
                fontSize="14"
                fill="var(--ink)"
              >
                {sideLabel(side)}
              </text>
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
                />
              ) : null}
            </g>
          );
        })}
        {plate.noseX ? <Nose x={plate.noseX} y={plate.eyeBottom / 2 + (turned ? -40 : 40)} length={38} turned={turned} /> : null}
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
