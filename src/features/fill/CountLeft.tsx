"use client";
import { useState } from "react";
import { sideLabel } from "@/core/eye";
import { isSameZone, type FillOutlook, type FoundZone, type ZoneFound } from "@/core/fill";
import { eyesInView, innerCornerOnRight, LAYER_LABELS } from "@/core/map";
import type { Policy } from "@/core/policy";
import { useTabletStore } from "@/features/tablet/TabletProvider";
import type { FoundSet } from "@/features/visit/setBefore";
import type { MapGround } from "@/features/visit/clientMaps";
import { Button } from "@/ui";
import { Marked, Typed } from "./CountFields";
import { layersOf } from "./layersOf";
import { ZonesOnPads, type PadZone } from "./ZonesOnPads";

/** So many lashes of a zone have a button each; more are typed. */
const MOST_BUTTONS = 40;

type Marks = { readonly twisted: number | null; readonly outgrown: number | null };
const NOT_LOOKED: Marks = { twisted: null, outgrown: null };

/** Zones of one layer as they lie before who works: from the left of the bed head to its right. */
const asTheyLie = (zones: readonly ZoneFound[], layer: number): ZoneFound[] =>
  eyesInView("bedHead").flatMap((side) => {
    const ofEye = zones.filter((zone) => zone.side === side && zone.layer === layer).sort((a, b) => a.zone - b.zone);
    return innerCornerOnRight(side, "bedHead") ? ofEye.reverse() : ofEye;
  });

/** What was on in a zone, and what may be expected of it. */
const wereOn = ({ worn, isKnown, expected }: ZoneFound) =>
  expected === null
    ? `the map puts ${worn} here, how many were on is not known`
    : `${worn} were on${isKnown ? "" : ", by the map"}; about ${expected} may be left`;

