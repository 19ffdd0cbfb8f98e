"use client";
import { useState } from "react";
import type { CurlId } from "@/core/curl";
import { countLabel } from "@/core/lash";
import {
  curlsAtEqualLift,
  equivalents,
  fibreCurl,
  fibreOnLash,
  kindLabel,
  kindOf,
  placeOf,
  setZone,
  swapEverywhere,
  splitZone,
  mergeZones,
  stockedLengths,
  onBothEyes,
  type FibreKind,
  type LashMap,
  type ZoneFacts,
} from "@/core/map";
import { formatMm } from "@/core/units";
import type { Side } from "@/core/eye";
import { Profile } from "@/features/drawing/Profile";
import { Button, Choice, SelectField } from "@/ui";
import { EqualLiftTable } from "./EqualLiftTable";
import { FibreFields } from "./FibreFields";
import { LookAlikes } from "./LookAlikes";
import { RanOut } from "./RanOut";
import type { MapStudio } from "./useMapStudio";

/** The chosen zone's fibre from the side, what it does to the lash, and what could stand in for it. */
export function FibreSheet({ studio }: { studio: MapStudio }) {
  const { facts } = studio;
  const zones = facts.layers.right[studio.layer]!;
  // Unless a zone is chosen, the one over the pupil speaks for the layer.
  const zone = studio.zone ?? zones[Math.floor(zones.length / 2)]!;
  return <ZoneFibre key={`${zone.side}${zone.layer}${zone.index}`} studio={studio} zone={zone} />;
}

