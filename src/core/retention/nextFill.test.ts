import { classicWish, WIDE_SHELF } from "../../../tests/support/planShares";
import { surveyOf } from "../../../tests/support/surveys";
import { planMap, type LashMap, type MapWish } from "../map";
import { defaultPolicy } from "../policy";
import { USUAL_FIGURES } from "../growth";
import { nextFill, nextFillWords, setLashes } from ".";
import { drawnSets, figuresOf, gapsDay, meanOn, showsMore } from "./nextFill";

const survey = surveyOf([7, 9.5, 8.5], { babyShare: 0 });
const mapOf = (change: Partial<MapWish> = {}, on = survey): LashMap =>
  planMap(on, classicWish("doll", change), defaultPolicy, WIDE_SHELF)!.map;
const map = mapOf();
const hazard = (mid: number) => ({ mid, low: mid * 0.8, high: mid * 1.25 });
const next = (perDay: number, over: { isKnown?: boolean; policy?: typeof defaultPolicy } = {}) =>
  nextFill(map, survey, { hazard: hazard(perDay), isKnown: over.isKnown ?? true }, over.policy ?? defaultPolicy, () => 36);

describe("the best day to come back", () => {
  test("two weeks where nothing is known, three at the latest (common practice)", () => {
    expect(next(0.0117, { isKnown: false })).toMatchObject({ day: 14, because: "notKnown" });
    expect(next(0.004)).toMatchObject({ day: 21, because: "threeWeeks", latest: 21 });
  });
  test("the day on which 60 % are left: 21 at 0.0117 a day (handbook of the trade), sooner for who loses more", () => {
    // (1 − t/90)·e^(−0.02·t) passes 0.6 between the fifteenth and the sixteenth day. Derived.
    const soon = next(0.02);
    expect(soon).toMatchObject({ day: 16, because: "left" });
    expect(soon.left).toBeLessThanOrEqual(0.6);
    expect(soon.earliest).toBeLessThan(16);
    expect(soon.latest).toBeGreaterThan(16);
    expect(next(0.0117).left).toBeCloseTo(0.6, 2);
    expect(next(0.02, { policy: { ...defaultPolicy, fillDuePercent: 75 } }).day).toBeLessThan(12);
  });
  test("a week later costs the lashes that go meanwhile, at the hand's pace", () => {
    const { left, day, weekLater } = next(0.02);
    const worn = setLashes(map, survey, 0.02, defaultPolicy).length;
    const then = (1 - (day + 7) / 90) * Math.exp(-0.02 * (day + 7));
    expect(weekLater.minutes).toBe(Math.round(((left - then) * worn * 36) / 60));
    expect(weekLater.overLimit).toBe(0);
    // A fibre near its limit comes over it on lashes that grow, where many are short of their full length.
    const uneven = surveyOf([7, 9.5, 8.5], { babyShare: 0, spreadMm: 1.4, density: "dense" });
    const near = nextFill(
      mapOf({}, uneven),
      uneven,
      { hazard: hazard(0.004), isKnown: true },
      { ...defaultPolicy, loadRed: 0.9 },
      () => 36,
    );
    expect(near).toMatchObject({ because: "load" });
    expect(near.day).toBeLessThan(21);
    expect(near.weekLater.overLimit).toBeGreaterThan(0);
  });
});

test("what a set's days are reckoned by: the studio's cycle, and the baby lashes that were left bare", () => {
  const withBabies = surveyOf([7, 9.5, 8.5], { babyShare: 0.1 });
  const figures = figuresOf(mapOf({}, withBabies), withBabies, { ...defaultPolicy, cycleDays: 100 });
  expect(figures).toMatchObject({ cycleDays: 100, anagenDays: 34 });
  // One in ten of 100 days.
  expect(figures.bareBelowDays).toBeCloseTo(10, 0);
  expect(figuresOf(map, survey, defaultPolicy).bareBelowDays).toBe(0);
});

test("lashes over the limit a week later: so many more of the same sets drawn, and never fewer", () => {
  const uneven = surveyOf([7, 9.5, 8.5], { babyShare: 0, spreadMm: 1.4, density: "dense" });
  const [worn, tight] = [mapOf({}, uneven), { ...defaultPolicy, loadRed: 0.9 }];
  const { day, weekLater } = nextFill(worn, uneven, { hazard: hazard(0.004), isKnown: true }, tight, () => 36);
  const lashes = setLashes(worn, uneven, 0.004, tight);
  const sets = drawnSets(lashes, figuresOf(worn, uneven, tight));
  const over = (at: number) => meanOn(lashes, sets, at).overLoad;
  expect(over(day)).toBeGreaterThan(0);
  expect(weekLater.overLimit).toBe(Math.round(over(day + 7) - over(day)));
  // Too heavy from the first day, fewer of them are on later: that is no gain to be told.
  const heavy = nextFill(map, survey, { hazard: hazard(0.0117), isKnown: true }, { ...defaultPolicy, loadRed: 0.01 }, () => 36);
  expect(heavy.weekLater.overLimit).toBe(0);
});

