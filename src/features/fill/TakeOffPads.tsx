"use client";
import dynamic from "next/dynamic";
import { useMemo } from "react";
import { sideLabel } from "@/core/eye";
import { isSameZone, worstLash, type FillOutlook, type Removal, type TakeOffReason, type WorstLash } from "@/core/fill";
import { fibreCurl, kindLabel, LAYER_LABELS } from "@/core/map";
import type { Policy } from "@/core/policy";
import type { FoundSet } from "@/features/visit/setBefore";
import type { MapGround } from "@/features/visit/clientMaps";
import { Button, Verdict } from "@/ui";
import { OFF_REASONS } from "./fillWords";
import { ZonesOnPads, type PadZone } from "./ZonesOnPads";

const Profile = dynamic(() => import("@/features/drawing/Profile").then((module) => module.Profile), { ssr: false });

/** What comes off, where and why, and the one key that takes it: parted clean, or hurt. */
export function TakeOffPads({
  found,
  trays,
  policy,
  outlook,
  now,
  onZone,
  onOff,
  onUndo,
}: {
  found: FoundSet;
  trays: MapGround["trays"];
  policy: Policy;
  outlook: FillOutlook;
  /** The zone that is worked; null where nothing is left to come off. */
  now: Removal | null;
  onZone: (zone: Removal["plan"]["zone"]) => void;
  onOff: (hurt: boolean) => void;
  /** Null where nothing was taken off. */
  onUndo: (() => void) | null;
}) {
  const { removals, off, days } = outlook;
  const worst = useMemo(() => worstLash(found.set, outlook.zones, days, policy), [found.set, outlook.zones, days, policy]);
  const layer = now?.plan.zone.layer ?? removals[0]?.plan.zone.layer ?? 0;
  const zones = outlook.zones
    .filter((zone) => zone.layer === layer)
    .map((zone): PadZone => {
      const removal = removals.find(({ plan }) => isSameZone(plan.zone, zone));
      const wanted = removal?.plan.off ?? 0;
      const done = removal?.done ?? 0;
      return {
        ...zone,
        big: wanted + done === 0 ? "·" : String(Math.max(0, wanted - done)),
        small: zone.counted ? `of ${zone.counted.left}` : "not counted",
        says: zone.counted ? `${wanted} of ${zone.counted.left} to come off, ${done} are` : "not counted",
        isDone: removal !== undefined && removal.rest === 0,
      };
    });
  const reasons = new Map<TakeOffReason, number>();
  for (const { why } of off.zones) for (const { reason, n } of why) reasons.set(reason, (reasons.get(reason) ?? 0) + n);
  const rest = removals.reduce((sum, one) => sum + one.rest, 0);
  const done = removals.reduce((sum, one) => sum + one.done, 0);
  if (outlook.uncounted === outlook.zones.length)
    return <p className="text-ink-2">Count what is left first: what comes off follows from it.</p>;
  return (
    <div className="grid gap-x-10 gap-y-4 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <div>
        <ZonesOnPads
          survey={found.set.survey}
          trays={trays}
          policy={policy}
          zones={zones}
          lit={now?.plan.zone ?? null}
          label="What comes off on the pads, from the bed head"
          onZone={(zone) => {
            // Only of what was counted is it known what there is to take.
            const counted = off.zones.find((one) => isSameZone(one.zone, zone));
            if (counted) onZone(counted.zone);
          }}
        />
        <p className="mt-1 text-xl font-semibold">
          {now ? (
            <span className="inline-block first-letter:uppercase">
              {sideLabel(now.plan.zone.side)}, zone {now.plan.zone.zone}
              {outlook.zones.some((zone) => zone.layer !== layer)
                ? `, ${LAYER_LABELS[found.set.map.eyes[now.plan.zone.side].layers[layer]!.role]}`
                : ""}
              : {now.rest > 0 ? `${now.rest} to come off` : `${now.done} off`}
            </span>
          ) : (
            "Nothing more is to come off."
          )}
        </p>
        <div className="mt-2 flex flex-wrap gap-2">
          <Button size="bedNarrow" disabled={!now} onClick={() => onOff(false)}>
            Parted clean
          </Button>
          <Button tone="line" size="bedNarrow" disabled={!now} onClick={() => onOff(true)}>
            Lash was hurt
          </Button>
          <Button tone="plain" size="bedNarrow" disabled={!onUndo} onClick={onUndo ?? undefined}>
            Take back
          </Button>
        </div>
        <p className="mt-2 text-[0.9375rem] text-ink-2">
          Space takes the next one, H says that the lash was hurt; touch a zone to work there. Part bonds, never pull: what will not part is
          left for the remover, by its leaflet.
        </p>
      </div>
      <div>
        <p>
          <span className="text-3xl font-semibold tabular-nums">{off.off}</span> to come off,{" "}
          <span className="font-semibold">{off.leave}</span> stay
          {done > 0 ? `; ${done} ${done === 1 ? "is" : "are"} off, ${rest} to go` : ""}.
        </p>
        <ul className="mt-1 list-disc pl-5">
          {[...reasons].map(([reason, n]) => (
            <li key={reason}>
              {n} {OFF_REASONS[reason]}
            </li>
          ))}
        </ul>
        {off.spared > 0 ? (
          <p className="mt-1 text-[0.9375rem] text-ink-2">
            {off.spared} more could come off and {off.spared === 1 ? "is" : "are"} spared: {policy.buildOnPercent} % of an eye stay to build
            on.
          </p>
        ) : null}
        {worst && days !== null ? (
          <Worst worst={worst} curl={fibreCurl(worst.fibre, trays, policy)} offsetMm={policy.attachmentOffsetMm} days={days} />
        ) : null}
      </div>
    </div>
  );
}

function Worst({ worst, curl, offsetMm, days }: { worst: WorstLash; curl: ReturnType<typeof fibreCurl>; offsetMm: number; days: number }) {
  const isOver = worst.loadNow >= worst.stopsAt;
  const fibre = { curl, lengthMm: worst.fibre.lengthMm };
  return (
    <figure className="mt-4 border-t border-line pt-3">
      <Profile
        natural={worst.natural}
        offsetMm={offsetMm}
        width={300}
        label="The lash that carries most, from the side: as it was set, and moved out by growth"
        fibres={[
          { ...fibre, key: "set", label: "as set", ink: "var(--ink-2)", dashed: true },
          { ...fibre, key: "now", label: "now", ink: isOver ? "var(--rosehip)" : "var(--ivy)", movedOutMm: worst.movedOutMm },
        ]}
      />
      <figcaption className="mt-1 text-[0.9375rem] text-ink-2">
        Heaviest now: {sideLabel(worst.side)}, zone {worst.zone}, {kindLabel(worst.fibre)} {worst.fibre.lengthMm} mm. On a lash that has
        grown for {Math.round(days)} days it stands {worst.movedOutMm.toFixed(1)} mm further out: load {worst.loadSet.toFixed(2)} as set,{" "}
        {worst.loadNow.toFixed(2)} now.{" "}
        {isOver ? <Verdict tone="stop">Off at {worst.stopsAt.toFixed(2)}.</Verdict> : `It would come off at ${worst.stopsAt.toFixed(2)}.`}
      </figcaption>
    </figure>
  );
}
