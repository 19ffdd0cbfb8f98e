import { classicWish, WIDE_SHELF } from "../../../tests/support/planShares";
import { surveyOf } from "../../../tests/support/surveys";
import { planMap } from "../map";
import { defaultPolicy } from "../policy";
import {
  INSPECTION_IDS,
  inspectionOf,
  isLooked,
  looksAtEnd,
  lashesInTurn,
  nextLash,
  placementPlan,
  progressOf,
  schoolsFor,
  usedPerEye,
} from ".";

const survey = surveyOf([7, 9.5, 8.5]);
const plan = placementPlan(planMap(survey, classicWish("doll"), defaultPolicy, WIDE_SHELF)!.map, survey);
const spot = plan.spots.find(({ planned, side }) => planned > 5 && side === "right")!;
const at = ({ side, layer, zone, piece }: typeof spot) => ({ side, layer, zone, piece });
const lash = (atS: number, n = 1) => ({ ...at(spot), n, atMs: atS * 1000 });
const fault = (atS: number, n = 1) => ({ ...lash(atS, n), why: "leaned" as const });

describe("what a check found amiss goes back into the plan", () => {
  test("it is placed no more, its place is empty, and once set again it counts once", () => {
    const lashes = [lash(1), lash(20), lash(40)];
    const after = progressOf(plan, { lashes, redone: [], faults: [fault(60)] });
    expect(after.of(spot)).toMatchObject({ placed: 2, again: 1, lastAtMs: 40_000 });
    expect([after.placed.right, after.again]).toEqual([2, 1]);
    expect(after.line.right[spot.slots[2]!]).toBeNull();
    expect(after.line.right[spot.slots[1]!]).toBe(20_000);
    const again = progressOf(plan, { lashes: [...lashes, lash(80)], redone: [], faults: [fault(60)] });
    expect(again.of(spot)).toMatchObject({ placed: 3, again: 0 });
    expect(again.line.right[spot.slots[2]!]).toBe(80_000);
  });
  test("no more comes off than was placed by then, and one found before any was placed takes nothing", () => {
    expect(progressOf(plan, { lashes: [lash(10, 2)], redone: [], faults: [fault(20, 5)] }).of(spot)).toMatchObject({ placed: 0, again: 2 });
    expect(progressOf(plan, { lashes: [lash(10)], redone: [], faults: [fault(5)] }).of(spot)).toMatchObject({ placed: 1, again: 0 });
  });
  test("one of those beyond the plan comes off, and no lash of the line loses its place", () => {
    const beyond = progressOf(plan, { lashes: [lash(1, spot.slots.length + 2)], redone: [], faults: [fault(60)] });
    expect(beyond.of(spot)).toMatchObject({ placed: spot.slots.length + 1, again: 1 });
    expect(spot.slots.map((slot) => beyond.line.right[slot])).toEqual(spot.slots.map(() => 1000));
    expect(Object.keys(beyond.line.right)).toHaveLength(plan.worn.right);
  });
  test("a zone said to be done after the fault is whole; one said before is not", () => {
    const done = { side: spot.side, layer: spot.layer, zone: spot.zone };
    const of = (atS: number) => progressOf(plan, { lashes: [], redone: [], faults: [fault(60)] }, [{ ...done, atMs: atS * 1000 }]).of(spot);
    expect(of(30)).toMatchObject({ placed: spot.planned - 1, again: 1 });
    expect(progressOf(plan, { lashes: [lash(1)], redone: [], faults: [fault(60)] }, [{ ...done, atMs: 90_000 }]).of(spot).placed).toBe(
      spot.planned,
    );
  });
  test("a set that was all placed asks for that lash, and no other", () => {
    const lashes = plan.spots.map((one) => ({ ...at(one), n: one.planned, atMs: 1000 }));
    const order = { schools: schoolsFor("newSet", defaultPolicy), inTurn: lashesInTurn(46, 21), wetS: 46, nowMs: 3_600_000 };
    expect(nextLash(plan, progressOf(plan, { lashes, redone: [] }), order)).toBeNull();
    const faulty = progressOf(plan, { lashes, redone: [], faults: [fault(600)] });
    expect(nextLash(plan, faulty, order)!.spot).toBe(spot);
  });
});

test("every look says what is counted and what to do; a sting is rinsed with water, glued lids are never pulled", () => {
  for (const id of INSPECTION_IDS)
    expect([id, inspectionOf(id).asks.length > 5, inspectionOf(id).mend.length > 20]).toEqual([id, true, true]);
  expect(inspectionOf("sting").mend).toMatch(/Rinse at once with lukewarm clean water.*15 minutes at least.*doctor/);
  expect(inspectionOf("stuck").mend).toMatch(/never pull, no remover near the eye/);
  expect(INSPECTION_IDS.filter((id) => inspectionOf(id).each === "eye")).toEqual(["stickies", "freeOfPad", "stuck", "bluntTool"]);
});

test("what was taken from the strips: every extension, those set anew along with it, by the fibres of each", () => {
  const left = plan.spots.find((one) => one.side === "left" && one.zone === spot.zone)!;
  const lashes = [lash(1, 20), { ...at(left), n: 17, atMs: 5000 }];
  const used = usedPerEye(plan, { lashes, redone: [fault(9, 3)] }, () => 100);
  expect(used).toEqual({
    right: { extensions: 23, strips: expect.closeTo(0.23, 9) },
    left: { extensions: 17, strips: expect.closeTo(0.17, 9) },
  });
  // A fan of five takes five fibres from the strip.
  const fans = { ...plan, spots: plan.spots.map((one) => ({ ...one, fibre: { ...one.fibre, count: 5 } })) };
  expect(usedPerEye(fans, { lashes, redone: [] }, () => 100).right.strips).toBeCloseTo(1, 9);
});

test("which looks a part has, in their order, and that a mannequin head opens no eyes; one eye of two is not looked yet", () => {
  expect(looksAtEnd(true, "check")).toEqual(["mirror", "stickies"]);
  expect(looksAtEnd(true)).toEqual(["mirror", "stickies", "freeOfPad", "sting", "stuck", "bluntTool", "word"]);
  expect(looksAtEnd(false, "dry")).toEqual(["freeOfPad", "bluntTool"]);
  expect([isLooked("stickies", [{ what: "stickies" }]), isLooked("stickies", [{ what: "stickies" }, { what: "stickies" }])]).toEqual([
    false,
    true,
  ]);
  expect([isLooked("mirror", [{ what: "mirror" }]), isLooked("mirror", [{ what: "stickies" }])]).toEqual([true, false]);
});
test("a single is no fan, two fibres are", () => {
  const fan = (count: number) => ({ curl: "C" as const, diameterMm: 0.05, shape: "round" as const, count });
  const map = planMap(survey, classicWish("doll"), defaultPolicy, WIDE_SHELF)!.map;
  const of = (count: number) =>
    placementPlan(
      {
        ...map,
        eyes: {
          ...map.eyes,
          right: {
            ...map.eyes.right,
            layers: map.eyes.right.layers.map((one) => ({ ...one, zones: one.zones.map((zone) => zone && { ...zone, ...fan(count) }) })),
          },
        },
      },
      survey,
    ).spots.find(({ side }) => side === "right")!.isFan;
  expect([of(1), of(2)]).toEqual([false, true]);
});
