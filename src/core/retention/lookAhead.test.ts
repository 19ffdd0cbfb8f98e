import { classicWish, WIDE_SHELF } from "../../../tests/support/planShares";
import { surveyOf } from "../../../tests/support/surveys";
import { inOtherFibres, mapDarkness, mapFacts, planMap, type LashMap, type OtherFibres } from "../map";
import { defaultPolicy } from "../policy";
import { lookAhead } from "./lookAhead";

const survey = surveyOf([7, 9.5, 8.5], { babyShare: 0 });
const map = planMap(survey, classicWish("doll"), defaultPolicy, WIDE_SHELF)!.map;
const NONE: OtherFibres = { curl: null, diameterMm: null, longerMm: 0 };
const hazard = { mid: 0.0117, low: 0.008, high: 0.016 };
const ahead = (of: LashMap, day = 21, known = hazard) =>
  lookAhead(mapFacts(of, { survey, policy: defaultPolicy, trays: WIDE_SHELF }), { hazard: known, isKnown: true }, day, () => 36);

test("60 % of it on at 21 days by the usual loss (handbook of the trade), darkness by what is left of the fibre", () => {
  const { lashes, on, darkness, heaviest, next } = ahead(map);
  expect(on / lashes).toBeCloseTo(0.6, 1);
  const placed = mapDarkness(mapFacts(map, { survey, policy: defaultPolicy, trays: WIDE_SHELF }));
  for (const side of ["right", "left"] as const) {
    expect(darkness[side].placed).toBe(placed[side].darkness);
    // Derived: 0.6 of the area leaves 1 − (1 − d)^0.6; both eyes lose alike.
    expect(Math.abs(darkness[side].then - (1 - (1 - placed[side].darkness) ** (on / lashes)))).toBeLessThan(0.01);
  }
  expect(heaviest!.growing).toBeGreaterThan(heaviest!.resting);
  expect(next.day).toBeLessThanOrEqual(21);
  expect(ahead(map, 0)).toMatchObject({ on: lashes, outgrown: 0 });
  expect(ahead(map, 0).darkness.right.then).toBeCloseTo(placed.right.darkness, 9);
});
test("thicker weighs more, reads darker and comes over its load; longer weighs more; both grow out alike", () => {
  const thick = ahead(inOtherFibres(map, { ...NONE, diameterMm: 0.25 }));
  const long = ahead(inOtherFibres(map, { ...NONE, longerMm: 2 }));
  const plain = ahead(map);
  expect(thick.heaviest!.growing).toBeGreaterThan(2 * plain.heaviest!.growing);
  expect(long.heaviest!.growing).toBeGreaterThan(plain.heaviest!.growing);
  expect(thick.darkness.right.then).toBeGreaterThan(plain.darkness.right.then);
  expect(plain.overLoad).toBe(0);
  expect(thick.overLoad).toBeGreaterThan(plain.on / 2);
  // Growth is the lashes', not the fibre's.
  expect(thick.outgrown).toBeCloseTo(plain.outgrown, 9);
});
test("an eye without extensions is as dark as it is", () => {
  const half: LashMap = {
    ...map,
    eyes: { ...map.eyes, left: { layers: map.eyes.left.layers.map((layer) => ({ ...layer, zones: layer.zones.map(() => null) })) } },
  };
  expect(ahead(half).darkness.left).toEqual({ placed: 0, then: 0 });
  expect(ahead(half).darkness.right.then).toBeCloseTo(ahead(map).darkness.right.then, 1);
  expect(ahead(half).darkness.right.then).toBeGreaterThan(0.1);
});
test("another curl lies less of its length along the lash; how it holds is not supposed; of nothing worn nothing is said", () => {
  const other = ahead(inOtherFibres(map, { ...NONE, curl: "D" }));
  expect(other.contactMm!).toBeLessThan(ahead(map).contactMm! * 0.95);
  expect(other.on).toBe(ahead(map).on);
  const bareEye = (side: "right" | "left") => ({
    layers: map.eyes[side].layers.map((layer) => ({ ...layer, zones: layer.zones.map(() => null) })),
  });
  const bare: LashMap = { ...map, eyes: { right: bareEye("right"), left: bareEye("left") } };
  expect(ahead(bare)).toMatchObject({
    lashes: 0,
    on: 0,
    heaviest: null,
    contactMm: null,
    darkness: { right: { placed: 0, then: 0 }, left: { placed: 0, then: 0 } },
  });
});
