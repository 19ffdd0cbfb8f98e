"use client";
import dynamic from "next/dynamic";
import Link from "next/link";
import { memo, useMemo, useState } from "react";
import {
  eyesInView,
  innerCornerOnRight,
  landmarksOf,
  lookHandles,
  LOOKS,
  nextStocked,
  EYE_VIEWS,
  EYE_VIEW_LABELS,
  wayUp,
  type EyeView,
  type View,
} from "@/core/map";
import { otherSide, SIDES, type Side } from "@/core/eye";
import { Button, Choice, Notice } from "@/ui";
import { ChosenZone } from "./ChosenZone";
import type { MapPage } from "./data";
import { NUDGE_MM } from "./drag";
import { LineSheet } from "./LineSheet";
import { MapAside } from "./MapAside";
import { MapHead } from "./MapHead";
import { MapPlate } from "./MapPlate";
import { useMapKeys } from "./useMapKeys";
import { useMapStudio, type MapStudio } from "./useMapStudio";

const waiting = () => <p className="text-ink-2">Unrolling…</p>;
const LayersSheet = dynamic(() => import("./LayersSheet").then((module) => module.LayersSheet), { loading: waiting });
const FibreSheet = dynamic(() => import("./FibreSheet").then((module) => module.FibreSheet), { loading: waiting });
const LoadSheet = dynamic(() => import("./LoadSheet").then((module) => module.LoadSheet), { loading: waiting });
const LimitsSheet = dynamic(() => import("./LimitsSheet").then((module) => module.LimitsSheet), { loading: waiting });
const DaysSheet = dynamic(() => import("./DaysSheet").then((module) => module.DaysSheet), { loading: waiting });
const WorkSheet = dynamic(() => import("./WorkSheet").then((module) => module.WorkSheet), { loading: waiting });
const SavesSheet = dynamic(() => import("./SavesSheet").then((module) => module.SavesSheet), { loading: waiting });
const ForTheClient = dynamic(() => import("./ForTheClient").then((module) => module.ForTheClient));
const TwoMaps = dynamic(() => import("./TwoMaps").then((module) => module.TwoMaps));

const SHEETS = ["line", "layers", "fibre", "load", "limits", "days", "work", "saves"] as const;
type Sheet = (typeof SHEETS)[number];

const VIEW_SAYS: Readonly<Record<EyeView, string>> = {
  mirror: "Open, from the front, as one faces the client",
  pad: "Closed, from the bed head, as one works",
  side: "The chosen zone, or the pupil, from the side",
};

export function MapWorkspace({ page }: { page: MapPage }) {
  if (!page.start)
    return (
      <Notice tone="look" title="The shelf holds no tray yet" className="mt-8 max-w-xl">
        A map is planned from lengths in stock.{" "}
        <Link href="/shelf" className="font-semibold underline underline-offset-4">
          Put a tray on the shelf
        </Link>
        .
      </Notice>
    );
  return <Workspace page={page} start={page.start} />;
}

function Workspace({ page, start }: { page: MapPage; start: NonNullable<MapPage["start"]> }) {
  const studio = useMapStudio(page, start);
  const { editor, map, facts, findings, chosen, layer, choose, saving } = studio;
  const [view, setView] = useState<EyeView>("mirror");
  const order = wayUp(view);
  const [bending, setBending] = useState(false);
  const [showing, setShowing] = useState(false);
  const layers = map.eyes.right.layers;

  const inOrder = eyesInView(order).flatMap((side) => {
    const zones = (facts.layers[side][layer] ?? []).map((_, index) => ({ side, index, layer }));
    return innerCornerOnRight(side, order) ? zones.reverse() : zones;
  });
  useMapKeys({
    chosen,
    choose: (step) => {
      const current = chosen ?? inOrder[0]!;
      const count = (side: Side) => facts.layers[side][layer]?.length ?? 0;
      if (step === "other eye") {
        const side = otherSide(current.side);
        return choose({ side, layer, index: Math.min(current.index, count(side) - 1) }, true);
      }
      if ("zone" in step)
        return step.zone < count(current.side) ? choose({ side: current.side, index: step.zone, layer }, true) : undefined;
      if (!chosen) return choose(current, true);
      const at = inOrder.findIndex((zone) => zone.side === current.side && zone.index === current.index) + step.beside;
      return choose(inOrder[Math.min(inOrder.length - 1, Math.max(0, at))]!, true);
    },
    move: (way) => {
      if (!chosen) return choose(inOrder[0]!, true);
      const zone = facts.layers[chosen.side][layer]![chosen.index]!;
      studio.setLength(chosen, nextStocked(zone.stockedMm, zone.fibre?.lengthMm ?? null, way));
    },
    bare: () => chosen && studio.setLength(chosen, null),
    pull: (way) => {
      const zone = chosen && facts.layers[chosen.side][layer]?.[chosen.index];
      if (!zone || !chosen) return;
      const outwards = innerCornerOnRight(chosen.side, order) ? -way : way;
      studio.pullEdge(chosen, zone.to + (outwards * NUDGE_MM) / page.survey.document.eyes[chosen.side].lashLineMm);
    },
    layer: () => studio.setLayer((layer + 1) % layers.length),
    undo: editor.undo,
    redo: editor.redo,
    fix: () => studio.takeFix(studio.told.find((finding) => finding.fix)),
    turn: () => setView(EYE_VIEWS[(EYE_VIEWS.indexOf(view) + 1) % EYE_VIEWS.length]!),
    save: () => void saving.save(),
  });
  const bendingOn = useBending(studio, bending);

  return (
    <div className="grid gap-x-9 gap-y-8 pt-3 lg:grid-cols-[minmax(0,1fr)_18.5rem]">
      <div className="min-w-0">
        <Head studio={studio} hold={studio.hold} />
        <SeenBar view={view} onView={setView} onShow={setShowing} />
        <MapPlate
          facts={facts}
          findings={findings}
          view={view}
          layer={layer}
          chosen={chosen}
          drag={studio.drag}
          bending={bendingOn}
          onLandmark={studio.onLandmark}
          live={studio.live}
          moving={studio.hold}
        />
        <ChosenZone zone={studio.zone} findings={findings} />
        <Sheets studio={studio} hold={studio.hold} view={order} bending={bending} onBending={setBending} />
      </div>
      <Aside studio={studio} hold={studio.hold} view={order} />
      {showing ? <ForTheClient studio={studio} onClose={() => setShowing(false)} /> : null}
      {saving.theirs ? (
        <TwoMaps
          mine={map}
          theirs={saving.theirs.map}
          onMine={saving.keepMine}
          onTheirs={() => void saving.takeTheirs()}
          onClose={saving.closeTheirs}
        />
      ) : null}
    </div>
  );
}

