"use client";
import { startTransition, useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { Landmarks, Side } from "@/core/eye";
import {
  baseIndex,
  changeWish,
  gatherFindings,
  planWords,
  kindLabel,
  landmarksOf,
  landmarkWithin,
  LOOKS,
  lookHandles,
  mapFacts,
  mapFindings,
  mapTitle,
  moveEdge,
  onBothEyes,
  setZoneLength,
  type Finding,
  type LashMap,
  type MapWish,
  wishOf,
} from "@/core/map";
import { newId } from "@/ui/newId";
import { useDraft } from "@/features/tablet/useDraft";
import type { MapPage } from "./data";
import type { Drag, ZoneRef } from "./drag";
import { useMapEditor } from "./useMapEditor";
import { useMapSaving } from "./useMapSaving";
import { usePlanner } from "./usePlanner";

const readKept = (document: unknown) => import("./readDraft").then(({ readDraft }) => readDraft(document));

/** The map that is worked on: what it is, what deserves to be said of it, and everything that can be done to it. */
export function useMapStudio(page: MapPage, start: { map: LashMap; notKept: readonly string[] }) {
  const editor = useMapEditor(start.map);
  const { map, change } = editor;
  const [mapId] = useState(() => page.saved?.id ?? newId());
  const [chosen, setChosen] = useState<ZoneRef | null>(null);
  const [layer, setLayer] = useState(() => baseIndex(start.map, "right"));
  const [notKept, setNotKept] = useState(start.notKept);
  const [problem, setProblem] = useState<string | null>(null);
  const [longestMm, setLongestMm] = useState<Readonly<Record<Side, number>> | null>(null);
  const draft = `map ${page.saved?.id ?? `new ${page.clientId}`}`;
  const { earlier, keep, drop } = useDraft(draft, readKept);
  const { survey, policy, trays } = page;
  const context = useMemo(() => ({ survey: survey.document, policy, trays }), [survey, policy, trays]);
  const facts = useMemo(() => mapFacts(map, context), [map, context]);
  const findings = useMemo(() => mapFindings(facts), [facts]);
  const told = useMemo(() => gatherFindings(findings), [findings]);
  const planner = usePlanner(context, wishOf(start.map));
  const saving = useMapSaving({ page, mapId, draft, map, restart: editor.restart, saidSaved: drop, showProblem: setProblem });
  const revision = saving.saved?.revision ?? 0;

  const [hold, setHold] = useState(false);
  const unsaved = useRef<LashMap | null>(null);
  const live = useRef<(map: LashMap) => void>(null);
  /** Is the pointer on something just now? A plan that comes back after it let go is taken up like any other. */
  const pulling = useRef(false);

  /** `moving`: the pointer still holds it, so the page follows in slices between the frames; else all of it at once. */
  const apply = (next: LashMap, stroke?: string, moving = false) => {
    if (next === map) return;
    const together = () => {
      setHold(moving);
      change(next, stroke);
    };
    // The lashes follow the hand at once; what is read of them when there is time.
    if (moving) live.current?.(next);
    if (moving) startTransition(together);
    else together();
    pulling.current = moving;
    if (moving) unsaved.current = next;
    else keep(next, revision);
  };
  /** The pointer let go: the rest of the page catches up, and what was drawn is kept. */
  const release = () => {
    pulling.current = false;
    startTransition(() => setHold(false));
    if (unsaved.current) keep(unsaved.current, revision);
    unsaved.current = null;
  };
  const plan = async (wish: Partial<MapWish>, stroke?: string) => {
    const whole = changeWish(wishOf(map), wish, policy);
    const title = map.title === mapTitle(map) ? mapTitle(whole) : map.title;
    const planned = await planner.plan({ ...clean(whole), title }).catch(() => "unanswered" as const);
    if (planned === "unanswered") return setProblem("The plan could not be made: no connection. What is drawn stays; ask again.");
    if (planned === undefined) return;
    if (!planned) return setProblem(`No length of ${kindLabel(whole.fibre)} is in stock.`);
    setProblem(null);
    setNotKept(planWords(planned));
    setLongestMm(planned.longestMm);
    apply(planned.map, stroke, pulling.current);
    if (!stroke) setChosen(null);
    setLayer((old) => Math.min(old, planned.map.eyes.right.layers.length - 1));
  };

  const alike = map.coupling === "mirrored" && !map.differsOnPurpose;
  /** Changes a zone's length; with the eyes alike its mirror zone follows, unless it is to change alone. */
  const setLength = (zone: ZoneRef, lengthMm: number | null, stroke?: string, alone = false, moving = false) => {
    // Within a stroke the map shown may be a step behind the hand: pulled back to where it began it must go there too.
    if (!stroke && facts.layers[zone.side][zone.layer]?.[zone.index]?.fibre?.lengthMm === (lengthMm ?? undefined)) return;
    const once = (m: LashMap, side: Side) => setZoneLength(m, side, zone.index, lengthMm, zone.layer);
    apply(alike && !alone ? onBothEyes(map, zone.side, once) : once(map, zone.side), stroke, moving);
  };
  const pullEdge = (side: Side, l: number, edge: number, at: number, stroke: string, alone: boolean, moving: boolean) => {
    const once = (m: LashMap, s: Side) => moveEdge(m, s, l, edge, at);
    apply(alike && !alone ? onBothEyes(map, side, once) : once(map, side), stroke, moving);
  };
  const moveLandmark = (side: Side, mark: keyof Landmarks, at: number, stroke: string, done: boolean) => {
    const both = { right: landmarksOf(map, survey.document, "right"), left: landmarksOf(map, survey.document, "left") };
    const landmarks = { ...both, [side]: { ...both[side], [mark]: landmarkWithin(both[side], mark, at) } };
    if (done) void plan({ landmarks }, stroke);
    else apply({ ...map, landmarks }, stroke, true);
  };
  const bend = (handle: number, dropMm: number, stroke: string) => {
    const handles = map.bend ?? lookHandles(LOOKS[map.look], landmarksOf(map, survey.document, "right"), survey.document.eyes.right);
    // A stroke of the pointer is named by when it began; keys have strokes of one step.
    pulling.current = stroke.includes("@");
    const bent = handles.map((h, i) => (i === handle ? { ...h, dropMm: Math.min(12, Math.max(0, Math.round(dropMm * 10) / 10)) } : h));
    void plan({ bend: bent }, stroke);
  };
  const choose = (zone: ZoneRef | null, focus = false) => {
    setChosen(zone);
    if (zone) setLayer(zone.layer);
    if (zone && focus)
      requestAnimationFrame(() =>
        document.querySelector<SVGElement>(`[data-zone="${zone.side}-${zone.index + 1}"]`)?.focus({ preventScroll: true }),
      );
  };
  const takeFix = (finding: Finding | undefined) => {
    if (finding?.fix) apply(finding.fix.apply(map));
  };
  const showFinding = ({ where }: Finding) => {
    const side = where.side === "both" ? "right" : where.side;
    choose({ side, index: where.zones[0] ?? 0, layer: where.layer ?? baseIndex(map, side) }, true);
  };

  // The plate is drawn anew only where something changed: its callbacks stay the same and call what is current.
  const latest = useRef({ setLength, pullEdge, choose, moveLandmark, bend, release });
  useEffect(() => {
    latest.current = { setLength, pullEdge, choose, moveLandmark, bend, release };
  });
  const drag = useMemo<Drag>(
    () => ({
      onLength: (...all) => latest.current.setLength(...all),
      onEdge: (...all) => latest.current.pullEdge(...all),
      onChoose: (zone) => latest.current.choose(zone),
      onEnd: () => latest.current.release(),
    }),
    [],
  );
  const onLandmark = useCallback<typeof moveLandmark>((...all) => latest.current.moveLandmark(...all), []);
  const onBend = useCallback<typeof bend>((...all) => latest.current.bend(...all), []);

  return {
    page,
    editor,
    map,
    mapId,
    facts,
    /** Findings zone by zone, and gathered as they are told and counted. */
    findings,
    told,
    chosen,
    /** The chosen zone with all that is known of it. */
    zone: chosen ? facts.layers[chosen.side][chosen.layer]?.[chosen.index] : undefined,
    layer: Math.min(layer, map.eyes.right.layers.length - 1),
    setLayer: (l: number) => {
      setLayer(l);
      setChosen(null);
    },
    /** What the last plan could not keep, of limits and of wishes. */
    notKept,
    problem,
    showProblem: setProblem,
    longestMm,
    draft: { earlier, drop },
    /** A drag is on its way: only the plate need follow. */
    hold,
    planner,
    saving,
    together: alike,
    apply,
    plan,
    setLength,
    /** The outer line of a zone moved to a place of the lash line, all at once. */
    pullEdge: ({ side, layer: l, index }: ZoneRef, at: number) =>
      pullEdge(side, l, index + 1, at, `line ${side}${l}|${index}`, false, false),
    choose,
    takeFix,
    showFinding,
    drag,
    live,
    onLandmark,
    onBend,
  };
}
export type MapStudio = ReturnType<typeof useMapStudio>;

/** Fields that were unset are left out of the document altogether. */
const clean = (wish: MapWish): MapWish => Object.fromEntries(Object.entries(wish).filter(([, value]) => value !== undefined)) as MapWish;
