"use client";
import { useEffect, useState } from "react";
import type { LashMap } from "@/core/map";
import { newId } from "@/ui/newId";
import { saveMap } from "./actions";
import type { MapPage, SavedMap } from "./data";
import { answered } from "@/ui/answered";

type Saved = Pick<SavedMap, "map" | "revision">;

/**
 * Saving a map against the revision it was made from. Where another save came between, nothing is written and `theirs`
 * holds it until the person has chosen; neither map is lost.
 */
export function useMapSaving({
  page,
  mapId,
  map,
  restart,
  saidSaved,
  showProblem,
}: {
  page: MapPage;
  mapId: string;
  map: LashMap;
  restart: (map: LashMap) => void;
  saidSaved: () => Promise<void>;
  showProblem: (problem: string | null) => void;
}) {
  const [saved, setSaved] = useState<Saved | null>(page.saved);
  const [theirs, setTheirs] = useState<Saved | null>(null);
  const [busy, setBusy] = useState(false);
  const dirty = saved === null || map !== saved.map;
  const place = { clientId: page.clientId, surveyId: page.survey.id };

  useEffect(() => {
    const leave = (event: BeforeUnloadEvent) => dirty && saved !== null && event.preventDefault();
    window.addEventListener("beforeunload", leave);
    return () => window.removeEventListener("beforeunload", leave);
  }, [dirty, saved]);

  /** The revision saved, or null when nothing was written and the screen says why. */
  const save = async (base = saved?.revision ?? 0): Promise<number | null> => {
    if (!dirty && base === saved?.revision) return base;
    setBusy(true);
    const result = await answered(saveMap({ ...place, mapId, base, map }), "The map is kept on this tablet; save again when it is back.");
    setBusy(false);
    if (!result.ok) {
      showProblem([result.message, ...Object.values(result.fields)].join(" "));
      return null;
    }
    if (result.data.state === "newer") {
      setTheirs({ map: result.data.theirs, revision: result.data.revision });
      return null;
    }
    showProblem(null);
    setTheirs(null);
    setSaved({ map, revision: result.data.revision });
    await saidSaved();
    // The address follows without leaving the sheet: undo and the chosen zone stay.
    if (!page.saved) window.history.replaceState(null, "", `/clients/${page.clientId}/map/${mapId}`);
    return result.data.revision;
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