const SeenBar = memo(function SeenBar({
  view,
  onView,
  onShow,
}: {
  view: EyeView;
  onView: (view: EyeView) => void;
  onShow: (show: true) => void;
}) {
  return (
    <div className="flex flex-wrap items-baseline justify-between gap-x-4">
      <Choice
        label="Seen"
        value={view}
        options={EYE_VIEWS.map((value) => ({ value, label: EYE_VIEW_LABELS[value], title: VIEW_SAYS[value] }))}
        onChange={onView}
      />
      <Button tone="plain" className="-mx-4" onClick={() => onShow(true)}>
        Show the client
      </Button>
    </div>
  );
});

/** The plate follows the hand at every move; what is read beside it waits until the hand rests. */
const resting = (_: { hold: boolean }, next: { hold: boolean }) => next.hold;
const Head = memo(MapHead, resting);
const Aside = memo(MapAside, resting);
const Sheets = memo(MapSheets, resting);

function MapSheets({
  studio,
  view,
  bending,
  onBending,
}: {
  studio: MapStudio;
  hold: boolean;
  view: View;
  bending: boolean;
  onBending: (bending: boolean) => void;
}) {
  const [sheet, setSheet] = useState<Sheet>("line");
  return (
    <div className="mt-2 border-t border-line pt-2">
      <Choice
        label="Sheet"
        showLabel={false}
        value={sheet}
        options={SHEETS.map((name) => ({ value: name, label: name }))}
        onChange={setSheet}
        className="mb-3 [&_button]:font-serif [&_button]:text-lg"
      />
      {sheet === "line" ? <LineSheet studio={studio} bending={bending} onBending={onBending} /> : null}
      {sheet === "layers" ? <LayersSheet studio={studio} /> : null}
      {sheet === "fibre" ? <FibreSheet studio={studio} /> : null}
      {sheet === "load" ? <LoadSheet facts={studio.facts} view={view} /> : null}
      {sheet === "limits" ? <LimitsSheet studio={studio} /> : null}
      {sheet === "days" ? <DaysSheet studio={studio} /> : null}
      {sheet === "work" ? <WorkSheet facts={studio.facts} pace={studio.page.pace} /> : null}
      {sheet === "saves" ? <SavesSheet studio={studio} /> : null}
    </div>
  );
}

/** The look's handles on both eyes while it is being bent, or null. */
function useBending({ map, page, facts, longestMm, onBend }: MapStudio, bending: boolean) {
  return useMemo(() => {
    if (!bending) return null;
    const handles =
      map.bend ?? lookHandles(LOOKS[map.look], landmarksOf(map, page.survey.document, "right"), page.survey.document.eyes.right);
    const longest = (side: Side) => longestMm?.[side] ?? Math.max(6, ...facts.zones[side].map(({ fibre }) => fibre?.lengthMm ?? 0));
    return {
      handles: { right: handles, left: handles },
      longestMm: Object.fromEntries(SIDES.map((side) => [side, longest(side)])) as Record<Side, number>,
      onBend,
    };
  }, [bending, map, page.survey.document, facts.zones, longestMm, onBend]);
}
