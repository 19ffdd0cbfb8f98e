"use client";
import dynamic from "next/dynamic";
import Link from "next/link";
import { useDeferredValue, useMemo, useState } from "react";
import {
  eyesInView,
  innerCornerOnRight,
  landmarksOf,
  lashMapSchema,
  LOOKS,
  lookHandles,
  nextStocked,
  upgradeLashMap,
  type LashMap,
  type View,
} from "@/core/map";
import { otherSide, SIDES, type Side } from "@/core/eye";
import { Button, Choice, Notice } from "@/ui";
import { BeginVisit } from "./BeginVisit";
import { ChosenZone } from "./ChosenZone";
import type { MapPage } from "./data";
import { firstPlan } from "./firstPlan";
import { Findings } from "./Findings";
import { LineSheet } from "./LineSheet";
import { MapFiles } from "./MapFiles";
import { MapPlate } from "./MapPlate";
import { useMapKeys } from "./useMapKeys";
import { useMapStudio } from "./useMapStudio";

const waiting = () => <p className="text-ink-2">Unrolling…</p>;
const LayersSheet = dynamic(() => import("./LayersSheet").then((module) => module.LayersSheet), { loading: waiting });
const FibreSheet = dynamic(() => import("./FibreSheet").then((module) => module.FibreSheet), { loading: waiting });
const LoadSheet = dynamic(() => import("./LoadSheet").then((module) => module.LoadSheet), { loading: waiting });
const LimitsSheet = dynamic(() => import("./LimitsSheet").then((module) => module.LimitsSheet), { loading: waiting });
const WorkSheet = dynamic(() => import("./WorkSheet").then((module) => module.WorkSheet), { loading: waiting });
const SavesSheet = dynamic(() => import("./SavesSheet").then((module) => module.SavesSheet), { loading: waiting });
const TwoMaps = dynamic(() => import("./TwoMaps").then((module) => module.TwoMaps));

const SHEETS = ["line", "layers", "fibre", "load", "limits", "work", "saves"] as const;
type Sheet = (typeof SHEETS)[number];
const LAYER_WORDS = { base: "base", accent: "accents", under: "under layer" } as const;

export function MapWorkspace({ page }: { page: MapPage }) {
  const start = useMemo(() => (page.saved ? { map: page.saved.map, clash: null } : firstPlan(page)), [page]);
  if (!start)
    return (
      <Notice tone="look" title="The shelf holds no tray yet" className="mt-8 max-w-xl">
        A map is planned from lengths in stock.{" "}
        <Link href="/shelf" className="font-semibold underline underline-offset-4">
          Put a tray on the shelf
        </Link>
        .
      </Notice>
    );
  return <Workspace page={page} start={start} />;
}

