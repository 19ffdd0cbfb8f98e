"use client";
import { useCallback, useMemo, useState } from "react";
import { sideLabel, SIDES, type Side } from "@/core/eye";
import { fibreAt, SEVERITIES, type Finding, type MapFacts, type Severity, type View } from "@/core/map";
import { Eye, type LashInk } from "@/features/drawing/Eye";
import { Nose } from "@/features/drawing/Nose";
import { layPlate } from "@/features/drawing/plate";
import { Choice, useWidth } from "@/ui";
import { Skyline, type ZoneRef } from "./Skyline";

const NARROW_PX = 620;
const FOOT_PX = 44;

/** Gravest finding of each zone of an eye. */
function severitiesOf(facts: MapFacts, findings: readonly Finding[], side: Side): (Severity | "none")[] {
  return facts.zones[side].map((zone) =>
    findings
      .filter(({ where }) => (where.side === side || where.side === "both") && where.zones.includes(zone.index))
      .reduce<Severity | "none">(
        (worst, { severity }) => (worst === "none" || SEVERITIES.indexOf(severity) > SEVERITIES.indexOf(worst) ? severity : worst),
        "none",
      ),
  );
}

/** The sheet: both eyes with the lashes as they will fall, over their skyline, at one true scale. */
export function MapPlate({
  facts,
  findings,
  view,
  chosen,
  onChoose,
  onDrag,
}: {
  facts: MapFacts;
  findings: readonly Finding[];
  view: View;
  chosen: ZoneRef | null;
  onChoose: (zone: ZoneRef) => void;
  onDrag: (zone: ZoneRef, wishMm: number, stroke: string, alone: boolean) => void;
}) {
  const [ref, width] = useWidth<HTMLDivElement>(900);
  const [only, setOnly] = useState<Side>("right");
  const narrow = width < NARROW_PX;
  const shownSide = narrow ? (chosen?.side ?? only) : null;
  const { survey, map } = facts;
  const plate = useMemo(() => layPlate(survey, view, width, shownSide), [survey, view, width, shownSide]);
  const longest = Math.max(
    12,
    ...SIDES.flatMap((side) => facts.zones[side].map((zone) => Math.max(zone.fibre?.lengthMm ?? 0, zone.limit.limitMm))),
  );
  const topMm = Math.ceil(longest) + 3;
  const skyTop = plate.eyeBottom + 26;
  const groundY = skyTop + topMm * plate.pxPerMm;
  const severities = useMemo(
    () => ({ right: severitiesOf(facts, findings, "right"), left: severitiesOf(facts, findings, "left") }),
    [facts, findings],
  );
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
            onChoose({ side, index: 0 });
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
          const eye = survey.eyes[place.side];
          return (
            <g key={place.side}>
              <MapEye facts={facts} place={place} pxPerMm={plate.pxPerMm} chosen={chosen} severities={severities[place.side]} />
              <text
                x={(place.from + place.to) / 2}
                y={turned ? 13 : plate.eyeBottom + 12}
                textAnchor="middle"
                fontSize="14"
                fill="var(--ink)"
              >
                {sideLabel(place.side)}
              </text>
              {(["pupil", "browPeak"] as const).map((key) => {
                const x = place.lineX(eye.landmarks[key] * eye.lashLineMm);
                return (
                  <g key={key} pointerEvents="none">
                    <line x1={x} x2={x} y1={skyTop} y2={groundY} stroke="var(--line-strong)" strokeDasharray="1.5 4" />
                    <text x={x} y={groundY + 35} textAnchor="middle" fontSize="12.5" fill="var(--ink-2)">
                      {key === "pupil" ? "pupil" : "brow"}
                    </text>
                  </g>
                );
              })}
              <Skyline
                place={place}
                eye={eye}
                zones={facts.zones[place.side]}
                severities={severities[place.side]}
                chosen={chosen}
                groundY={groundY}
                pxPerMm={plate.pxPerMm}
                topMm={topMm}
                onChoose={onChoose}
                onDrag={onDrag}
              />
            </g>
          );
        })}
        {plate.noseX ? <Nose x={plate.noseX} y={plate.eyeBottom / 2 + (turned ? -40 : 40)} length={38} turned={turned} /> : null}
        <title>{map.title}</title>
      </svg>
    </div>
  );
}

function MapEye({
  facts,
  place,
  pxPerMm,
  chosen,
  severities,
}: {
  facts: MapFacts;
  place: Parameters<typeof Eye>[0]["place"];
  pxPerMm: number;
  chosen: ZoneRef | null;
  severities: readonly (Severity | "none")[];
}) {
  const { map, survey } = facts;
  const zones = facts.zones[place.side];
  const worn = useCallback((at: number) => fibreAt(map, place.side, at), [map, place.side]);
  const chosenIndex = chosen?.side === place.side ? chosen.index : null;
  const inkAt = useCallback(
    (at: number): LashInk => {
      const index = zones.findIndex((zone) => at <= zone.to);
      return severities[index] === "stop" ? "stop" : index === chosenIndex ? "chosen" : "plain";
    },
    [zones, severities, chosenIndex],
  );
  return <Eye eye={survey.eyes[place.side]} place={place} pxPerMm={pxPerMm} fibreAt={worn} inkAt={inkAt} />;
}
