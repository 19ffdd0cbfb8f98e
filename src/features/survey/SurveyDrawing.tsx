"use client";
import { useMemo } from "react";
import { drawnNaturals, fieldOf, lidOutline, sideLabel, type Side, type Survey } from "@/core/eye";
import { Eye } from "@/features/drawing/Eye";
import { Nose } from "@/features/drawing/Nose";
import { layPlate } from "@/features/drawing/plate";
import { useWidth } from "@/ui";

const naturalsOf = (survey: Survey, side: Side) => drawnNaturals(fieldOf(survey, side), lidOutline(survey.eyes[side]));
const FIELD = { label: 22, profile: 120 };

/** Both eyes with the natural lashes just typed, and their lengths along the lash line. */
export function SurveyDrawing({ survey, stale }: { survey: Survey; stale: boolean }) {
  const [ref, width] = useWidth<HTMLDivElement>(720);
  const plate = useMemo(() => layPlate(survey, "facing", width, null, true), [survey, width]);
  const naturals = useMemo(() => ({ right: naturalsOf(survey, "right"), left: naturalsOf(survey, "left") }), [survey]);
  const ground = plate.eyeBottom + FIELD.profile + FIELD.label;
  const scale = Math.min(plate.pxPerMm, FIELD.profile / 14);
  return (
    <div ref={ref} style={{ opacity: stale ? 0.45 : 1 }}>
      <svg width={width} height={ground + 46} role="img" aria-label="Both eyes with the natural lashes of this survey, facing the client">
        {plate.eyes.map((place) => {
          const eye = survey.eyes[place.side];
          return (
            <g key={place.side}>
              <Eye eye={eye} place={place} pxPerMm={plate.pxPerMm} naturals={naturals[place.side]} faint={false} />
              <text x={(place.from + place.to) / 2} y={plate.eyeBottom + 8} textAnchor="middle" fontSize="14" fill="var(--ink)">
                {sideLabel(place.side)}
              </text>
              <line x1={place.from} x2={place.to} y1={ground} y2={ground} stroke="var(--line-strong)" />
              {(["pupil", "browPeak"] as const).map((key) => {
                const x = place.lineX(eye.landmarks[key] * eye.lashLineMm);
                return (
                  <g key={key}>
                    <line x1={x} x2={x} y1={ground - FIELD.profile} y2={ground + 5} stroke="var(--line-strong)" strokeDasharray="1.5 4" />
                    <text x={x} y={ground + 19} textAnchor="middle" fontSize="12.5" fill="var(--ink-2)">
                      {key === "pupil" ? "pupil" : "brow"}
                    </text>
                  </g>
                );
              })}
              {eye.points.map((point) => {
                const x = place.lineX(point.at * eye.lashLineMm);
                const top = ground - point.lengthMm * scale;
                return (
                  <g key={point.at}>
                    <line x1={x} x2={x} y1={ground} y2={top} stroke="var(--ivy)" strokeWidth="2" />
                    <line
                      x1={x}
                      x2={x}
                      y1={ground - (point.lengthMm - point.spreadMm) * scale}
                      y2={ground - (point.lengthMm + point.spreadMm) * scale}
                      stroke="var(--moss)"
                      strokeWidth="5"
                      strokeLinecap="round"
                    />
                    <text x={x} y={top - 11} textAnchor="middle" fontSize="14" fontWeight="600" fill="var(--ink)">
                      {Math.round(point.lengthMm * 10) / 10}
                    </text>
                  </g>
                );
              })}
            </g>
          );
        })}
        {plate.noseX ? <Nose x={plate.noseX} y={plate.eyeBottom - 44} length={34} turned={false} /> : null}
      </svg>
    </div>
  );
}
