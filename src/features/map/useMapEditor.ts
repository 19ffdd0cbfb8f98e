"use client";
import { useCallback, useReducer } from "react";
import type { LashMap } from "@/core/map";

type History = {
  readonly past: readonly LashMap[];
  readonly map: LashMap;
  readonly future: readonly LashMap[];
  readonly stroke: string | null;
};
type Step =
  /** `stroke` names a drag: all its steps are undone as one. */
  | { readonly do: "change"; readonly map: LashMap; readonly stroke?: string }
  | { readonly do: "undo" }
  | { readonly do: "redo" }
  | { readonly do: "start"; readonly map: LashMap };

const KEPT = 200;

export function mapHistory(history: History, step: Step): History {
  switch (step.do) {
    case "change":
      if (step.map === history.map) return history;
      if (step.stroke && step.stroke === history.stroke) return { ...history, map: step.map };
      return { past: [...history.past.slice(-KEPT), history.map], map: step.map, future: [], stroke: step.stroke ?? null };
    case "undo": {
      const before = history.past.at(-1);
      return before ? { past: history.past.slice(0, -1), map: before, future: [history.map, ...history.future], stroke: null } : history;
    }
    case "redo": {
      const [after, ...future] = history.future;
      return after ? { past: [...history.past, history.map], map: after, future, stroke: null } : history;
    }
    case "start":
      return { past: [], map: step.map, future: [], stroke: null };
  }
}

/** A map being drawn, with undo and redo. */
export function useMapEditor(start: LashMap) {
  const [history, dispatch] = useReducer(mapHistory, { past: [], map: start, future: [], stroke: null });
  return {
    map: history.map,
    canUndo: history.past.length > 0,
    canRedo: history.future.length > 0,
    change: useCallback((map: LashMap, stroke?: string) => dispatch({ do: "change", map, stroke }), []),
    undo: useCallback(() => dispatch({ do: "undo" }), []),
    redo: useCallback(() => dispatch({ do: "redo" }), []),
    restart: useCallback((map: LashMap) => dispatch({ do: "start", map }), []),
  };
}
