import fc from "fast-check";
import { lengthsFrom, surveyArbitrary, surveyOf, trayOf } from "../../../tests/support/surveys";
import { defaultPolicy } from "../policy";
import { inOtherFibres, lashMapSchema, mapTitle, planMap, type FibreKind, type LashMap, type MapWish, type OtherFibres } from ".";

const single: FibreKind = { curl: "C", diameterMm: 0.15, shape: "round", count: 1 };
const fan: FibreKind = { curl: "C", diameterMm: 0.05, shape: "round", count: 4, opening: "closed" };
const trays = [trayOf(lengthsFrom(5, 15)), trayOf(lengthsFrom(5, 15), { diameterMm: 0.05 })];
const wish: MapWish = {
  title: mapTitle({ look: "squirrel", fibre: single, accents: undefined }),
  look: "squirrel",
  school: { id: "browPeak" },
  fibre: single,
  longestMm: null,
  coupling: "mirrored",
  accents: { offsetMm: 3, sections: 5, placing: { every: 4, cluster: 1, innerEvery: 2 }, fibre: fan },
  hybrid: { share: 0.4, pattern: "alternate", fibre: { ...fan, count: 3 } },
};
const NONE: OtherFibres = { curl: null, diameterMm: null, longerMm: 0 };
const plan = (survey = surveyOf([7.2, 10.2, 9.2])) =>
  ((map) => ({ ...map, title: mapTitle(map) }))(planMap(survey, wish, defaultPolicy, trays)!.map);
const fibres = (map: LashMap) =>
  (["right", "left"] as const).flatMap((side) =>
    map.eyes[side].layers.flatMap(({ zones }) =>
      zones.flatMap((zone) => (zone ? [zone, ...(zone.hybrid ? [zone.hybrid.fibre] : [])] : [])),
    ),
  );

test("nothing asked is the same map", () => expect(inOtherFibres(plan(), NONE)).toEqual(plan()));

test("another curl: every fibre of the base's curl, in every layer, and the map it is planned by (property)", () => {
  fc.assert(
    fc.property(surveyArbitrary, (survey) => {
      const map = plan(survey);
      const other = inOtherFibres(map, { ...NONE, curl: "D" });
      expect(lashMapSchema.safeParse(other).success).toBe(true);
      expect(fibres(other).every(({ curl }) => curl === "D")).toBe(true);
      expect(fibres(other).map(({ lengthMm, diameterMm }) => [lengthMm, diameterMm])).toEqual(
        fibres(map).map(({ lengthMm, diameterMm }) => [lengthMm, diameterMm]),
      );
      expect([other.fibre.curl, other.accents!.fibre.curl, other.hybrid!.fibre.curl]).toEqual(["D", "D", "D"]);
    }),
    { numRuns: 20, seed: 52 },
  );
});
test("another diameter: of the base alone, fans beside it keep theirs", () => {
  const other = inOtherFibres(plan(), { ...NONE, diameterMm: 0.12 });
  expect(other.fibre.diameterMm).toBe(0.12);
  expect(other.accents!.fibre.diameterMm).toBe(0.05);
  expect(new Set(fibres(other).map(({ diameterMm }) => diameterMm))).toEqual(new Set([0.12, 0.05]));
  expect(other.title).toBe("wispy squirrel, C 0.12, hybrid");
  expect(inOtherFibres({ ...plan(), title: "own name" }, { ...NONE, diameterMm: 0.12 }).title).toBe("own name");
});
test("another curl leaves what has a curl of its own", () => {
  const map = plan();
  const own = { ...map, accents: { ...map.accents!, fibre: { ...map.accents!.fibre, curl: "M" as const } } };
  expect(inOtherFibres(own, { ...NONE, curl: "D" }).accents!.fibre.curl).toBe("M");
});
test("longer or shorter: all alike, no shorter than 5 mm and no longer than a client wears", () => {
  const map = plan();
  const lengths = (longerMm: number) => fibres(inOtherFibres(map, { ...NONE, longerMm })).map(({ lengthMm }) => lengthMm);
  expect(lengths(1)).toEqual(lengths(0).map((mm) => mm + 1));
  expect(lengths(-2)).toEqual(lengths(0).map((mm) => Math.max(5, mm - 2)));
  expect(new Set(lengths(20))).toEqual(new Set([18]));
  expect(inOtherFibres({ ...map, classLengthsMm: [8, 11] }, { ...NONE, longerMm: 1 }).classLengthsMm).toEqual([9, 12]);
  const onAHead = inOtherFibres({ ...map, longestMm: 22 }, { ...NONE, longerMm: 1 });
  expect([onAHead.longestMm, inOtherFibres({ ...map, longestMm: 22 }, { ...NONE, longerMm: -1 }).longestMm]).toEqual([22, 21]);
  const { classes, longest } = ((of) => ({ classes: of.eyes.right.layers[0]!.zones[0]!, longest: of.longestMm }))(
    inOtherFibres(
      {
        ...map,
        longestMm: 12,
        eyes: {
          ...map.eyes,
          right: {
            layers: map.eyes.right.layers.map((layer) => ({
              ...layer,
              zones: layer.zones.map(
                (zone) =>
                  zone && {
                    ...zone,
                    support: { lengthMm: 6, every: 4 },
                    classes: [
                      { upToMm: 6, lengthMm: null },
                      { upToMm: 8, lengthMm: 7 },
                    ],
                  },
              ),
            })),
          },
        },
      },
      { ...NONE, longerMm: 1 },
    ),
  );
  expect(longest).toBe(13);
  expect(classes).toMatchObject({
    support: { lengthMm: 7 },
    classes: [
      { upToMm: 6, lengthMm: null },
      { upToMm: 8, lengthMm: 8 },
    ],
  });
});
