import { takeOff, type LeftInZone, type TakeOffRules } from ".";

const zone = (over: Partial<LeftInZone> = {}): LeftInZone => ({
  side: "right",
  layer: 0,
  zone: 1,
  planned: 20,
  left: 12,
  twisted: 0,
  outgrown: null,
  lacking: () => 1,
  stopsAtMm: null,
  ...over,
});
const by = (outgrown: TakeOffRules["outgrown"], buildOnPercent = 40) => ({ outgrown, buildOnPercent });
const whyOf = (zones: LeftInZone[], days: number, school: TakeOffRules["outgrown"]) =>
  takeOff(zones, days, by(school)).zones.map(({ why }) => why);

describe("what comes off at a fill", () => {
  test("counted outgrown and twisted come off, the rest stays; a resting set gives nothing else", () => {
    const { zones, off, leave } = takeOff([zone({ left: 16, twisted: 1, outgrown: 3 })], 21, by("fullyOnly"));
    expect(zones[0]!.why).toEqual([
      { reason: "twisted", n: 1 },
      { reason: "outgrown", n: 3 },
    ]);
    expect([off, leave]).toEqual([4, 12]);
  });
  test("what was not marked is reckoned: of those still on, 13 % stand 2.5 mm out on day 21, 3 % on day 14", () => {
    // Derived: ages even from 0 to 69 of 90 days, growth 0.12 ± 0.05 mm a day until day 34 of age.
    expect(whyOf([zone({ planned: 200, left: 150 })], 21, "fullyOnly")).toEqual([[{ reason: "outgrown", n: 20 }]]);
    expect(whyOf([zone({ planned: 200, left: 150 })], 14, "fullyOnly")).toEqual([[{ reason: "outgrown", n: 5 }]]);
    // Narrow zones each have less than one; the eye has what it has, in the fullest of them first.
    const narrow = Array.from({ length: 10 }, (_, i) => zone({ zone: i + 1, planned: 3, left: i < 5 ? 3 : 2 }));
    expect(whyOf(narrow, 21, "fullyOnly").map((why) => why[0]?.n ?? 0)).toEqual([1, 1, 1, 0, 0, 0, 0, 0, 0, 0]);
    // Nobody has grown anything yet.
    expect(takeOff([zone()], 0, by("fullyOnly")).off).toBe(0);
  });
  test("by load and lever: where the load is one to stop at sooner, more come off, and the load is the reason", () => {
    const heavy = zone({ planned: 200, left: 150, stopsAtMm: 1.2 });
    const [why] = whyOf([heavy], 21, "loadAndLever");
    expect(why!.map(({ reason }) => reason)).toEqual(["load"]);
    expect(why![0]!.n).toBeGreaterThan(35);
    expect(whyOf([{ ...heavy, stopsAtMm: 3 }], 21, "loadAndLever")[0]!.map(({ reason }) => reason)).toEqual(["load", "outgrown"]);
    // Only lashes that lack so much of their full length come to that load. Derived: 0.05 of 90 days are 4.5, of the 69 left 6.5 %: 10, nine in ten of which grew fast enough.
    const few = whyOf([{ ...heavy, lacking: () => 0.05 }], 21, "loadAndLever")[0]!;
    expect(few).toEqual([
      { reason: "load", n: 9 },
      { reason: "outgrown", n: 11 },
    ]);
    // The other school does not ask for the load.
    expect(whyOf([heavy], 21, "fullyOnly")).toEqual([[{ reason: "outgrown", n: 20 }]]);
    // A fibre too heavy even at rest comes off everywhere, whatever is left.
    expect(takeOff([zone({ stopsAtMm: 0 })], 7, by("loadAndLever"))).toMatchObject({ off: 12, leave: 0, spared: 0 });
    // Also where so long has passed that none of it should be there.
    expect(takeOff([zone({ stopsAtMm: 0 })], 95, by("loadAndLever"))).toMatchObject({ off: 12, leave: 0, spared: 0 });
  });
  test("all of them, but two fifths of what was planned stay to build on", () => {
    const { off, leave, spared, zones } = takeOff([zone(), zone({ zone: 2, left: 6 })], 21, by("all"));
    expect([leave, off]).toEqual([16, 2]);
    // All 18 were to come off: the 15 that nothing is wrong with are given back first, then one of the three outgrown.
    expect(spared).toBe(16);
    expect(zones.map((one) => one.leave)).toEqual([11, 5]);
    expect(zones.map(({ why }) => why)).toEqual([[{ reason: "outgrown", n: 1 }], [{ reason: "outgrown", n: 1 }]]);
  });
  test("outgrown ones are spared only once nothing lighter is left, twisted and overloaded never", () => {
    const found = takeOff([zone({ left: 9, twisted: 2, outgrown: 5 })], 21, by("all")).zones[0]!;
    // Eight must stay; two are twisted: seven stay.
    expect(found.leave).toBe(7);
    expect(found.why).toEqual([{ reason: "twisted", n: 2 }]);
    const sound = takeOff([zone({ left: 14, twisted: 2, outgrown: 5 })], 21, by("all")).zones[0]!;
    expect(sound.why).toEqual([
      { reason: "twisted", n: 2 },
      { reason: "outgrown", n: 4 },
    ]);
    expect(sound.leave).toBe(8);
  });
  test("each eye for itself: plenty on one does not strip the other", () => {
    const { zones } = takeOff([zone({ left: 20 }), zone({ side: "left", left: 8, outgrown: 8 })], 21, by("fullyOnly"));
    expect(zones[1]!.leave).toBe(8);
  });
  test("never more than is there, and nothing of nothing", () => {
    expect(takeOff([zone({ left: 3, twisted: 2, outgrown: 3 })], 21, by("fullyOnly")).zones[0]).toMatchObject({ off: 2, leave: 1 });
    expect(takeOff([zone({ left: 0 })], 21, by("all"))).toMatchObject({ off: 0, leave: 0, spared: 0 });
    expect(takeOff([], 21, by("all"))).toEqual({ zones: [], off: 0, leave: 0, spared: 0 });
  });
});