test("a lash comes over its load by no more growth than it lacks: one that is full grown by none", () => {
  const uneven = surveyOf([7, 9.5, 8.5], { babyShare: 0, spreadMm: 1.4, density: "dense" });
  const lashes = setLashes(mapOf({}, uneven), uneven, 0.004, { ...defaultPolicy, loadRed: 0.9 });
  const stops = lashes.flatMap(({ stopsAtMm, matureMm, lengthMm }) => (stopsAtMm ? [{ stopsAtMm, lacksMm: matureMm - lengthMm }] : []));
  expect(stops.length).toBeGreaterThan(0);
  for (const { stopsAtMm, lacksMm } of stops) expect(stopsAtMm).toBeLessThanOrEqual(lacksMm);
  expect(lashes.some(({ matureMm, lengthMm }) => lengthMm >= matureMm)).toBe(true);
});

describe("gaps that show", () => {
  test("on the day half of the sets show one, no sooner and no later; one that was there from the first day is the map's", () => {
    const lashes = [0, 1, 2, 3].map((atMm) => ({
      side: "right" as const,
      atMm,
      lengthMm: 9,
      matureMm: 10,
      hazardPerDay: 0,
      stopsAtMm: null,
    }));
    const life = (lostDay: number) => ({ shedDay: 90, lostDay, growthMmPerDay: 0, growsDays: 0 });
    // The two in the middle go on that day, and leave 3 mm bare.
    const set = (goes: number) => [life(80), life(goes), life(goes), life(80)];
    expect(gapsDay(lashes, [set(7), set(7), set(12), set(80)])).toBe(7);
    expect(gapsDay(lashes, [set(7), set(12), set(12), set(80)])).toBe(12);
    expect(gapsDay(lashes, [set(7), set(80), set(80)])).toBeNull();
    expect(gapsDay(lashes, [set(7), set(9), set(80)])).toBe(9);
    expect([showsMore(2, 0), showsMore(2.1, 0), showsMore(2.5, 2.5), showsMore(2.6, 2.5)]).toEqual([false, true, false, true]);
  });
  test("thin sets show them sooner, dense ones not within three weeks, and nothing lost shows none", () => {
    const dayOf = (density: "sparse" | "dense", perDay: number) => {
      const lashes = surveyOf([7, 9.5, 8.5], { density, babyShare: 0 });
      const set = setLashes(mapOf({}, lashes), lashes, perDay, defaultPolicy);
      return gapsDay(set, drawnSets(set, USUAL_FIGURES));
    };
    expect(dayOf("dense", 0.0117)).toBeNull();
    expect(dayOf("sparse", 0.05)!).toBeLessThan(14);
    expect(gapsDay([], drawnSets([], USUAL_FIGURES))).toBeNull();
  });
  test("every extension once, in line, no older than its zone's full length", () => {
    const lashes = setLashes(map, survey, 0.01, defaultPolicy);
    const right = lashes.filter(({ side }) => side === "right");
    expect(right.map(({ atMm }) => atMm)).toEqual([...right.map(({ atMm }) => atMm)].sort((a, b) => a - b));
    expect(lashes.every(({ hazardPerDay, matureMm }) => hazardPerDay === 0.01 && matureMm > 5 && matureMm < 13)).toBe(true);
  });
});

test("in words: why that day, how sure, and what a week later costs", () => {
  const base = { day: 17, earliest: 15, latest: 19, left: 0.598, because: "left" as const, weekLater: { minutes: 22, overLimit: 1 } };
  expect(nextFillWords(base, { of: "client", fills: 3 }, defaultPolicy)).toBe(
    "Day 17 (day 15 to 19) by this client’s own 3 fills: by then 60 % are left. A week later costs 22 minutes more and 1 more lash over the limit.",
  );
  const unknown = { ...base, because: "notKnown" as const, day: 14, earliest: 14, latest: 14, weekLater: { minutes: 0, overLimit: 0 } };
  expect(nextFillWords(unknown, { of: "usual" }, defaultPolicy)).toMatch(/^Day 14: two weeks while nothing is known .* 60\s%/);
  expect(nextFillWords({ ...base, because: "gaps" }, { of: "client", fills: 1 }, defaultPolicy)).toContain(
    "own 1 fill: gaps of 2 mm show by then",
  );
  expect(nextFillWords(base, { of: "studio" }, defaultPolicy)).toContain("(day 15 to 19) by the studio’s fills: by then 60 % are left.");
});
