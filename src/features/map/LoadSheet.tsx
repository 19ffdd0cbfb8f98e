"use client";
import { useMemo, useState } from "react";
import { area, curveStepAfter, line } from "d3";
import {
  eyesInView,
  heaviestOf,
  innerCornerOnRight,
  loadBands,
  type LoadDay,
  type LoadQuantity,
  type MapFacts,
  type View,
  ZONE_WORDS,
  zoneLoad,
} from "@/core/map";
import { sideLabel, type Side } from "@/core/eye";
import { formatMm } from "@/core/units";
import { Choice, useWidth } from "@/ui";

const DAYS: readonly { readonly value: LoadDay; readonly label: string }[] = [
  { value: "resting", label: "day 0" },
  { value: "day14", label: "day 14" },
  { value: "growing", label: "day 21" },
];
const HEIGHT = 150;

/** What the lashes are asked to carry along the lash line: index, moment, mass, today and grown; the worst lash named. */
export function LoadSheet({ facts, view }: { facts: MapFacts; view: View }) {
  const [ref, width] = useWidth<HTMLDivElement>(800);
  const [quantity, setQuantity] = useState<LoadQuantity>("index");
  const [day, setDay] = useState<LoadDay>("growing");
  const worst = useMemo(() => heaviestOf(facts), [facts]);
  const { policy } = facts;
  const bands = quantity === "index" ? loadBands(facts, day) : null;
  const top =
    Math.max(
      bands ? bands.red * 1.25 : 0,
      ...sides(facts).flatMap((side) => facts.layers[side].flat().map((zone) => zoneLoad(zone, quantity, day, facts.policy))),
    ) * 1.08 || 1;
  const half = (width - 46) / 2 - 12;
  return (
    <div ref={ref}>
      <div className="flex flex-wrap gap-x-8 gap-y-1">
        <Choice
          label="Show"
          value={quantity}
          options={[
            { value: "index", label: "load index" },
            { value: "moment", label: "moment" },
            { value: "mass", label: "mass" },
          ]}
          onChange={setQuantity}
        />
        <Choice label="on" value={day} options={DAYS} onChange={setDay} disabled={quantity === "mass"} />
      </div>
      <svg
        width={width}
        height={HEIGHT + 42}
        role="img"
        aria-label={`${quantity} along both lash lines, ${DAYS.find(({ value }) => value === day)!.label}`}
        className="mt-2"
      >
        <defs>
          <pattern id="load-amber" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <rect width="7" height="7" fill="var(--brass-soft)" />
            <line x1="0" x2="0" y1="0" y2="7" stroke="var(--brass)" strokeWidth="1" opacity="0.5" />
          </pattern>
          <pattern id="load-red" width="6" height="6" patternUnits="userSpaceOnUse">
            <rect width="6" height="6" fill="var(--rosehip-soft)" />
            <path d="M0 0l6 6M6 0l-6 6" stroke="var(--rosehip)" strokeWidth="0.8" opacity="0.5" />
          </pattern>
        </defs>
        {eyesInView(view).map((side, i) => (
          <EyeLoad
            key={side}
            facts={facts}
            side={side}
            x0={i === 0 ? 40 : 40 + half + 24}
            width={half}
            turned={innerCornerOnRight(side, view)}
            top={top}
            bands={bands}
            quantity={quantity}
            day={day}
          />
        ))}
        <text x={34} y={14} textAnchor="end" fontSize="12" fill="var(--ink-2)">
          {quantity === "index" ? `${top.toFixed(1)} ×` : quantity === "moment" ? `${top.toFixed(1)}` : `${top.toFixed(2)}`}
        </text>
        <text x={34} y={HEIGHT + 4} textAnchor="end" fontSize="12" fill="var(--ink-2)">
          {quantity === "index" ? "0" : quantity === "moment" ? "0 mg·mm" : "0 mg"}
        </text>
      </svg>
      <p className="text-[0.9375rem]">
        {worst ? (
          <>
            <b>
              Worst: {sideLabel(worst.side)}, {ZONE_WORDS[worst.role]} {worst.index + 1}.
            </b>{" "}
            {worst.resting.toFixed(2)} × the ordinary classic lash today, {worst.day14.toFixed(2)} × at day 14 and{" "}
            {worst.growing.toFixed(2)} × at day 21 on lashes still growing; a resting lash stays at {worst.resting.toFixed(2)} ×.
          </>
        ) : (
          "Nothing is worn."
        )}
      </p>
      <p className="mt-1 text-sm text-ink-2">
        {bands
          ? `Hatched from ${bands.amber.toFixed(2)} ×: look. Crossed from ${bands.red.toFixed(2)} ×: stop.${day === "resting" ? "" : " Later days are judged with both raised by a third."} `
          : `Gap at the lid ${formatMm(policy.attachmentOffsetMm)} mm. `}
        A comparison with 0.15 × 12 on a medium lash, a model of ours, not a strength.
      </p>
    </div>
  );
}