/** What is left, zone by zone on the pads: a touch a zone. Zones start empty; what may be expected stands beside. */
export function CountLeft({
  visitId,
  found,
  trays,
  policy,
  outlook,
}: {
  visitId: string;
  found: FoundSet;
  trays: MapGround["trays"];
  policy: Policy;
  outlook: FillOutlook;
}) {
  const store = useTabletStore();
  const layers = layersOf(outlook.zones);
  const order = layers.flatMap(([layer]) => asTheyLie(outlook.zones, layer));
  const [chosen, setChosen] = useState<FoundZone | null>(null);
  const now = order.find((zone) => chosen && isSameZone(zone, chosen)) ?? order.find(({ counted }) => !counted) ?? order[0];
  /** Marked before the zone is counted: kept with its count. */
  const [marked, setMarked] = useState(NOT_LOOKED);
  if (!now) return <p>Nothing is known to have been on.</p>;

  const marks = now.counted ?? marked;
  const keep = (left: number | null, { twisted, outgrown }: Marks) => {
    const { side, layer, zone, role, from, to } = now;
    const most = (n: number | null) => (n === null || left === null ? null : Math.min(n, left));
    void store.tap(visitId, "leftCounted", {
      ...{ side, layer, zone, role, from, to, left, by: "pads", setVisitId: found.set.visitId },
      ...{ twisted: most(twisted), outgrown: most(outgrown) },
    });
    setMarked(NOT_LOOKED);
  };
  const mark = (change: Partial<Marks>) => {
    const { twisted, outgrown } = { ...marks, ...change };
    if (now.counted) keep(now.counted.left, { twisted, outgrown });
    else setMarked({ twisted, outgrown });
  };
  const choose = (zone: FoundZone | null) => {
    setChosen(zone);
    setMarked(NOT_LOOKED);
  };
  const next = () => {
    const i = order.indexOf(now);
    const after = [...order.slice(i + 1), ...order.slice(0, i)];
    // A zone that was counted before is looked at again only by who asks for it.
    choose(after.find(({ counted }) => !counted) ?? null);
  };
  const beside = (way: 1 | -1) => choose(order[(order.indexOf(now) + way + order.length) % order.length]!);
  const count = (left: number) => {
    keep(left, marks);
    if (!now.counted) next();
  };
  const padZones = asTheyLie(outlook.zones, now.layer).map((zone): PadZone => ({
    ...zone,
    big: zone.counted ? String(zone.counted.left) : "–",
    small: zone.counted || zone.expected === null ? `of ${zone.worn}` : `≈ ${zone.expected}`,
    says: zone.counted ? `${zone.counted.left} of ${zone.worn} left` : `not counted, ${wereOn(zone)}`,
    isDone: zone.counted !== null,
  }));
  const buttons = now.worn <= MOST_BUTTONS;
  return (
    <div>
      {layers.length > 1 ? (
        <div role="group" aria-label="Layer to count" className="mb-2 flex flex-wrap gap-2">
          {layers.map(([layer, role]) => {
            const ofLayer = outlook.zones.filter((zone) => zone.layer === layer);
            const done = ofLayer.filter(({ counted }) => counted).length;
            return (
              <Button
                key={layer}
                tone={layer === now.layer ? "ivy" : "line"}
                aria-pressed={layer === now.layer}
                className="min-h-11"
                onClick={() =>
                  choose(asTheyLie(outlook.zones, layer).find(({ counted }) => !counted) ?? asTheyLie(outlook.zones, layer)[0]!)
                }
              >
                <span className="first-letter:uppercase">{LAYER_LABELS[role]}</span>
                <span className="ml-2 font-normal tabular-nums">
                  {done} of {ofLayer.length}
                </span>
              </Button>
            );
          })}
        </div>
      ) : null}
      <ZonesOnPads
        survey={found.set.survey}
        trays={trays}
        policy={policy}
        zones={padZones}
        lit={now}
        label="What is left on the pads, from the bed head"
        onZone={choose}
      />
      <div className="mt-1 border-t border-line pt-3">
        <p className="flex flex-wrap items-baseline gap-x-3">
          <span className="text-xl font-semibold first-letter:uppercase">
            {sideLabel(now.side)}, zone {now.zone}
            {layers.length > 1 ? `, ${LAYER_LABELS[now.role]}` : ""}
          </span>
          <span className="text-ink-2">{wereOn(now)}. How many are?</span>
        </p>
        {buttons ? (
          <div role="group" aria-label="How many are left" className="mt-2 flex flex-wrap gap-1.5">
            {Array.from({ length: now.worn + 1 }, (_, n) => (
              <Button
                key={n}
                tone={now.counted?.left === n ? "ivy" : "line"}
                aria-pressed={now.counted?.left === n}
                className="min-h-12 min-w-12 px-2 text-lg tabular-nums"
                onClick={() => count(n)}
              >
                {n}
              </Button>
            ))}
          </div>
        ) : null}
        <div className="mt-2 flex flex-wrap items-end gap-x-4 gap-y-2">
          <Typed
            key={`${now.side} ${now.layer} ${now.zone}`}
            most={200}
            label={buttons ? "or typed" : "Left"}
            onCount={count}
            onBeside={beside}
          />
          <Marked
            label="Of them twisted"
            value={marks.twisted}
            most={now.counted?.left ?? now.worn}
            onChange={(twisted) => mark({ twisted })}
          />
          <Marked
            label="outgrown"
            value={marks.outgrown}
            most={now.counted?.left ?? now.worn}
            onChange={(outgrown) => mark({ outgrown })}
          />
          {now.counted ? (
            <Button tone="plain" className="min-h-11" onClick={() => keep(null, NOT_LOOKED)}>
              Not counted
            </Button>
          ) : null}
          {now.counted && outlook.uncounted > 0 ? (
            <Button tone="line" className="min-h-11" onClick={next}>
              Next zone
            </Button>
          ) : null}
        </div>
      </div>
    </div>
  );
}
