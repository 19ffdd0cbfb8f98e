import fc from "fast-check";
import { fibreMassMg, mostCount } from "../lash";
import { defaultPolicy } from "../policy";
import { lengthsFrom, surveyArbitrary, surveyOf, trayOf } from "../../../tests/support/surveys";
import { equivalents, lashMapSchema, mapTitle, planMap, samePlaced, swapEverywhere, type FibreKind, type LashMap, type MapWish } from ".";

const single: FibreKind = { curl: "C", diameterMm: 0.15, shape: "round", count: 1 };
const nine: FibreKind = { curl: "C", diameterMm: 0.05, shape: "round", count: 9 };
const spike: FibreKind = { ...nine, count: 4, opening: "closed" };
const trays = [trayOf(lengthsFrom(5, 15)), trayOf(lengthsFrom(5, 15), { diameterMm: 0.05 })];
const wish: MapWish = {
  title: mapTitle({ look: "squirrel", fibre: single, accents: undefined }),
  look: "squirrel",
  school: { id: "browPeak" },
  fibre: single,
  longestMm: null,
  coupling: "mirrored",
  accents: { offsetMm: 3, sections: 5, placing: { every: 4, cluster: 1, innerEvery: 2 }, fibre: spike },
  under: { belowMm: 2, sections: 4, fibre: single },
  hybrid: { share: 0.4, pattern: "alternate", fibre: { ...nine, count: 3 } },
};
const plan = (survey = surveyOf([7.2, 10.2, 9.2])) => planMap(survey, wish, defaultPolicy, trays)!.map;
const zones = (map: LashMap) => (["right", "left"] as const).flatMap((side) => map.eyes[side].layers.flatMap((layer) => layer.zones));

test("a single of 0.15 swapped for 9D of 0.05 in every layer: the same lengths, the same mass, nothing else touched (property)", () => {
  fc.assert(
    fc.property(surveyArbitrary, (survey) => {
      const map = plan(survey);
      const swapped = swapEverywhere(map, single, nine);
      expect(lashMapSchema.safeParse(swapped).success).toBe(true);
      zones(map).forEach((before, i) => {
        const after = zones(swapped)[i] ?? null;
        if (!before || !after) return expect(after).toBe(before);
        expect(after.lengthMm).toBe(before.lengthMm);
        expect(after.hybrid).toEqual(before.hybrid);
        if (!samePlaced(before, single)) return expect(after).toBe(before);
        expect(after).toMatchObject(nine);
        // Derived: 9 × 0.05² = 0.15².
        expect(fibreMassMg(after)).toBeCloseTo(fibreMassMg(before), 12);
      });
      expect([swapped.fibre, swapped.under!.fibre, swapped.accents!.fibre]).toEqual([nine, nine, spike]);
    }),
    { numRuns: 40, seed: 51 },
  );
});

test("there and back is the same map", () => {
  const map = { ...plan(), title: "own name" };
  expect(swapEverywhere(swapEverywhere(map, single, nine), nine, single)).toEqual(map);
  expect(swapEverywhere(map, { ...single, curl: "D" }, nine)).toEqual(map);
});

test("what is mixed in is swapped where it is meant, and leaves the first fibre", () => {
  const map = plan();
  const swapped = swapEverywhere(map, { ...nine, count: 3 }, { ...nine, count: 5, opening: "wide" });
  const mixed = zones(swapped).flatMap((zone) => (zone?.hybrid ? [zone] : []));
  expect(mixed.length).toBeGreaterThan(0);
  for (const zone of mixed) expect([zone.hybrid!.fibre.count, zone.hybrid!.fibre.opening, zone.count]).toEqual([5, "wide", 1]);
});

test("nothing of the old fan is left on the new one: width, range and colour are the new fibre's own", () => {
  const wide: FibreKind = { ...nine, count: 3, countTo: 5, opening: "wide", colour: "brown" };
  const map = swapEverywhere(plan(), single, wide);
  const back = swapEverywhere(map, wide, single);
  expect(zones(map).filter((zone) => zone?.countTo).length).toBeGreaterThan(10);
  expect(zones(back)).toEqual(zones(plan()));
  expect(samePlaced(wide, { ...wide, countTo: 4 })).toBe(false);
  expect(samePlaced(wide, { ...wide, opening: "narrow" })).toBe(false);
  expect(samePlaced({ ...nine, opening: "usual" }, nine)).toBe(true);
});

test("a title that follows from the choices follows; one given by hand stays", () => {
  const named = plan();
  const followed = swapEverywhere({ ...named, title: mapTitle(named) }, single, nine);
  expect(followed.title).toBe(mapTitle(followed));
  expect(swapEverywhere({ ...named, title: "Zofia's own" }, single, nine).title).toBe("Zofia's own");
});

test("every equivalent offered for a zone may be worn everywhere at the same mass, within what it says", () => {
  const fibre = zones(plan()).find((zone) => zone && samePlaced(zone, single))!;
  const offered = equivalents(fibre, trays);
  expect(offered.length).toBeGreaterThan(0);
  for (const { fibre: other, massRatio } of offered) {
    const { lengthMm: _, ...kind } = other;
    const swapped = zones(swapEverywhere(plan(), single, kind)).find((zone) => zone && samePlaced(zone, kind))!;
    expect(fibreMassMg({ ...swapped, count: mostCount(swapped) }) / fibreMassMg({ ...fibre, lengthMm: swapped.lengthMm })).toBeCloseTo(
      massRatio,
      9,
    );
  }
});
