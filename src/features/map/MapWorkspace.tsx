"use client";
import Link from "next/link";
import { useMemo, useState } from "react";
import { otherSide } from "@/core/eye";
import {
  clashWords,
  eyesInView,
  innerCornerOnRight,
  joinFindings,
  lashMapSchema,
  mapFacts,
  mapFindings,
  nearestStocked,
  nextStocked,
  planMap,
  setZoneLength,
  type Finding,
  type LashMap,
  type MapWish,
  type View,
} from "@/core/map";
import { newId } from "@/features/visit/newId";
import { useDraft } from "@/features/visit/useDraft";
import { Button, Notice } from "@/ui";
import { BeginVisit } from "./BeginVisit";
import { ChosenZone } from "./ChosenZone";
import type { MapPage } from "./data";
import { firstPlan, titleOf } from "./firstPlan";
import { Findings } from "./Findings";
import { MapControls } from "./MapControls";
import { MapFiles } from "./MapFiles";
import { MapPlate } from "./MapPlate";
import type { ZoneRef } from "./Skyline";
import { Takes } from "./Takes";
import { TwoMaps } from "./TwoMaps";
import { useMapEditor } from "./useMapEditor";
import { useMapKeys } from "./useMapKeys";
import { useMapSaving } from "./useMapSaving";

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
  const editor = useMapEditor(start.map);
  const { map, change } = editor;
  const [mapId] = useState(() => page.saved?.id ?? newId());
  const { survey } = page;
  const [view, setView] = useState<View>("facing");
  const [chosen, setChosen] = useState<ZoneRef | null>(null);
  const [clash, setClash] = useState(start.clash);
  const [problem, setProblem] = useState<string | null>(null);
  const { found, keep, drop } = useDraft(`map ${page.saved?.id ?? `new ${page.clientId}`}`);

  const context = useMemo(() => ({ survey: survey.document, policy: page.policy, trays: page.trays }), [survey, page.policy, page.trays]);
  const facts = useMemo(() => mapFacts(map, context), [map, context]);
  const findings = useMemo(() => joinFindings(mapFindings(facts)), [facts]);
  const { saved, dirty, busy, theirs, save, takeTheirs, keepMine, letBothBe } = useMapSaving({
    page,
    mapId,
    map,
    restart: editor.restart,
    saidSaved: drop,
    say: setProblem,
  });

  const apply = (next: LashMap, stroke?: string) => {
    if (next === map) return;
    change(next, stroke);
    keep(next, saved?.revision ?? 0);
  };
  const plan = (wish: Partial<MapWish>) => {
    const whole: MapWish = {
      title: map.title,
      look: map.look,
      school: map.school,
      fibre: map.fibre,
      longestMm: map.longestMm,
      coupling: map.coupling,
      ...wish,
    };
    const title = map.title === titleOf(map) ? titleOf(whole) : map.title;
    const found = planMap(survey.document, { ...whole, title }, page.policy, page.trays);
    if (!found)
      return setProblem(`No length of ${whole.fibre.curl} ${whole.fibre.diameterMm.toFixed(2)} ${whole.fibre.shape} is in stock.`);
    setProblem(null);
    setClash(clashWords(found.clash));
    apply(found.map);
    setChosen(null);
  };

  /** Changes a zone's length; with the eyes alike its mirror zone follows, unless it is to change alone. */
  const setLength = (zone: ZoneRef, lengthMm: number | null, stroke?: string, alone = false) => {
    let next = setZoneLength(map, zone.side, zone.index, lengthMm);
    const mirror = facts.zones[otherSide(zone.side)][zone.index];
    if (map.coupling === "mirrored" && !alone && !map.differsOnPurpose && mirror && facts.zones.right.length === facts.zones.left.length)
      next = setZoneLength(next, otherSide(zone.side), zone.index, lengthMm);
    const same = facts.zones[zone.side][zone.index]?.fibre?.lengthMm === (lengthMm ?? undefined);
    if (!same) apply(next, stroke);
  };
  const drag = (zone: ZoneRef, wishMm: number, stroke: string, alone: boolean) => {
    const stocked = facts.zones[zone.side][zone.index]!.stockedMm;
    const shortest = stocked[0];
    const wish = shortest !== undefined && wishMm < shortest - 1.5 ? null : nearestStocked(stocked, wishMm);
    setLength(zone, wish, stroke, alone);
  };
  const choose = (zone: ZoneRef | null, focus = false) => {
    setChosen(zone);
    if (zone && focus)
      requestAnimationFrame(() =>
        document.querySelector<SVGElement>(`[data-zone="${zone.side}-${zone.index + 1}"]`)?.focus({ preventScroll: true }),
      );
  };
  const takeFix = (finding: Finding | undefined) => {
    if (finding?.fix) apply(finding.fix.apply(map));
  };
  const showFinding = ({ where }: Finding) =>
    choose({ side: where.side === "both" ? "right" : where.side, index: where.zones[0] ?? 0 }, true);

  const inOrder = eyesInView(view).flatMap((side) => {
    const zones = facts.zones[side].map((_, index) => ({ side, index }));
    return innerCornerOnRight(side, view) ? zones.reverse() : zones;
  });
  useMapKeys({
    chosen,
    choose: (step) => {
      const here = chosen ?? inOrder[0]!;
      if (step === "other eye")
        return choose({ side: otherSide(here.side), index: Math.min(here.index, facts.zones[otherSide(here.side)].length - 1) }, true);
      if ("zone" in step)
        return step.zone < facts.zones[here.side].length ? choose({ side: here.side, index: step.zone }, true) : undefined;
      if (!chosen) return choose(here, true);
      const at = inOrder.findIndex((zone) => zone.side === here.side && zone.index === here.index) + step.beside;
      return choose(inOrder[Math.min(inOrder.length - 1, Math.max(0, at))]!, true);
    },
    move: (way) => {
      if (!chosen) return choose(inOrder[0]!, true);
      const zone = facts.zones[chosen.side][chosen.index]!;
      setLength(chosen, nextStocked(zone.stockedMm, zone.fibre?.lengthMm ?? null, way));
    },
    bare: () => chosen && setLength(chosen, null),
    undo: editor.undo,
    redo: editor.redo,
    fix: () => takeFix(findings.find((finding) => finding.fix)),
    turn: () => setView(view === "facing" ? "bedHead" : "facing"),
    save: () => void save(),
  });

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
            onChange={(event) => apply({ ...map, title: event.target.value }, "title")}
            className="min-w-48 flex-1 border-b border-transparent bg-transparent py-1 text-ink-2 hover:border-line focus:border-ivy"
          />
          <span className="flex items-center gap-1 text-sm text-ink-2">
            <Button tone="plain" disabled={!editor.canUndo} onClick={editor.undo}>
              Undo
            </Button>
            <Button tone="plain" disabled={!editor.canRedo} onClick={editor.redo}>
              Redo
            </Button>
          </span>
        </div>
        {found ? (
          <Notice tone="note" title="Changes made here were not saved" className="mb-3">
            <Button
              tone="line"
              className="mt-1 mr-2"
              onClick={() => {
                const draft = lashMapSchema.safeParse(found.document);
                if (draft.success) change(draft.data);
                void drop();
              }}
            >
              Take them up
            </Button>
            <Button tone="plain" onClick={() => void drop()}>
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
        {clash ? <Notice tone="look" title={clash} className="mb-3" /> : null}
        {problem ? <Notice tone="stop" title={problem} className="mb-3" /> : null}
        <MapPlate facts={facts} findings={findings} view={view} chosen={chosen} onChoose={choose} onDrag={drag} />
        <ChosenZone zone={chosen ? facts.zones[chosen.side][chosen.index] : undefined} />
        <div className="mt-2 border-t border-line pt-3">
          <MapControls
            map={map}
            trays={page.trays}
            view={view}
            onWish={plan}
            onView={setView}
            onPurpose={(differsOnPurpose) => apply({ ...map, differsOnPurpose })}
          />
        </div>
      </div>
      <aside className="min-w-0 space-y-6 lg:border-l lg:border-line lg:pl-6">
        <div className="flex flex-wrap gap-2">
          <Button tone="line" disabled={busy || !dirty} onClick={() => void save()}>
            {busy ? "Saving…" : dirty ? "Save" : "Saved"}
          </Button>
          <BeginVisit
            clientId={page.clientId}
            clientName={page.clientName}
            standing={page.standing}
            mapId={mapId}
            save={save}
            stops={findings.filter((f) => f.severity === "stop").length}
          />
        </div>
        <Findings findings={findings} onFix={takeFix} onShow={showFinding} />
        <Takes facts={facts} />
        <MapFiles mapId={mapId} clientId={page.clientId} view={view} save={save} />
        <p className="text-sm text-ink-2">
          Load is a comparison, not a strength. The leaflets of adhesive and fibre come first.{" "}
          <span className="whitespace-nowrap">Press ? for keys.</span>
        </p>
      </aside>
      {theirs ? <TwoMaps mine={map} theirs={theirs.map} onMine={keepMine} onTheirs={() => void takeTheirs()} onClose={letBothBe} /> : null}
    </div>
  );
}
