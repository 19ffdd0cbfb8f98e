"use client";
import { lashProfile, type ZoneTurn } from "@/core/lift";
import { naturalLashAt, type EyeSurvey } from "@/core/eye";

const SCALE = 12.2;
const AT = [0.08, 0.28, 0.5, 0.74, 0.93];

/** Lashes from the side, zone by zone: as they lie now, round the shield, and as they will be after release. */
export function LiftProfile({ zones, eye }: { zones: readonly ZoneTurn[]; eye: EyeSurvey | null }) {
  const lashAt = eye ? naturalLashAt(eye) : null;
  const width = 152;
  const height = 206;
  const path = (points: readonly { reachMm: number; liftMm: number }[]) =>
    points
      .map(({ reachMm, liftMm }, i) => `${i ? "L" : "M"}${(34 + reachMm * SCALE).toFixed(1)} ${(128 - liftMm * SCALE).toFixed(1)}`)
      .join("");
  return (
    <figure aria-label="Lashes from the side, before and after">
      <div className="flex flex-wrap gap-x-1">
        {zones.map(({ zone, rawDeg, kept, verdict, shortKeptDeg }, i) => {
          const natural = lashAt?.(AT[i]!);
          const root = natural?.angleDeg ?? 0;
          const curlDeg = natural?.ownCurlDeg ?? 0;
          const shown = verdict === "good" ? "var(--ivy)" : verdict === "little" ? "var(--brass)" : "var(--rosehip)";
          return (
            <svg
              key={zone.name}
              viewBox={`0 22 ${width} ${height - 22}`}
              className="w-[19%] min-w-28"
              role="img"
              aria-label={`${zone.name}: kept turn ${Math.round(kept.mid)}°`}
            >
              <path d="M4 118C14 112 26 118 34 128C26 137 12 140 4 138Z" fill="var(--lid)" opacity="0.55" />
              <path
                d={path(lashProfile(zone.lengthMm, curlDeg, root))}
                fill="none"
                stroke="var(--line-strong)"
                strokeWidth="2"
                strokeDasharray="4 3"
              />
              <path d={path(lashProfile(zone.lengthMm, rawDeg, root))} fill="none" stroke="var(--moss)" strokeWidth="1.5" />
              <path d={path(lashProfile(zone.shortMm, shortKeptDeg, root))} fill="none" stroke={shown} strokeWidth="1.25" opacity="0.7" />
              <path
                d={path(lashProfile(zone.lengthMm, kept.mid, root))}
                fill="none"
                stroke={shown}
                strokeWidth="3.5"
                strokeLinecap="round"
              />
              <text x="4" y="160" className="fill-ink text-[0.9375rem] font-semibold">
                {zone.name}
              </text>
              <text x="4" y="179" className="fill-ink-2 text-[0.875rem]">
                {zone.lengthMm.toFixed(1)} mm, {Math.round(rawDeg)}° on it
              </text>
              <text x="4" y="198" className="fill-ink-2 text-[0.875rem]">
                keeps <tspan className="fill-ink font-semibold">{Math.round(kept.mid)}°</tspan>
              </text>
            </svg>
          );
        })}
      </div>
      <figcaption className="mt-1 flex flex-wrap gap-x-5 text-sm text-ink-2">
        <Line dash="4 3" colour="var(--line-strong)" words="now" />
        <Line colour="var(--moss)" words="round the shield" />
        <Line thick colour="var(--ivy)" words="after release, shorter lashes thin" />
      </figcaption>
    </figure>
  );
}

function Line({ colour, dash, thick, words }: { colour: string; dash?: string; thick?: boolean; words: string }) {
  return (
    <span className="inline-flex items-center gap-1.5">
      <svg width="26" height="8" aria-hidden="true">
        <line x1="1" x2="25" y1="4" y2="4" stroke={colour} strokeWidth={thick ? 3.5 : 2} strokeDasharray={dash} />
      </svg>
      {words}
    </span>
  );
}
