import { classicWish, WIDE_SHELF } from "../../../tests/support/planShares";
import { surveyOf } from "../../../tests/support/surveys";
import { eventAt } from "../../../tests/support/visitEvents";
import { vapourDensityGm3 } from "../air";
import { planMap, wornLashes } from "../map";
import { defaultPolicy } from "../policy";
import { visitState, type EventPayload } from "../visit";
import { countOf, factsOfFill, fillFound, howPlaced, type CountedSet } from ".";

const T0 = Date.parse("2026-03-02T10:00:00.000Z");
const MINUTE = 60_000;
const DAY = 86_400_000;
const BOTTLE = "00000000-0000-4000-8000-00000000000b";
const survey = surveyOf([7, 9.5, 8.5], { babyShare: 0.1 });
const { map } = planMap(survey, classicWish("doll"), defaultPolicy, WIDE_SHELF)!;
const dry = { temperatureC: 20, relativeHumidity: 0.3 };
const damp = { temperatureC: 24, relativeHumidity: 0.5 };
const bead = (minute: number, air: typeof dry | null) => eventAt(T0 + minute * MINUTE, "beadPlaced", { lifeS: 900, air, bottleId: BOTTLE });
const lash = (minute: number, n = 1) => eventAt(T0 + minute * MINUTE, "lashPlaced", { side: "right", layer: 0, zone: 1, piece: 0, n });
const started = eventAt(T0, "started", { bottleId: BOTTLE, air: null });
const placed = (...events: ReturnType<typeof eventAt>[]) => howPlaced(map, survey, visitState([started, ...events]));

describe("how a set was placed", () => {
  test("air in the mean of its beads, the age of beads in the mean of its lashes", () => {
    const how = placed(bead(1, dry), lash(3), lash(5), bead(10, damp), lash(11, 2));
    expect(how.air).toEqual({ temperatureC: 22, relativeHumidity: 0.4 });
    // Two, four and twice one minute.
    expect(how.beadAgeS).toBe(120);
    expect(how).toMatchObject({ bottleId: BOTTLE, technique: "single", curl: "C" });
    expect(how.bareShare).toBeCloseTo(0.1, 1);
    expect(how.contactMm).toBeGreaterThan(0.5);
  });
  test("what nobody measured or said is not known", () => {
    expect(placed(bead(1, null))).toMatchObject({ air: null, beadAgeS: null, primer: null, attachment: null, talked: null, moved: null });
    // No lash is dipped in a bead that was wiped.
    expect(placed(bead(1, dry), eventAt(T0 + 2 * MINUTE, "beadWiped", {}), lash(5)).beadAgeS).toBeNull();
  });
  test("talk and movement: marked, or that they were not where each lash was tapped", () => {
    const pause = (why: EventPayload<"paused">["why"]) => placed(bead(1, dry), eventAt(T0 + 2 * MINUTE, "paused", { why }), lash(3));
    expect(placed(bead(1, dry), lash(3))).toMatchObject({ talked: false, moved: false });
    expect(placed(bead(1, dry), eventAt(T0 + 2 * MINUTE, "talkMarked", { on: true }))).toMatchObject({ talked: true, moved: null });
    expect(pause("talks")).toMatchObject({ talked: true, moved: false });
    expect(pause("sneezed")).toMatchObject({ talked: false, moved: true });
    expect(pause("other")).toMatchObject({ talked: false, moved: false });
    const redone = eventAt(T0 + 4 * MINUTE, "lashRedone", { side: "right", layer: 0, zone: 1, piece: 0, n: 1, why: "clientMoved" });
    expect(placed(bead(1, dry), lash(3), redone).moved).toBe(true);
  });
  test("attached one way everywhere, or not one way", () => {
    const all = eventAt(T0 + MINUTE, "workedWith", { of: "attachedAll", is: "top" });
    const zone = eventAt(T0 + 2 * MINUTE, "workedWith", { of: "attached", is: "under", side: "right", layer: 0, zone: 1 });
    const primer = eventAt(T0 + MINUTE, "workedWith", { of: "primer", is: "balancer", batchId: null });
    expect(placed(all, primer)).toMatchObject({ attachment: "top", primer: "balancer" });
    expect(placed(all, zone).attachment).toBeNull();
  });
});