function ZoneFibre({ studio, zone }: { studio: MapStudio; zone: ZoneFacts }) {
  const { facts, apply, map, together, page } = studio;
  const { policy, trays } = facts;
  const [compare, setCompare] = useState<"numbers" | "lift">("numbers");
  /** The curl drawn beside the one worn, at the same lift. */
  const [beside, setBeside] = useState<CurlId | null>(null);
  const [where, setWhere] = useState<"here" | "everywhere">("here");
  const { natural } = zone.limit;
  const fibre = zone.fibre;
  const name = placeOf(zone);
  const change = (edit: (m: LashMap, side: Side) => LashMap) => apply(together ? onBothEyes(map, zone.side, edit) : edit(map, zone.side));
  const wear = (next: FibreKind & { lengthMm?: number }) =>
    change((m, side) => {
      const old = m.eyes[side].layers[zone.layer]?.zones[zone.index];
      return setZone(m, side, zone.index, { lengthMm: old?.lengthMm ?? zone.stockedMm[0] ?? 8, ...next }, zone.layer);
    });
  const cuts = (
    <span className="flex flex-wrap">
      <Button tone="plain" className="-ml-4" onClick={() => change((m, side) => splitZone(m, side, zone.layer, zone.index))}>
        Split
      </Button>
      <Button
        tone="plain"
        disabled={zone.index + 1 >= facts.layers[zone.side][zone.layer]!.length}
        onClick={() => change((m, side) => mergeZones(m, side, zone.layer, zone.index))}
      >
        Join with {zone.index + 2}
      </Button>
    </span>
  );
  if (!fibre)
    return (
      <div>
        <h3 className="text-lg">{name} is bare</h3>
        <p className="text-ink-2">Pull it up on the skyline, or choose a zone that wears something.</p>
        {cuts}
      </div>
    );
  const on = fibreOnLash(fibre, natural, policy, trays);
  const same = equivalents(fibre, trays);
  const inCurl = (curl: CurlId) => fibreCurl({ ...fibre, curl }, trays, policy);
  const equal = curlsAtEqualLift(on.liftMm, natural.angleDeg, inCurl);
  const drawn = compare === "lift" ? equal.find(({ curl, lengthMm }) => curl === beside && lengthMm !== null) : undefined;
  return (
    <div className="grid gap-x-8 gap-y-4 md:grid-cols-[19rem_minmax(0,1fr)]">
      <div>
        <Profile
          label={`${formatMm(fibre.lengthMm)} mm ${kindLabel(fibre)} from the side on a lash of ${natural.meanMm.toFixed(1)} mm`}
          natural={natural}
          offsetMm={policy.attachmentOffsetMm}
          fibres={[
            {
              key: "worn",
              label: `${formatMm(fibre.lengthMm)} ${fibre.curl}`,
              curl: fibreCurl(fibre, trays, policy),
              lengthMm: fibre.lengthMm,
              ink: "var(--ivy)",
            },
            ...(drawn
              ? [
                  {
                    key: "beside",
                    label: `${drawn.lengthMm!.toFixed(1)} ${drawn.curl}`,
                    curl: inCurl(drawn.curl),
                    lengthMm: drawn.lengthMm!,
                    ink: "var(--brass)",
                    dashed: true,
                  },
                ]
              : []),
          ]}
        />
        <p className="text-sm text-ink-2">
          From the side at true proportion; the thick stretch is where base and lash touch.
          {drawn ? ` Dashed lifts just as far in ${drawn.curl}.` : ""}
        </p>
      </div>
      <div className="min-w-0 space-y-3">
        <div className="flex flex-wrap items-baseline justify-between gap-x-4">
          <h3 className="text-lg">{name}</h3>
          {cuts}
        </div>
        <div className="flex flex-wrap items-end gap-x-5 gap-y-3">
          <FibreFields fibre={kindOf(fibre)} trays={page.trays} onChange={wear} />
          <SelectField
            label="Length"
            value={fibre.lengthMm}
            onChange={(event) => studio.setLength({ side: zone.side, index: zone.index, layer: zone.layer }, Number(event.target.value))}
          >
            {(zone.stockedMm.includes(fibre.lengthMm) ? zone.stockedMm : [fibre.lengthMm, ...zone.stockedMm]).map((mm) => (
              <option key={mm} value={mm}>
                {mm} mm
              </option>
            ))}
          </SelectField>
        </div>
        <Choice
          label="Show"
          showLabel={false}
          value={compare}
          options={[
            { value: "numbers", label: "on this lash" },
            { value: "lift", label: "curls at equal lift" },
          ]}
          onChange={setCompare}
        />
        {compare === "numbers" ? (
          <dl className="grid grid-cols-[repeat(auto-fit,minmax(7.5rem,1fr))] gap-x-4 gap-y-2 text-[0.9375rem]">
            <Figure label="Lift" value={`${on.liftMm.toFixed(1)} mm`} />
            <Figure label="Reach" value={`${on.reachMm.toFixed(1)} mm`} />
            <Figure label="Contact" value={`${on.contactMm.toFixed(2)} mm`} />
            <Figure label="Past the lash tip" value={`${formatMm(on.overhangMm)} mm`} />
            <Figure label="Mass" value={`${on.massMg.toFixed(3)} mg`} />
            <Figure label="Load, resting" value={`${zone.pieces[0]!.load.resting.toFixed(2)} ×`} />
            <Figure label="at day 14, growing" value={`${zone.pieces[0]!.load.day14.toFixed(2)} ×`} />
            <Figure label="Bonds held, day 14" value={`${Math.round(on.heldAtDay14 * 100)} %`} />
          </dl>
        ) : (
          <EqualLiftTable
            equal={equal}
            worn={fibre.curl}
            liftMm={on.liftMm}
            angleDeg={natural.angleDeg}
            drawn={beside}
            onDraw={setBeside}
          />
        )}
        {same.length ? (
          <div>
            <Choice
              label="Weighs the same; swap it"
              value={where}
              options={[
                { value: "here", label: "in this zone" },
                { value: "everywhere", label: "wherever it is worn" },
              ]}
              onChange={setWhere}
            />
            <p className="mt-1 flex flex-wrap gap-2">
              {same.slice(0, 4).map(({ fibre: other, exactCount, massRatio }) => (
                <Button
                  key={`${kindLabel(other)} ${other.count}`}
                  tone="line"
                  onClick={() => (where === "here" ? wear(other) : apply(swapEverywhere(map, kindOf(fibre), kindOf(other))))}
                  title={`Exactly ${exactCount.toFixed(2)} of them; ${massRatio >= 1 ? "+" : "−"}${Math.abs((massRatio - 1) * 100).toFixed(0)} % mass`}
                >
                  {countLabel(other) === "singles" ? "single" : countLabel(other)} {kindLabel(other)}
                  {Math.abs(massRatio - 1) < 0.005 ? "" : ` (${massRatio > 1 ? "+" : "−"}${Math.abs((massRatio - 1) * 100).toFixed(0)} %)`}
                </Button>
              ))}
            </p>
          </div>
        ) : null}
        <div className="flex flex-wrap gap-2 border-t border-line pt-3">
          <LookAlikes studio={studio} zone={zone} onTake={(taken) => wear(taken)} />
          <RanOut studio={studio} fibre={fibre} />
        </div>
        {stockedLengths(trays, fibre).includes(fibre.lengthMm) ? null : <p className="text-sm text-rosehip">■ Not in stock.</p>}
      </div>
    </div>
  );
}

function Figure({ label, value }: { label: string; value: string }) {
  return (
    <div>
      <dt className="text-sm text-ink-2">{label}</dt>
      <dd className="text-lg font-semibold">{value}</dd>
    </div>
  );
}