const sides = (facts: MapFacts) => Object.keys(facts.layers) as Side[];

function EyeLoad({
  facts,
  side,
  x0,
  width,
  turned,
  top,
  bands,
  quantity,
  day,
}: {
  facts: MapFacts;
  side: Side;
  x0: number;
  width: number;
  turned: boolean;
  top: number;
  bands: { amber: number; red: number } | null;
  quantity: LoadQuantity;
  day: LoadDay;
}) {
  const x = (at: number) => x0 + (turned ? 1 - at : at) * width;
  const y = (value: number) => 6 + (1 - value / top) * (HEIGHT - 6);
  const clip = `load-${side}`;
  return (
    <g>
      <text x={x0 + width / 2} y={HEIGHT + 36} textAnchor="middle" fontSize="13" fill="var(--ink)">
        {sideLabel(side)}
      </text>
      <clipPath id={clip}>
        <rect x={x0} y={0} width={width} height={HEIGHT} />
      </clipPath>
      <line x1={x0} x2={x0 + width} y1={HEIGHT} y2={HEIGHT} stroke="var(--line-strong)" />
      {bands ? (
        <g clipPath={`url(#${clip})`}>
          <rect x={x0} width={width} y={y(bands.red)} height={Math.max(0, y(bands.amber) - y(bands.red))} fill="url(#load-amber)" />
          <rect x={x0} width={width} y={0} height={Math.max(0, y(bands.red))} fill="url(#load-red)" />
        </g>
      ) : null}
      {facts.layers[side].map((zones, layer) => {
        const role = zones[0]!.role;
        // Step corners: each zone's value from its edge to the next.
        const steps = [
          ...zones.map((zone) => [zone.from, zoneLoad(zone, quantity, day, facts.policy)] as const),
          [1, zoneLoad(zones.at(-1)!, quantity, day, facts.policy)] as const,
        ];
        const fill = area<readonly [number, number]>(
          ([at]) => x(at),
          HEIGHT,
          ([, value]) => y(value),
        ).curve(curveStepAfter)([...steps]);
        const edge = line<readonly [number, number]>(
          ([at]) => x(at),
          ([, value]) => y(value),
        ).curve(curveStepAfter)([...steps]);
        return (
          <g key={layer}>
            {role === "base" ? <path d={fill ?? ""} fill="var(--ivy)" opacity="0.14" /> : null}
            <path
              d={edge ?? ""}
              fill="none"
              stroke={role === "base" ? "var(--ivy)" : role === "accent" ? "var(--ink)" : "var(--brass)"}
              strokeWidth={role === "base" ? 2.5 : 2}
              strokeDasharray={role === "base" ? undefined : role === "accent" ? "6 3" : "2 3"}
            />
          </g>
        );
      })}
      {facts.zones[side].map((zone) => (
        <text key={zone.index} x={x((zone.from + zone.to) / 2)} y={HEIGHT + 16} textAnchor="middle" fontSize="11.5" fill="var(--ink-2)">
          {zone.index + 1}
        </text>
      ))}
    </g>
  );
}