function Workspace({ page, start }: { page: MapPage; start: { map: LashMap; clash: string | null } }) {
  const studio = useMapStudio(page, start);
  const { editor, map, facts, findings, chosen, layer, choose, saving, draft } = studio;
  const [view, setView] = useState<View>("facing");
  const [sheet, setSheet] = useState<Sheet>("line");
  const [bending, setBending] = useState(false);
  // The plate follows the hand; what is read beside it may come a moment later.
  const calmFacts = useDeferredValue(facts);
  const calmFindings = useDeferredValue(findings);
  const layers = map.eyes.right.layers;

  const inOrder = eyesInView(view).flatMap((side) => {
    const zones = (facts.layers[side][layer] ?? []).map((_, index) => ({ side, index, layer }));
    return innerCornerOnRight(side, view) ? zones.reverse() : zones;
  });
  useMapKeys({
    chosen,
    choose: (step) => {
      const here = chosen ?? inOrder[0]!;
      const count = (side: Side) => facts.layers[side][layer]?.length ?? 0;
      if (step === "other eye") {
        const side = otherSide(here.side);
        return choose({ side, layer, index: Math.min(here.index, count(side) - 1) }, true);
      }
      if ("zone" in step) return step.zone < count(here.side) ? choose({ side: here.side, index: step.zone, layer }, true) : undefined;
      if (!chosen) return choose(here, true);
      const at = inOrder.findIndex((zone) => zone.side === here.side && zone.index === here.index) + step.beside;
      return choose(inOrder[Math.min(inOrder.length - 1, Math.max(0, at))]!, true);
    },
    move: (way) => {
      if (!chosen) return choose(inOrder[0]!, true);
      const zone = facts.layers[chosen.side][layer]![chosen.index]!;
      studio.setLength(chosen, nextStocked(zone.stockedMm, zone.fibre?.lengthMm ?? null, way));
    },
    bare: () => chosen && studio.setLength(chosen, null),
    layer: () => studio.setLayer((layer + 1) % layers.length),
    undo: editor.undo,
    redo: editor.redo,
    fix: () => studio.takeFix(findings.find((finding) => finding.fix)),
    turn: () => setView(view === "facing" ? "bedHead" : "facing"),
    save: () => void saving.save(),
  });
  const bendingOn = useBending(studio, bending);

  return (
    <div className="grid gap-x-9 gap-y-8 pt-3 lg:grid-cols-[minmax(0,1fr)_18.5rem]">
      <div className="min-w-0">
        <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
          <h1 className="min-w-0 text-[1.625rem] break-words">
            <Link href={`/clients/${page.clientId}`} className="hover:underline">
              <bdi>{page.clientName}</bdi>
            </Link>
          </h1>
          <input
            aria-label="Title of the map"
            dir="auto"
            value={map.title}
            maxLength={80}
            onChange={(event) => studio.apply({ ...map, title: event.target.value }, "title")}
            className="min-w-48 flex-1 border-b border-transparent bg-transparent py-1 text-ink-2 hover:border-line focus:border-ivy"
          />
          <span className="flex items-center gap-1 text-sm text-ink-2">
            {layers.length > 1 ? (
              <Choice
                label="Layer worked on"
                showLabel={false}
                value={String(layer)}
                options={layers.map(({ role }, i) => ({ value: String(i), label: LAYER_WORDS[role] }))}
                onChange={(value) => studio.setLayer(Number(value))}
              />
            ) : null}
            <Button tone="plain" disabled={!editor.canUndo} onClick={editor.undo}>
              Undo
            </Button>
            <Button tone="plain" disabled={!editor.canRedo} onClick={editor.redo}>
              Redo
            </Button>
          </span>
        </div>
        {draft.found ? (
          <Notice tone="note" title="Changes made here were not saved" className="mb-3">
            <Button
              tone="line"
              className="mt-1 mr-2"
              onClick={() => {
                const kept = lashMapSchema.safeParse(upgradeLashMap(draft.found?.document));
                if (kept.success) editor.change(kept.data);
                void draft.drop();
              }}
            >
              Take them up
            </Button>
            <Button tone="plain" onClick={() => void draft.drop()}>
              Drop them
            </Button>
          </Notice>
        ) : null}
        {page.newerSurveyId ? (
          <Notice tone="note" title="The client was surveyed again since" className="mb-3">
            This map still stands on the older survey.{" "}
            <Link className="font-semibold underline underline-offset-4" href={`/clients/${page.clientId}/map`}>
              Plan a new one on the newest
            </Link>
          </Notice>
        ) : null}
        {studio.clash ? <Notice tone="look" title={studio.clash} className="mb-3" /> : null}
        {studio.problem ? <Notice tone="stop" title={studio.problem} className="mb-3" /> : null}
        <MapPlate
          facts={facts}
          findings={findings}
          view={view}
          layer={layer}
          chosen={chosen}
          drag={studio.drag}
          bending={bendingOn}
          onLandmark={studio.onLandmark}
        />
        <ChosenZone zone={studio.zone} />
        <div className="mt-2 border-t border-line pt-2">
          <Choice
            label="Sheet"
            showLabel={false}
            value={sheet}
            options={SHEETS.map((name) => ({ value: name, label: name }))}
            onChange={setSheet}
            className="mb-3 [&_button]:font-serif [&_button]:text-lg"
          />
          {sheet === "line" ? <LineSheet studio={studio} view={view} onView={setView} bending={bending} onBending={setBending} /> : null}
          {sheet === "layers" ? <LayersSheet studio={studio} /> : null}
          {sheet === "fibre" ? <FibreSheet studio={studio} /> : null}
          {sheet === "load" ? <LoadSheet facts={calmFacts} view={view} /> : null}
          {sheet === "limits" ? <LimitsSheet studio={studio} /> : null}
          {sheet === "work" ? <WorkSheet facts={calmFacts} pace={page.pace} /> : null}
          {sheet === "saves" ? <SavesSheet studio={studio} /> : null}
        </div>
      </div>
      <aside className="min-w-0 space-y-6 lg:border-l lg:border-line lg:pl-6">
        <div className="flex flex-wrap gap-2">
          <Button tone="line" disabled={saving.busy || !saving.dirty} onClick={() => void saving.save()}>
            {saving.busy ? "Saving…" : saving.dirty ? "Save" : "Saved"}
          </Button>
          <BeginVisit
            clientId={page.clientId}
            clientName={page.clientName}
            standing={page.standing}
            mapId={studio.mapId}
            save={saving.save}
            stops={findings.filter((f) => f.severity === "stop").length}
          />
        </div>
        <Findings findings={calmFindings} onFix={studio.takeFix} onShow={studio.showFinding} />
        <MapFiles mapId={studio.mapId} clientId={page.clientId} view={view} save={saving.save} />
        <p className="text-sm text-ink-2">
          Load is a comparison, not a strength. The leaflets of adhesive and fibre come first.{" "}
          <span className="whitespace-nowrap">Press ? for keys.</span>
        </p>
      </aside>
      {saving.theirs ? (
        <TwoMaps
          mine={map}
          theirs={saving.theirs.map}
          onMine={saving.keepMine}
          onTheirs={() => void saving.takeTheirs()}
          onClose={saving.letBothBe}
        />
      ) : null}
    </div>
  );
}

/** The look's handles on both eyes while it is being bent, or null. */
function useBending({ map, page, facts, longestMm, onBend }: ReturnType<typeof useMapStudio>, bending: boolean) {
  return useMemo(() => {
    if (!bending) return null;
    const handles = map.bend ?? lookHandles(LOOKS[map.look], landmarksOf(map, page.survey.document, "right"));
    const longest = (side: Side) => longestMm?.[side] ?? Math.max(6, ...facts.zones[side].map(({ fibre }) => fibre?.lengthMm ?? 0));
    return {
      handles: { right: handles, left: handles },
      longestMm: Object.fromEntries(SIDES.map((side) => [side, longest(side)])) as Record<Side, number>,
      onBend,
    };
  }, [bending, map, page.survey.document, facts.zones, longestMm, onBend]);
}
