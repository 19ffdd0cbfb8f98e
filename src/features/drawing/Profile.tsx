import { contactLengthMm, type Curl } from "@/core/curl";
import { attachedInPlane, fromSide, naturalInPlane, type InPlane, type LashShape, type Point2 } from "@/core/drawing";
import { spreadApart } from "@/core/units";

/** Labels at the tips stand so far apart, px. */
const LABEL_PX = 15;
const STEPS = 48;
/** All are drawn alike, whatever they are: a medium lash and a usual single, mm. */
const NATURAL_MM = 0.085;
const FIBRE_MM = 0.13;

const seen = (hair: InPlane) => fromSide({ row: 0 }, hair);

/** The first part of a path of equal stretches, at least one of them. */
const upTo = (points: readonly Point2[], share: number) => points.slice(0, Math.max(2, Math.round(share * (points.length - 1)) + 1));

export type ProfiledFibre = {
  readonly key: string;
  readonly label: string;
  readonly curl: Curl;
  readonly lengthMm: number;
  readonly ink: string;
  readonly dashed?: boolean;
  /** How far growth has moved its attachment out, mm. */
  readonly movedOutMm?: number;
};

/**
 * Lashes from the side at true proportion: the lid, the usual natural lash, and fibres as they leave it. The stretch over
 * which a fibre lies against the lash is drawn thick.
 */
export function Profile({
  natural,
  offsetMm,
  fibres,
  width = 300,
  label,
}: {
  natural: { readonly angleDeg: number; readonly ownCurlDeg: number; readonly meanMm: number };
  /** Gap at the lid, mm. */
  offsetMm: number;
  fibres: readonly ProfiledFibre[];
  width?: number;
  label: string;
}) {
  const lash: LashShape = {
    lengthMm: natural.meanMm,
    angleDeg: natural.angleDeg,
    ownCurlDeg: natural.ownCurlDeg,
    diameterMm: NATURAL_MM,
  };
  const own = seen(naturalInPlane(lash, STEPS));
  const drawn = fibres.map((fibre) => {
    const worn = { lengthMm: fibre.lengthMm, diameterMm: FIBRE_MM, count: 1 };
    const path = seen(
      attachedInPlane({ lash, fibre: worn, curl: fibre.curl, offsetMm: offsetMm + (fibre.movedOutMm ?? 0), steps: STEPS })[0]!,
    );
    const contact = contactLengthMm(fibre.curl, fibre.lengthMm, natural.ownCurlDeg, natural.meanMm);
    return { ...fibre, path, touching: upTo(path, contact / fibre.lengthMm) };
  });
  const all = [...own, ...drawn.flatMap(({ path }) => path)];
  // Room at the right for the labels at the tips and the scale past them.
  const reach = Math.max(8, ...all.map(([reach]) => reach)) + 3.2;
  const back = Math.min(0, ...all.map(([reach]) => reach)) - 4;
  const top = Math.max(4, ...all.map(([, lift]) => lift)) + 1.2;
  const bottom = Math.min(-2.2, ...all.map(([, lift]) => lift)) - 0.6;
  const k = Math.min(width / (reach - back), 20);
  const height = (top - bottom) * k;
  const x = (mm: number) => (mm - back) * k;
  const y = (mm: number) => (top - mm) * k;
  const path = (points: readonly Point2[]) => `M${points.map(([reach, lift]) => `${x(reach).toFixed(1)} ${y(lift).toFixed(1)}`).join("L")}`;
  // A figure at the very top would be cut off.
  const grid = Array.from({ length: Math.floor((top - 12 / k) / 2) + 1 }, (_, i) => i * 2);
  const tips = drawn.map(({ key, path }) => ({ key, y: y(path.at(-1)![1]) + 4 })).sort((a, b) => a.y - b.y);
  const labelY = Object.fromEntries(
    spreadApart(
      tips.map((tip) => tip.y),
      LABEL_PX,
    ).map((at, i) => [tips[i]!.key, Math.max(LABEL_PX, at)]),
  );
  return (
    <svg width={width} height={height} role="img" aria-label={label} className="max-w-full">
      {grid.map((mm) => (
        <g key={mm}>
          <line x1={x(0)} x2={width} y1={y(mm)} y2={y(mm)} stroke="var(--line)" />
          <text x={width - 2} y={y(mm) - 3} textAnchor="end" fontSize="11" fill="var(--ink-2)">
            {mm === 0 ? "lid" : mm}
          </text>
        </g>
      ))}
      {/* The eye's front and the lid that lies on it, root of the lash at 0, 0. */}
      <path
        d={`M${x(-1.1)} ${y(bottom)}C${x(0.35)} ${y(-1.4)} ${x(0.3)} ${y(-0.3)} ${x(0)} ${y(0)}C${x(-0.3)} ${y(0.9)} ${x(-0.6)} ${y(2.2)} ${x(-2.6)} ${y(top)}`}
        fill="none"
        stroke="var(--lid)"
        strokeWidth="2"
      />
      <path
        d={path(own)}
        fill="none"
        stroke="var(--ink-2)"
        strokeWidth={Math.max(1.5, NATURAL_MM * k)}
        strokeLinecap="round"
        opacity="0.7"
      />
      {drawn.map((fibre) => (
        <g key={fibre.key}>
          <path
            d={path(fibre.touching)}
            fill="none"
            stroke={fibre.ink}
            strokeWidth={Math.max(4, 0.3 * k)}
            strokeLinecap="round"
            opacity="0.45"
          />
          <path
            d={path(fibre.path)}
            fill="none"
            stroke={fibre.ink}
            strokeWidth={Math.max(1.75, FIBRE_MM * k)}
            strokeLinecap="round"
            strokeDasharray={fibre.dashed ? "5 4" : undefined}
          />
          <text
            x={x(fibre.path.at(-1)![0]) + 5}
            y={labelY[fibre.key]}
            fontSize="12.5"
            fontWeight="600"
            fill={fibre.ink}
            stroke="var(--paper)"
            strokeWidth="3"
            paintOrder="stroke"
          >
            {fibre.label}
          </text>
        </g>
      ))}
    </svg>
  );
}
