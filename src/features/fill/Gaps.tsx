"use client";
import { useMemo, type ReactNode } from "react";
import type { FillOutlook } from "@/core/fill";
import { baseIndex, LAYER_LABELS, type LashMap } from "@/core/map";
import type { Policy } from "@/core/policy";
import { placementPlan, spotKey, type Progress } from "@/core/placing";
import { PlacedLashes } from "@/features/placing/PlacedLashes";
import type { MapGround } from "@/features/visit/clientMaps";
import { ZonesOnPads, type PadZone } from "./ZonesOnPads";

const STRAIGHT = { right: 0, left: 0 } as const;

/** What is placed between what is kept: both drawn, each in an ink of its own, with the numbers of every layer. */
export function Gaps({
  map,
  ground,
  policy,
  outlook,
  children,
}: {
  map: LashMap;
  ground: MapGround;
  policy: Policy;
  outlook: FillOutlook;
  /** Which map it is filled by. */
  children: ReactNode;
}) {
  const { gaps, minutes } = outlook;
  const { survey, trays } = ground;
  const whole = useMemo(() => new Map(placementPlan(map, survey).spots.map((spot) => [spotKey(spot), spot.planned])), [map, survey]);
  const work = useMemo(() => {
    const placed = new Map(gaps.spots.map((spot) => [spotKey(spot), spot.planned]));
    const progress = { of: (spot) => ({ placed: placed.get(spotKey(spot)) ?? 0 }) } as Progress;
    return { plan: gaps, kept: gaps.kept, progress, spot: null };
  }, [gaps]);
  const of = useMemo(() => ({ survey, map, trays, policy }), [survey, map, trays, policy]);
  const layers = map.eyes.right.layers.map(({ role }, layer) => ({ role, layer }));
  const base = baseIndex(map, "right");
  const zones = [
    ...new Map(gaps.spots.filter(({ layer }) => layer === base).map((spot) => [`${spot.side} ${spot.zone}`, spot])).values(),
  ].map(({ side, layer, zone, from, to }): PadZone => {
    const here = gaps.spots.filter((spot) => spot.side === side && spot.layer === layer && spot.zone === zone);
    const place = here.reduce((sum, { planned }) => sum + planned, 0);
    const all = here.reduce((sum, spot) => sum + (whole.get(spotKey(spot)) ?? 0), 0);
    return {
      side,
      layer,
      zone,
      from,
      to,
      big: `+${place}`,
      small: String(all - place),
      says: `${place} to place, ${all - place} kept`,
      isDone: place === 0,
    };
  });
  const kept = gaps.kept.right.size + gaps.kept.left.size;
  return (
    <div>
      <ZonesOnPads
        survey={survey}
        trays={trays}
        policy={policy}
        zones={zones}
        lit={null}
        label="The gaps on the pads, from the bed head"
        onZone={null}
      >
        {(plate) => <PlacedLashes plate={plate} of={of} work={work} stretch={STRAIGHT} />}
      </ZonesOnPads>
      <p className="mt-1 flex flex-wrap items-center gap-x-5 gap-y-1">
        <span>
          <span aria-hidden="true" className="mr-1.5 inline-block h-0.5 w-6 bg-moss align-middle" />
          {kept} kept, the small figures
        </span>
        <span>
          <span aria-hidden="true" className="mr-1.5 inline-block h-0.5 w-6 bg-ink align-middle" />
          {layers
            .map(
              ({ role, layer }) =>
                `${gaps.spots.reduce((sum, spot) => sum + (spot.layer === layer ? spot.planned : 0), 0)} ${LAYER_LABELS[role]}`,
            )
            .join(", ")}{" "}
          to place, the large ones
        </span>
        <span className="text-ink-2">
          {minutes.off > 0 ? `${minutes.off} min to take off, ` : ""}
          {minutes.place} min to place, by this hand&rsquo;s pace. Accents first on a fill. Which lash each kept one sits on is supposed.
        </span>
      </p>
      {children}
    </div>
  );
}
