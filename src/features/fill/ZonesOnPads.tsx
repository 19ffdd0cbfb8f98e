"use client";
import { useMemo, type ReactNode } from "react";
import { sideLabel, type Survey } from "@/core/eye";
import type { FoundZone } from "@/core/fill";
import type { Policy } from "@/core/policy";
import type { Tray } from "@/core/map";
import { EyesCanvas } from "@/features/drawing/EyesCanvas";
import { useCurls } from "@/features/drawing/useCurls";
import { layPlate, type EyePlace, type Plate } from "@/features/drawing/plate";
import { pointsOnPad, shownHeight } from "@/features/placing/onPlate";
import { useWidth } from "@/ui";

/** A zone of a layer as it is written on its pad. */
export type PadZone = FoundZone & {
  readonly from: number;
  readonly to: number;
  /** What is read from afar, and what stands small under it. */
  readonly big: string;
  readonly small: string;
  /** In words, for those who do not see it. */
  readonly says: string;
  readonly isDone: boolean;
};

/** Both pads side by side need so much room; below it one stands over the other, px. */
const BESIDE_FROM = 700;
/** How far past the longest fibre things are written, mm: the figure, the words under it, the edge of the zone. */
const RING = { big: 3.1, small: 0.7, edge: 5, name: 7 } as const;
const LONGEST_MM = 11;
/** Wider than this two eyes leave no room for what is asked under them, px. */
const WIDEST = 1040;

/**
 * Both closed eyes on their pads from the bed head with the zones of one layer to touch. `children` are painted over the
 * eyes of a plate, in the place of the natural lashes alone.
 */
export function ZonesOnPads({
  survey,
  trays,
  policy,
  zones,
  lit,
  label,
  onZone,
  children,
}: {
  survey: Survey;
  trays: readonly Tray[];
  policy: Policy;
  zones: readonly PadZone[];
  lit: FoundZone | null;
  label: string;
  onZone: ((zone: PadZone) => void) | null;
  children?: (plate: Plate) => ReactNode;
}) {
  const [ref, room] = useWidth<HTMLDivElement>(760);
  const width = Math.min(WIDEST, room);
  const plates = useMemo(() => {
    const options = { longestMm: LONGEST_MM };
    return width >= BESIDE_FROM
      ? [layPlate(survey, "pad", width, options)]
      : (["left", "right"] as const).map((only) => layPlate(survey, "pad", width, { ...options, only }));
  }, [survey, width]);
  const curlOf = useCurls({ trays, policy });
  return (
    <div ref={ref} role="group" aria-label={label}>
      {plates.map((plate) => {
        // What is painted instead may want the whole pad.
        const top = children ? 0 : topOf(plate);
        return (
          <div key={plate.eyes.map(({ side }) => side).join(" ")}>
            <div className="relative mx-auto overflow-hidden" style={{ width: plate.widthPx, height: shownHeight(plate, survey) - top }}>
              <div className="absolute left-0" style={{ top: -top, width: plate.widthPx, height: plate.eyeBottom }}>
                {children?.(plate) ?? (
                  <EyesCanvas plate={plate} survey={survey} map={null} curlOf={curlOf} offsetMm={policy.attachmentOffsetMm} />
                )}
                <svg width={plate.widthPx} height={plate.eyeBottom} className="absolute top-0 left-0 select-none">
                  {plate.eyes.map((place) => (
                    <OnePad
                      key={place.side}
                      place={place}
                      survey={survey}
                      zones={zones.filter(({ side }) => side === place.side)}
                      lit={lit?.side === place.side ? lit : null}
                      onZone={onZone}
                    />
                  ))}
                </svg>
              </div>
            </div>
          </div>
        );
      })}
    </div>
  );
}

function OnePad({
  place,
  survey,
  zones,
  lit,
  onZone,
}: {
  place: EyePlace;
  survey: Survey;
  zones: readonly PadZone[];
  lit: FoundZone | null;
  onZone: ((zone: PadZone) => void) | null;
}) {
  const at = useMemo(() => pointsOnPad(survey, place, 0), [survey, place]);
  const arc = (from: number, to: number, outMm: number) => Array.from({ length: 9 }, (_, i) => at(from + ((to - from) * i) / 8, outMm));
  const k = place.pxPerMm;
  const [nameX, nameY] = at(0.5, LONGEST_MM + RING.name);
  return (
    <g>
      <text x={nameX} y={nameY} dy="0.36em" textAnchor="middle" fontSize="15" fill="var(--ink-2)">
        {sideLabel(place.side)}
      </text>
      {zones.map((zone) => {
        const { from, to } = zone;
        const isLit = lit !== null && lit.layer === zone.layer && lit.zone === zone.zone;
        const sector = pathOf([...arc(from, to, 0), ...arc(from, to, LONGEST_MM + RING.edge).reverse()]);
        const [bx, by] = at((from + to) / 2, LONGEST_MM + RING.big);
        const [sx, sy] = at((from + to) / 2, LONGEST_MM + RING.small);
        // In a narrow zone the figure keeps to its own.
        const roomPx = (to - from) * survey.eyes[place.side].lashLineMm * k * 1.3;
        const bigPx = Math.max(15, Math.min(34, 2.6 * k, (1.5 * roomPx) / zone.big.length));
        const words = (
          <>
            <path
              d={sector}
              fill={isLit ? "var(--ivy)" : zone.isDone ? "var(--moss)" : "transparent"}
              fillOpacity={isLit ? 0.28 : zone.isDone ? 0.22 : 0}
              stroke="var(--ivy)"
              strokeWidth={isLit ? 2 : 0.8}
              strokeOpacity={isLit ? 1 : 0.5}
            />
            <text x={bx} y={by} dy="0.36em" textAnchor="middle" fontSize={bigPx} fontWeight="650" fill="var(--ink)">
              {zone.big}
            </text>
            <text x={sx} y={sy} dy="0.36em" textAnchor="middle" fontSize={Math.max(10.5, Math.min(14, 1.15 * k))} fill="var(--ink-2)">
              {zone.small}
            </text>
          </>
        );
        const key = `${zone.layer} ${zone.zone}`;
        return onZone ? (
          <g
            key={key}
            role="button"
            tabIndex={-1}
            aria-pressed={isLit}
            aria-label={`${sideLabel(zone.side)}, zone ${zone.zone}: ${zone.says}`}
            data-pad-zone={`${zone.side} ${zone.layer} ${zone.zone}`}
            className="cursor-pointer"
            onClick={() => onZone(zone)}
          >
            {words}
          </g>
        ) : (
          <g key={key} role="img" aria-label={`${sideLabel(zone.side)}, zone ${zone.zone}: ${zone.says}`}>
            {words}
          </g>
        );
      })}
    </g>
  );
}

/** Where the names over the pads begin, px. */
const topOf = ({ eyes }: Plate) => Math.min(...eyes.map(({ point }) => point([0, LONGEST_MM + RING.name])[1])) - 14;

const pathOf = (points: readonly (readonly [number, number])[]) =>
  `M${points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join("L")}Z`;