const worn = wornLashes(map, survey);
const set: CountedSet = { visitId: "set", technicianId: "t", placedAtMs: T0, worn, how: placed(bead(1, dry), lash(3)) };
const at = (zone: number, left: number, over: object = {}): EventPayload<"leftCounted"> => ({
  side: "right",
  layer: 0,
  zone,
  setVisitId: "set",
  role: "base",
  from: 0,
  to: 0.1,
  left,
  twisted: null,
  outgrown: null,
  by: "pads",
  ...over,
});
const fillOf = (...counts: EventPayload<"leftCounted">[]) => ({
  visitId: "fill",
  clientId: "c",
  found: fillFound(visitState(counts.map((one, i) => eventAt(T0 + 21 * DAY + i * MINUTE, "leftCounted", one))))!,
});
const wornIn = (zone: number) => worn.zones.find((one) => one.side === "right" && one.zone === zone)!.singles;
const year = { cycleDays: 90, yearShare: 0.2 };

describe("a set as its fill found it", () => {
  test("only zones that were counted, of this very set, and whose own number is known", () => {
    const fill = fillOf(at(1, 2), at(2, 3), at(3, 1, { setVisitId: "another" }), at(39, 4));
    expect(countOf(fill, set)).toEqual({ left: 5, worn: wornIn(1) + wornIn(2) });
    const unknown = { ...worn, zones: worn.zones.map((zone) => ({ ...zone, isKnown: zone.zone !== 2 })) };
    expect(countOf(fill, { ...set, worn: unknown })).toEqual({ left: 2, worn: wornIn(1) });
    expect(countOf(fillOf(at(3, 1, { setVisitId: null })), set)).toBeNull();
  });
  test("the last count of a zone stands, and a cleared one is none", () => {
    expect(countOf(fillOf(at(1, 2), at(1, 1)), set)!.left).toBe(1);
    expect(
      fillFound(visitState([eventAt(T0, "leftCounted", at(1, 2)), eventAt(T0 + 1, "leftCounted", { ...at(1, 2), left: null })])),
    ).toBeNull();
  });
  test("days from leaving to the first count, air as it was, what was told since; nobody's answer stays empty", () => {
    const facts = factsOfFill(fillOf(at(1, 2), at(2, 3)), set, { adhesiveId: "a", ageDays: 12, drift: null }, year)!;
    expect(facts).toMatchObject({
      days: 21,
      left: 5,
      clientId: "c",
      technicianId: "t",
      adhesiveId: "a",
      bottleAgeDays: 12,
      setTimeDrift: null,
    });
    expect(facts).toMatchObject({ relativeHumidity: 0.3, temperatureC: 20, washesAWeek: null, sleepsOn: null, yearShare: 0.2 });
    expect(facts.vapourDensityGm3).toBeCloseTo(vapourDensityGm3(dry), 9);
    expect(facts.bareBelowDays).toBeCloseTo(90 * set.how.bareShare, 9);
    expect(factsOfFill(fillOf(at(1, 2)), set, null, year)).toMatchObject({ adhesiveId: null, bottleAgeDays: null });
  });
  test("nothing counted, or counted before it was placed, is nothing to learn from", () => {
    expect(factsOfFill(fillOf(at(39, 4)), set, null, year)).toBeNull();
    expect(factsOfFill(fillOf(at(1, 2)), { ...set, placedAtMs: T0 + 21 * DAY }, null, year)).toBeNull();
  });
  test("what was told and taken off is kept without a count; nothing at all is none", () => {
    const told = [
      eventAt(T0, "sinceLastTold", { of: "oil", is: true }),
      eventAt(T0 + 1, "sinceLastTold", { of: "washesAWeek", is: 5 }),
      eventAt(T0 + 2, "sinceLastTold", { of: "washesAWeek", is: null }),
      eventAt(T0 + 3, "takenOff", { side: "left", layer: 0, zone: 2, n: 3, hurt: false }),
      eventAt(T0 + 4, "takenOff", { side: "left", layer: 0, zone: 2, n: 1, hurt: true }),
    ];
    expect(fillFound(visitState(told))).toEqual({
      countedAtMs: null,
      zones: [],
      since: { washesAWeek: null, oil: true, steam: null, cried: null, sleepsOn: null },
      off: 4,
      hurt: 1,
    });
    expect(fillFound(visitState([started]))).toBeNull();
  });
});
