"use client";
import { wrap } from "comlink";
import { area, curveStepAfter, line, scaleLinear } from "d3";
import { useEffect, useMemo, useState } from "react";
import { naturalSurvival } from "@/core/growth";
import { FACTORS, isLearnedFrom, type CountedFill, type CurvePoint } from "@/core/retention";
import { counted, formatPercent } from "@/core/units";
import { Button, SelectField, useWidth } from "@/ui";
import type { RetentionWorker } from "@/workers/retention.worker";
import { curvesCsv, type LevelCurve } from "./curvesCsv";
import type { RetentionData } from "./data";

const INKS = [
  { ink: "var(--ivy)", dash: undefined },
  { ink: "var(--rosehip)", dash: "7 4" },
  { ink: "var(--brass)", dash: "2 4" },
  { ink: "var(--ink-2)", dash: "10 3 2 3" },
] as const;
/** Fewer fills than this make no curve. */
const LEAST_FILLS = 8;
const HEIGHT = 300;
const LAST_DAY = 42;
const ALL = "all";

/** How many are on by each day, by any one thing that was asked: curves with bands, the same as a table, and as CSV. */
export function SurvivalPanel({ data }: { data: RetentionData }) {
  const [by, setBy] = useState<string>(ALL);
  const [curves, setCurves] = useState<{ readonly by: string; readonly of: readonly LevelCurve[] } | null>(null);
  const groups = useMemo(() => groupsOf(data, by), [data, by]);
  useEffect(() => {
    const worker = new Worker(new URL("../../workers/retention.worker.ts", import.meta.url), { type: "module" });
    const remote = wrap<RetentionWorker>(worker);
    let isOver = false;
    void Promise.all(
      groups.map(async ({ label, fills }) => ({
        label,
        fills: fills.length,
        clients: new Set(fills.map(({ clientId }) => clientId)).size,
        points: await remote.curve(fills),
      })),
    ).then((of) => {
      if (!isOver) setCurves({ by, of });
    });
    return () => {
      isOver = true;
      worker.terminate();
    };
  }, [groups, by]);
  const shown = curves?.by === by ? curves.of : null;
  const save = () => {
    if (!shown) return;
    const url = URL.createObjectURL(new Blob([curvesCsv(shown)], { type: "text/csv" }));
    const link = Object.assign(document.createElement("a"), { href: url, download: `retention-by-${by}.csv` });
    link.click();
    URL.revokeObjectURL(url);
  };
  return (
    <section aria-labelledby="curves" className="mt-10 border-t border-line pt-5">
      <div className="flex flex-wrap items-end gap-x-5 gap-y-2">
        <h2 id="curves" className="mr-auto text-2xl">
          How many are on by each day
        </h2>
        <div className="w-64">
          <SelectField label="By" value={by} onChange={(event) => setBy(event.target.value)}>
            <option value={ALL}>all sets together</option>
            {FACTORS.map(({ id, label }) => (
              <option key={id} value={id}>
                {label}
              </option>
            ))}
          </SelectField>
        </div>
        <Button tone="line" disabled={!shown || shown.length === 0} onClick={save}>
          Save as CSV
        </Button>
      </div>
      <p className="mt-1 max-w-3xl text-[0.9375rem] text-ink-2">
        A count says how many were left by that day, not when the others went: falling steps, with the band that holds them in 95 of 100.
        Dotted: what nature alone would leave. Other things differ too between these sets; the reckoning above allows for them.
      </p>
      {groups.length === 0 ? (
        <p className="mt-4">Fewer than {LEAST_FILLS} fills each way: no curve yet.</p>
      ) : (
        <div className="mt-3 min-h-[300px]">{shown ? <Curves curves={shown} cycleDays={data.supposed.cycleDays} /> : <p>Drawing…</p>}</div>
      )}
      {shown && shown.length > 0 ? (
        <details className="mt-2">
          <summary className="cursor-pointer py-1 font-semibold">The same as a table</summary>
          <CurveTable curves={shown} />
        </details>
      ) : null}
    </section>
  );
}

function groupsOf({ fills, names }: RetentionData, by: string): { label: string; fills: CountedFill[] }[] {
  const learned = fills.filter(isLearnedFrom);
  const asCounted = (some: typeof learned): CountedFill[] =>
    some.map(({ left, worn, days, clientId }) => ({ left, worn, clientId, days: Math.round(days) }));
  if (by === ALL) return learned.length >= LEAST_FILLS ? [{ label: "all sets", fills: asCounted(learned) }] : [];
  const factor = FACTORS.find(({ id }) => id === by)!;
  const ids = factor.levels?.map(({ id }) => id) ?? [...new Set(learned.flatMap((fill) => factor.levelOf(fill) ?? []))];
  return ids.flatMap((id) => {
    const some = learned.filter((fill) => factor.levelOf(fill) === id);
    const label = factor.levels?.find((level) => level.id === id)?.label ?? names[id] ?? id;
    return some.length >= LEAST_FILLS ? [{ label, fills: asCounted(some) }] : [];
  });
}

