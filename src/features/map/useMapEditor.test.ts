import type { LashMap } from "@/core/map";
import { mapHistory } from "./useMapEditor";

const map = (title: string) => ({ title }) as LashMap;
const start = { past: [], map: map("0"), future: [], stroke: null };
const change = (title: string, stroke?: string) => ({ do: "change" as const, map: map(title), stroke });
const run = (...steps: Parameters<typeof mapHistory>[1][]) => steps.reduce(mapHistory, start);

test("undo and redo walk the same way back and forth", () => {
  const there = run(change("1"), change("2"), { do: "undo" }, { do: "undo" });
  expect(there.map.title).toBe("0");
  expect([{ do: "redo" as const }, { do: "redo" as const }].reduce(mapHistory, there).map.title).toBe("2");
  expect(run({ do: "undo" }).map.title).toBe("0");
  expect(run({ do: "redo" }).map.title).toBe("0");
});

test("all of a drag is one step; the next drag of the same zone is another", () => {
  const dragged = run(change("1", "a"), change("2", "a"), change("3", "a"), change("4", "b"));
  expect(mapHistory(dragged, { do: "undo" }).map.title).toBe("3");
  expect(mapHistory(mapHistory(dragged, { do: "undo" }), { do: "undo" }).map.title).toBe("0");
});

test("a change after an undo drops what was undone; a fresh start has nothing to undo", () => {
  const after = run(change("1"), { do: "undo" }, change("2"));
  expect(mapHistory(after, { do: "redo" }).map.title).toBe("2");
  expect(mapHistory(run(change("1"), { do: "start", map: map("theirs") }), { do: "undo" }).map.title).toBe("theirs");
});

test("two hundred steps are kept, and the same map again is no step", () => {
  const many = Array.from({ length: 260 }, (_, i) => change(String(i + 1))).reduce(mapHistory, start);
  expect(many.past.length).toBeLessThanOrEqual(201);
  expect(mapHistory(many, { do: "change", map: many.map })).toBe(many);
});
