import { useId } from "react";
import { bladeOutline, fromSide, LID_MM, naturalBlades, openEye, wornBlades, type Blade, type Point2 } from "@/core/drawing";
import { liftAndReach } from "@/core/curl";
import { fieldOf, naturalLashAt, sideLabel, type Side } from "@/core/eye";
import { fibreAt, fibreCurl, kindLabel, landmarksOf, placements, type MapFacts } from "@/core/map";
import { formatMm } from "@/core/units";

/** So far to either side of the place its lashes are drawn, as a fraction of the lash line. */
const ABOUT = 0.035;
/** Room behind the roots for the eye, and over and under them, mm. */
const ROOM = { back: 9, over: 14, under: 7, before: 14 } as const;
const LID_UP_MM = 9;
/** Fibres are drawn large here: in so many stretches. */
const STEPS = 32;

/** One eye from the side at a place of its lash line: the globe, its lids, and the lashes that stand there. */
export function SideView({
  facts,
  side,
  at,
  box,
}: {
  facts: MapFacts;
  side: Side;
  at: number;
  /** Room on the sheet, px. */
  box: { readonly from: number; readonly to: number; readonly bottom: number };
}) {
  const id = useId();
  const { map, survey, trays, policy } = facts;
  const eye = openEye({ ...survey.eyes[side], landmarks: landmarksOf(map, survey, side) });
  const [x, y, z] = eye.marginAt(at);
  const k = Math.min((box.to - box.from) / (ROOM.back + ROOM.before), (box.bottom - 34) / (ROOM.over + ROOM.under));
  // The client's right looks to the right of the sheet, the left to the left: both towards the nose.
  const way = side === "right" ? 1 : -1;
  const middle = (box.from + box.to) / 2;
  const rootX = middle - way * ((ROOM.before - ROOM.back) / 2) * k;
  const rootY = ROOM.over * k + 8;
  const point = ([reach, lift]: Point2): Point2 => [rootX + way * reach * k, rootY - lift * k];
  const path = (points: readonly Point2[]) =>
    points
      .map(point)
      .map(([px, py], i) => `${i ? "L" : "M"}${px.toFixed(1)} ${py.toFixed(1)}`)
      .join("");
  // The globe cut through here, from the root: a round of this radius about this middle.
  const [cx, cy] = eye.globe.centre;
  const radius = Math.sqrt(Math.max(4, eye.globe.radiusMm ** 2 - (x - cx) ** 2));
  const centre: Point2 = [-z, cy - y];
  const onGlobe = (lift: number, out = 0): Point2 => {
    const dy = Math.max(-radius, Math.min(radius, lift - centre[1]));
    return [centre[0] + Math.sqrt(Math.max(0, radius ** 2 - dy ** 2)) + out, lift];
  };
  const run = (from: number, to: number, out: number) => Array.from({ length: 15 }, (_, i) => onGlobe(from + ((to - from) * i) / 14, out));
  const lowerLift = Math.max(-ROOM.under + 3, eye.lower.reduce((a, b) => (Math.abs(b[0] - x) < Math.abs(a[0] - x) ? b : a))[1] - y);
  const near = ({ at: there }: { at: number }) => Math.abs(there - at) <= ABOUT;
  const worn = placements(map, survey, side).filter(({ lash }) => near(lash));
  const naturals = naturalBlades(fieldOf(survey, side).filter(near), fromSide);
  const wearing = {
    curlOf: (fibre: Parameters<typeof fibreCurl>[0]) => fibreCurl(fibre, trays, policy),
    offsetMm: policy.attachmentOffsetMm,
    steps: STEPS,
  };
  const extensions = wornBlades(
    worn.flatMap(({ lash, worn: on }) => (on ? [{ lash, fibre: on.fibre }] : [])),
    wearing,
    fromSide,
  );
  const fibre = fibreAt(map, side, at);
  const on = fibre && liftAndReach(wearing.curlOf(fibre), fibre.lengthMm, naturalLashAt(survey.eyes[side])(at).angleDeg);
  const words =
    fibre && on
      ? `${formatMm(fibre.lengthMm)} ${kindLabel(fibre)} lifts ${on.liftMm.toFixed(1)} mm, reaches ${on.reachMm.toFixed(1)}`
      : "bare here";
  const grid = [0, 4, 8, 12];
  const { iris } = eye;
  const backX = point([-ROOM.back, 0])[0];
  return (
    <g role="img" aria-label={`${sideLabel(side)} from the side: ${words}`}>
      {grid.map((mm) => {
        const [, gy] = point([0, mm]);
        return (
          <g key={mm}>
            <line x1={box.from} x2={box.to} y1={gy} y2={gy} stroke="var(--line)" />
            <text x={way === 1 ? box.to : box.from} y={gy - 3} textAnchor={way === 1 ? "end" : "start"} fontSize="11.5" fill="var(--ink-2)">
              {mm === 0 ? "lid" : `${mm} mm`}
            </text>
          </g>
        );
      })}
      <defs>
        <linearGradient id={`${id}-white`} gradientUnits="userSpaceOnUse" x1={backX} x2={point(onGlobe(0))[0]} y1="0" y2="0">
          <stop offset="0" stopColor="var(--white-of-eye)" stopOpacity="0" />
          <stop offset="0.6" stopColor="var(--white-of-eye)" />
        </linearGradient>
        <linearGradient
          id={`${id}-lid`}
          gradientUnits="userSpaceOnUse"
          x1="0"
          x2="0"
          y1={point([0, LID_UP_MM])[1]}
          y2={point([0, LID_UP_MM * 0.4])[1]}
        >
          <stop offset="0" stopColor="var(--lid)" stopOpacity="0" />
          <stop offset="1" stopColor="var(--lid)" stopOpacity="0.6" />
        </linearGradient>
        <linearGradient
          id={`${id}-lower`}
          gradientUnits="userSpaceOnUse"
          x1="0"
          x2="0"
          y1={point([0, lowerLift])[1]}
          y2={point([0, -ROOM.under])[1]}
        >
          <stop offset="0" stopColor="var(--lid)" stopOpacity="0.6" />
          <stop offset="1" stopColor="var(--lid)" stopOpacity="0" />
        </linearGradient>
      </defs>
      <path d={`${path(run(LID_UP_MM, -ROOM.under, 0))}H${backX}V${point([0, LID_UP_MM])[1]}Z`} fill={`url(#${id}-white)`} />
      <path d={path(run(0.1, lowerLift, 0))} fill="none" stroke="var(--line-strong)" strokeWidth="1.25" />
      <path
        d={path(run(Math.min(0, iris.y + iris.radius - y), iris.y - iris.radius - y, -0.1))}
        fill="none"
        stroke="var(--iris)"
        strokeWidth={0.4 * k}
      />
      <path d={path(run(LID_UP_MM, 0, LID_MM / 2))} fill="none" stroke={`url(#${id}-lid)`} strokeWidth={LID_MM * k} />
      <path d={path(run(lowerLift, -ROOM.under, LID_MM / 2))} fill="none" stroke={`url(#${id}-lower)`} strokeWidth={LID_MM * k} />
      <Blades blades={naturals} point={point} k={k} ink="var(--ink-2)" opacity={0.6} />
      <Blades blades={extensions} point={point} k={k} ink="var(--ink)" opacity={0.92} />
      <text x={middle} y={box.bottom - 6} textAnchor="middle" fontSize="13" fill="var(--ink-2)">
        {words}
      </text>
    </g>
  );
}

function Blades({
  blades,
  point,
  k,
  ink,
  opacity,
}: {
  blades: readonly Blade[];
  point: (p: Point2) => Point2;
  k: number;
  ink: string;
  opacity: number;
}) {
  const d = blades
    .map((blade) => {
      const outline = bladeOutline({ ...blade, points: blade.points.map(point), widthMm: blade.widthMm * k }, 1, 0.8);
      let path = "";
      for (let i = 0; i < outline.length; i += 2) path += `${i ? "L" : "M"}${outline[i]!.toFixed(1)} ${outline[i + 1]!.toFixed(1)}`;
      return `${path}Z`;
    })
    .join("");
  return <path d={d} fill={ink} opacity={opacity} />;
}