function Curves({ curves, cycleDays }: { curves: readonly LevelCurve[]; cycleDays: number }) {
  const [ref, width] = useWidth<HTMLDivElement>(900);
  const isNarrow = width < 640;
  const rightPx = isNarrow ? 12 : 250;
  const x = scaleLinear([0, LAST_DAY], [46, width - rightPx]);
  const y = scaleLinear([0, 1], [HEIGHT - 30, 12]);
  const drawn = curves
    .slice(0, INKS.length)
    .map((curve, i) => ({ ...curve, ...INKS[i]!, points: curve.points.filter(({ days }) => days <= LAST_DAY) }));
  const nature = Array.from({ length: LAST_DAY + 1 }, (_, day) => day);
  const naturePath =
    line<number>(
      (day) => x(day),
      (day) => y(naturalSurvival(day, 0, cycleDays)),
    )(nature) ?? "";
  const stepped = line<CurvePoint>(
    (p) => x(p.days),
    (p) => y(p.share),
  ).curve(curveStepAfter);
  const band = area<CurvePoint>(
    (p) => x(p.days),
    (p) => y(p.low!),
    (p) => y(p.high!),
  )
    .curve(curveStepAfter)
    .defined(({ low }) => low !== null);
  // Labels at the ends of the curves, apart from one another.
  const ends = drawn.map((curve, i) => ({ i, y: y(curve.points.at(-1)?.share ?? 1) })).sort((a, b) => a.y - b.y);
  const labelY: number[] = [];
  ends.forEach(({ i, y: at }, rank) => (labelY[i] = Math.max(at, rank === 0 ? 0 : labelY[ends[rank - 1]!.i]! + 34)));
  return (
    <div ref={ref}>
      <svg width={width} height={HEIGHT} role="img" aria-label="Share of extensions still on by day; the same stands in the table below">
        {[0, 0.2, 0.4, 0.6, 0.8, 1].map((share) => (
          <g key={share}>
            <line x1={x(0)} x2={x(LAST_DAY)} y1={y(share)} y2={y(share)} stroke="var(--line)" />
            <text x={40} y={y(share)} dy="0.35em" textAnchor="end" fontSize="12.5" fill="var(--ink-2)">
              {formatPercent(share)}
            </text>
          </g>
        ))}
        {[0, 7, 14, 21, 28, 35, 42].map((day) => (
          <text key={day} x={x(day)} y={HEIGHT - 8} textAnchor="middle" fontSize="12.5" fill="var(--ink-2)">
            {day === 0 ? "placed" : isNarrow && day % 14 ? "" : `${day} days`}
          </text>
        ))}
        <path d={naturePath} fill="none" stroke="var(--moss)" strokeWidth="2" strokeDasharray="1 5" strokeLinecap="round" />
        {drawn.map(({ label, points, ink }) => (
          <path key={label} d={band(points) ?? ""} fill={ink} opacity="0.13" />
        ))}
        {drawn.map(({ label, points, ink, dash }, i) => (
          <g key={label} data-curve={label}>
            <path d={stepped(points) ?? ""} fill="none" stroke={ink} strokeWidth="2.5" strokeDasharray={dash} />
            {isNarrow ? null : (
              <text x={x(LAST_DAY) + 12} y={labelY[i]} fontSize="14" fontWeight="600" fill={ink}>
                {label}
                <tspan x={x(LAST_DAY) + 12} dy="16" fontSize="12.5" fontWeight="400" fill="var(--ink-2)">
                  {counted(curves[i]!.fills, "fill")} of {counted(curves[i]!.clients, "client")}
                </tspan>
              </text>
            )}
          </g>
        ))}
      </svg>
      {isNarrow ? (
        <ul className="mt-1 text-sm">
          {drawn.map(({ label, ink }, i) => (
            <li key={label} style={{ color: ink }} className="font-semibold">
              {label}, {counted(curves[i]!.fills, "fill")}
            </li>
          ))}
        </ul>
      ) : null}
    </div>
  );
}

function CurveTable({ curves }: { curves: readonly LevelCurve[] }) {
  return (
    <div className="mt-1 max-h-96 overflow-auto">
      <table className="w-full max-w-3xl text-left text-[0.9375rem] tabular-nums">
        <thead>
          <tr className="border-b border-line-strong">
            {["", "day", "still on", "at least", "at most", "fills"].map((head) => (
              <th key={head} className="py-1 pr-6 font-semibold">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {curves.flatMap(({ label, points }) =>
            points.map(({ days, share, low, high, fills }) => (
              <tr key={`${label} ${days}`} className="border-b border-line">
                <td className="py-0.5 pr-6">{label}</td>
                <td className="pr-6">{days}</td>
                <td className="pr-6">{formatPercent(share)}</td>
                <td className="pr-6">{low === null ? "–" : formatPercent(low)}</td>
                <td className="pr-6">{high === null ? "–" : formatPercent(high)}</td>
                <td className="pr-6">{fills}</td>
              </tr>
            )),
          )}
        </tbody>
      </table>
    </div>
  );
}
