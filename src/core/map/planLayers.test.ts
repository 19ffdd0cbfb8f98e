import { defaultPolicy } from "../policy";
import { accentOver, lineLimits } from "./planLayers";
import type { Layer } from "./schema";

type Ground = Parameters<typeof accentOver>[1];
const fibre = { curl: "C", diameterMm: 0.07, shape: "round", count: 3 } as const;
const EDGES = [0, 0.1, 0.4, 0.7, 1];
const accents = (lengths: readonly (number | null)[]): Layer => ({
  role: "accent",
  boundaries: [...EDGES],
  zones: lengths.map((lengthMm) => (lengthMm === null ? null : { ...fibre, lengthMm })),
});
const zones = EDGES.slice(1).map((to, i) => ({ from: EDGES[i]!, to, corner: i === 0 }));
const ground = { zones: { right: zones, left: zones } } as unknown as Ground;

test("a base zone lies under the shortest accent over a good part of it, corners and sections without one left out", () => {
  const over = (lengths: readonly (number | null)[], from: number, to: number) => accentOver(accents(lengths), ground, "right", from, to);
  expect(over([8, 12, 10, 11], 0.25, 0.55)).toBe(10);
  expect(over([8, 10, 12, 11], 0.25, 0.55)).toBe(10);
  // A twentieth of a neighbour is no part to count.
  expect(over([8, 12, 10, 11], 0.11, 0.42)).toBe(12);
  expect(over([8, 12, 10, 11], 0, 0.1)).toBeNull();
  expect(over([8, 12, null, 11], 0.25, 0.55)).toBe(12);
  expect(over([8, null, null, 11], 0.25, 0.55)).toBeNull();
});

test("where the last zone is long it drops by two, or by as much as the studio asks of every last zone if that is more", () => {
  const limits = (outerDropMm: number) => lineLimits({ ...defaultPolicy, outerDropMm });
  expect([limits(1).longEndDropMm, limits(2).longEndDropMm, limits(3).longEndDropMm]).toEqual([2, 2, 3]);
  expect(limits(1).outerDropMm).toBe(1);
});
