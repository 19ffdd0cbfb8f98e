"use client";
import { useEffect, useState } from "react";
import type { LashMap } from "@/core/map";
import { newId } from "@/ui/newId";
import { useAsk } from "@/features/tablet/useAsk";
import { saveMap, type SaveOutcome } from "./actions";
import type { MapPage, SavedMap } from "./data";

type Saved = Pick<SavedMap, "map" | "revision">;

const pathOf = (clientId: string, mapId: string) => `/clients/${clientId}/map/${mapId}`;

/**
 * Saving a map against the revision it was made from. Where another save came between, nothing is written and `theirs`
 * holds it until the person has chosen; neither map is lost. Without a server the save waits on the tablet.
 */
export function useMapSaving({
  page,
  mapId,
  draft,
  map,
  restart,
  saidSaved,
  showProblem,
}: {
  page: MapPage;
  mapId: string;
  /** The key that unsaved work is kept under. */
  draft: string;
  map: LashMap;
  restart: (map: LashMap) => void;
  saidSaved: () => Promise<void>;
  showProblem: (problem: string | null) => void;
}) {
  const [saved, setSaved] = useState<Saved | null>(page.saved);
  const [theirs, setTheirs] = useState<Saved | null>(null);
  const [busy, setBusy] = useState(false);
  const ask = useAsk();
  const dirty = saved === null || map !== saved.map;
  const place = { clientId: page.clientId, surveyId: page.survey.id };

  useEffect(() => {
    const leave = (event: BeforeUnloadEvent) => dirty && saved !== null && event.preventDefault();
    window.addEventListener("beforeunload", leave);
    return () => window.removeEventListener("beforeunload", leave);
  }, [dirty, saved]);

  /** What came of a save: its revision, or null where somebody saved in between. */
  const takeIn = (outcome: SaveOutcome): number | null => {
    if (outcome.state === "newer") {
      setTheirs({ map: outcome.theirs, revision: outcome.revision });
      return null;
    }
    showProblem(null);
    setTheirs(null);
    setSaved({ map, revision: outcome.revision });
    // The address follows without leaving the sheet: undo and the chosen zone stay.
    if (!page.saved) window.history.replaceState(null, "", pathOf(page.clientId, mapId));
    return outcome.revision;
  };
  /** The revision saved, or null when nothing was written yet and the screen says why. */
  const save = async (base = saved?.revision ?? 0): Promise<number | null> => {
    if (!dirty && base === saved?.revision) return base;
    setBusy(true);
    const asked = await ask(
      {
        kind: "saveMap",
        about: `map ${mapId}`,
        draft,
        words: "The save of a map",
        path: page.saved ? pathOf(page.clientId, mapId) : `/clients/${page.clientId}/map`,
        input: { ...place, mapId, base, map },
      },
      saveMap,
    );
    setBusy(false);
    if (asked.waits) {
      void asked.later.then((result) => result.ok && takeIn(result.data));
      return null;
    }
    const { result } = asked;
    if (!result.ok) {
      showProblem([result.message, ...Object.values(result.fields)].join(" "));
      return null;
    }
    const revision = takeIn(result.data);
    if (revision !== null) await saidSaved();
    return revision;
  };

  const takeTheirs = async () => {
    if (!theirs) return;
    // Mine is not lost: it becomes a map of its own beside theirs.
    const aside = await saveMap({
      ...place,
      mapId: newId(),
      base: 0,
      map: { ...map, title: `${map.title.slice(0, 66)}, set aside` },
    }).catch(() => null);
    if (!aside?.ok) return showProblem("Yours could not be set aside just now, so nothing was changed. Try again.");
    restart(theirs.map);
    setSaved(theirs);
    setTheirs(null);
    await saidSaved();
  };

  return { saved, dirty, busy, theirs, save, takeTheirs, keepMine: () => void save(theirs?.revision), closeTheirs: () => setTheirs(null) };
}
