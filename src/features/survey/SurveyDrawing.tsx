"use client";
import { useMemo } from "react";
import { CURLS } from "@/core/curl";
import { azimuthAt, sideLabel, type Survey } from "@/core/eye";
import { EyesCanvas } from "@/features/drawing/EyesCanvas";
import { Nose } from "@/features/drawing/Nose";
import { layPlate } from "@/features/drawing/plate";
import { degToRad } from "@/core/units";
import { useWidth } from "@/ui";

/** Nothing is worn: no curl is ever asked for. */
const noCurl = () => CURLS.C;
/** How long the line is that shows which way lashes leave by. */
const SPLAY_PX = 22;
const FIELD = { label: 22, profile: 120 };

/** Both eyes with the natural lashes just typed, and their lengths along the lash line. */
export function SurveyDrawing({ survey, stale }: { survey: Survey; stale: boolean }) {
  const [ref, width] = useWidth<HTMLDivElement>(720);
  const plate = useMemo(() => layPlate(survey, "mirror", width), [survey, width]);
  const ground = plate.eyeBottom + FIELD.profile + FIELD.label;
  const scale = Math.min(plate.pxPerMm, FIELD.profile / 14);
  return (
    <div ref={ref} className="relative isolate" style={{ opacity: stale ? 0.45 : 1 }}>
      <div className="eye-glass absolute top-0 left-0 -z-10" style={{ width, height: plate.eyeBottom }}>
        <EyesCanvas plate={plate} survey={survey} map={null} curlOf={noCurl} offsetMm={0} />
      </div>
      <svg
        width={width}
        height={ground + 62}
        role="img"
        aria-label="Both eyes with the natural lashes of this survey, in the mirror, and their lengths along the lash line"
      >
        {plate.eyes.map((place) => {
          const eye = survey.eyes[place.side];
          const splayAt = azimuthAt(eye);
          return (
            <g key={place.side}>
              <text x={(place.from + place.to) / 2} y={plate.eyeBottom + 16} textAnchor="middle" fontSize="14" fill="var(--ink)">
                {sideLabel(place.side)}
              </text>
              <line x1={place.from} x2={place.to} y1={ground} y2={ground} stroke="var(--line-strong)" />
              {(["pupil", "browPeak"] as const).map((key) => {
                const x = place.lineX(eye.landmarks[key] * eye.lashLineMm);
                return (
                  <g key={key}>
                    <line x1={x} x2={x} y1={ground - FIELD.profile} y2={ground + 5} stroke="var(--line-strong)" strokeDasharray="1.5 4" />
                    <text x={x} y={ground + 56} textAnchor="middle" fontSize="12.5" fill="var(--ink-2)">
                      {key === "pupil" ? "pupil" : "brow"}
                    </text>
                  </g>
                );
              })}
              {eye.points.map((point) => {
                const angle = degToRad(splayAt(point.at));
                const out = Math.sign(place.lineX(1) - place.lineX(0));
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
                    {/* The way lashes leave by there, seen from above: straight ahead is straight down. */}
                    <line
                      x1={x}
                      x2={x + out * Math.sin(angle) * SPLAY_PX}
                      y1={ground + 12}
                      y2={ground + 12 + Math.cos(angle) * SPLAY_PX}
                      stroke="var(--ink-2)"
                      strokeWidth="2"
                      strokeLinecap="round"
                      strokeDasharray={point.splayDeg === undefined ? "0.5 4" : undefined}
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
        {plate.noseX ? <Nose x={plate.noseX} y={plate.eyeBottom - 44} length={34} turned={false} ink="var(--on-glass)" /> : null}
      </svg>
    </div>
  );
}
