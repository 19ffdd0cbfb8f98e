import { fibreMassMg } from "../lash";
import { momentMgMm } from "../load";
import { defaultPolicy } from "../policy";
import type { MapFacts, ZoneFacts } from "./facts";
import { loadBands, zoneLoad } from "./loadAlong";

const piece = (count: number, resting: number) => {
  const fibre = { curl: "C", diameterMm: 0.15, shape: "round", count, lengthMm: 12 } as const;
  return { fibre, load: { resting, day14: resting * 1.2, growing: resting * 1.5 } };
};
const zone = { pieces: [piece(1, 0.8), piece(3, 1.1)] } as unknown as ZoneFacts;
const heaviest = { ...piece(3, 1.1).fibre };

test("a zone's load is that of its heaviest lash: index of the day, moment grown with it, mass whatever the day", () => {
  expect(zoneLoad(zone, "index", "growing", defaultPolicy)).toBeCloseTo(1.65, 9);
  expect(zoneLoad(zone, "index", "resting", defaultPolicy)).toBeCloseTo(1.1, 9);
  expect(zoneLoad(zone, "moment", "resting", defaultPolicy)).toBeCloseTo(momentMgMm(heaviest, 1), 9);
  expect(zoneLoad(zone, "moment", "day14", defaultPolicy)).toBeCloseTo(momentMgMm(heaviest, 1) * 1.2, 9);
  expect(zoneLoad(zone, "mass", "growing", defaultPolicy)).toBeCloseTo(fibreMassMg(heaviest), 9);
  expect(zoneLoad({ pieces: [] }, "index", "resting", defaultPolicy)).toBe(0);
});
test("caution and stop of singles and fans; later days judge both raised by a third and a bit", () => {
  const facts = (count: number) => ({ map: { fibre: { count } }, policy: defaultPolicy }) as unknown as MapFacts;
  expect(loadBands(facts(1), "resting")).toEqual({ amber: 1.2, red: 1.6 });
  expect(loadBands(facts(4), "resting")).toEqual({ amber: 1.1, red: 1.6 });
  expect(loadBands(facts(1), "growing").red).toBeCloseTo(1.6 * 1.35, 9);
  expect(loadBands(facts(4), "day14").amber).toBeCloseTo(1.1 * 1.35, 9);
});
