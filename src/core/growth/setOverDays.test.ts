import { mulberry32 } from "../units";
import { comeBackDay, shareOn } from "./comeBack";
import { drawLives, USUAL_FIGURES, type LashLife } from "./lashLives";
import { naturalSurvival } from "./retention";
import { drawManySets, setOnDay, type SetLash } from "./setOverDays";

const lash = (over: Partial<SetLash> = {}): SetLash => ({
  side: "right",
  atMm: 0,
  stopsAtMm: null,
  lengthMm: 8,
  matureMm: 11,
  hazardPerDay: 0.0117,
  ...over,
});
const life = (over: Partial<LashLife> = {}): LashLife => ({
  shedDay: 90,
  lostDay: Infinity,
  growthMmPerDay: 0.12,
  growsDays: 34,
  ...over,
});
const usual = {
  hazard: { mid: 0.0117, low: 0.008, high: 0.016 },
  isKnown: true,
  bareBelow: { mean: 0, sd: 0 },
  cycle: { mean: 90, sd: 5 },
  policy: { fillDuePercent: 60 },
  lashes: [],
  gapsDay: null,
};

describe("a set on a day", () => {
  const set = [lash(), lash({ atMm: 1 }), lash({ atMm: 2, stopsAtMm: 2 }), lash({ atMm: 3.5 }), lash({ side: "left", atMm: 9 })];
  test("shed and lost apart, whichever came first; the widest bare stretch of one eye", () => {
    const lives = [life(), life({ shedDay: 5, lostDay: 9 }), life({ lostDay: 6, shedDay: 8 }), life(), life()];
    expect(setOnDay(set, lives, 0)).toMatchObject({ on: 5, shed: 0, lost: 0, gap: { side: "right", fromMm: 2, toMm: 3.5 } });
    expect(setOnDay(set, lives, 10)).toMatchObject({ on: 3, shed: 1, lost: 1, gap: { side: "right", fromMm: 0, toMm: 3.5 } });
    expect(setOnDay([], [], 10)).toMatchObject({ on: 0, gap: null });
  });
  test("outgrown from 2.5 mm, over its load from its own", () => {
    const lives = set.map(() => life());
    expect(setOnDay(set, lives, 16)).toMatchObject({ outgrown: 0, overLoad: 0 });
    expect(setOnDay(set, lives, 17)).toMatchObject({ outgrown: 0, overLoad: 1 });
    expect(setOnDay(set, lives, 21)).toMatchObject({ outgrown: 5, overLoad: 1 });
    // Resting lashes have not moved.
    expect(
      setOnDay(
        set,
        set.map(() => life({ growsDays: 0 })),
        30,
      ),
    ).toMatchObject({ outgrown: 0, overLoad: 0 });
  });
});

test("1,000 sets drawn agree with the closed form within 1 % on every day to the 35th, and their band is as wide as counting makes it", () => {
  const set = Array.from({ length: 220 }, (_, i) => lash({ atMm: i / 8 }));
  const band = drawManySets(set, USUAL_FIGURES, { draws: 1000, lastDay: 35 }, mulberry32(2));
  expect(band).toHaveLength(36);
  for (const { days, mid, low, high } of band) {
    const expected = naturalSurvival(days) * Math.exp(-0.0117 * days);
    expect(Math.abs(mid / expected - 1)).toBeLessThan(0.01);
    expect(low).toBeLessThanOrEqual(mid);
    expect(high).toBeGreaterThanOrEqual(mid);
  }
  const { low, high } = band[21]!;
  // Phases are even, so that only bonds scatter: √(0.767 · 0.782 · 0.218 / 220) = 0.024, 1.645 of it either way. Derived.
  expect((high - low) / 2).toBeGreaterThan(0.03);
  expect((high - low) / 2).toBeLessThan(0.05);
  expect(drawManySets([], USUAL_FIGURES, { draws: 3, lastDay: 2 }, mulberry32(2)).map(({ mid }) => mid)).toEqual([0, 0, 0]);
  const one = setOnDay(set, drawLives(set, USUAL_FIGURES, mulberry32(8)), 21);
  expect(one.on + one.shed + one.lost).toBe(220);
});

describe("the best day to come back", () => {
  test("60 % left: day 21 with 0.0117 a day (handbook of the trade), sooner with more", () => {
    expect(shareOn(21, 0.0117, 0)).toBeCloseTo(0.6, 3);
    expect(comeBackDay({ ...usual, hazard: { mid: 0.02, low: 0.015, high: 0.026 } })).toMatchObject({ day: 16, because: "left" });
    // 1 − 16/90 = 0.822, e^(−0.32) = 0.726: 0.597; a day before 0.617. Derived.
    expect(shareOn(16, 0.02, 0)).toBeLessThan(0.6);
    expect(shareOn(15, 0.02, 0)).toBeGreaterThan(0.6);
  });
  test("as bad or as good as it may be makes the days either side", () => {
    const { earliest, day, latest } = comeBackDay({ ...usual, hazard: { mid: 0.02, low: 0.015, high: 0.026 } });
    expect(earliest).toBeLessThan(day);
    expect(latest).toBeGreaterThan(day);
    const sure = comeBackDay({ ...usual, hazard: { mid: 0.02, low: 0.02, high: 0.02 }, cycle: { mean: 90, sd: 0 } });
    expect([sure.earliest, sure.latest]).toEqual([sure.day, sure.day]);
  });
  test("a growing lash over its load, gaps that show, three weeks, two where nothing is known", () => {
    // 2.3 mm at 0.13 a day: 17.7 days.
    expect(comeBackDay({ ...usual, lashes: [{ stopsAtMm: 4 }, { stopsAtMm: 2.3 }, { stopsAtMm: null }] })).toMatchObject({
      day: 18,
      because: "load",
    });
    expect(comeBackDay({ ...usual, gapsDay: 16 })).toMatchObject({ day: 16, because: "gaps", latest: 16 });
    expect(comeBackDay({ ...usual, hazard: { mid: 0.002, low: 0, high: 0.004 } })).toMatchObject({
      day: 21,
      because: "threeWeeks",
      latest: 21,
    });
    expect(comeBackDay({ ...usual, isKnown: false })).toMatchObject({ day: 14, because: "notKnown" });
    expect(comeBackDay({ ...usual, isKnown: false, lashes: [{ stopsAtMm: 1.3 }] })).toMatchObject({ day: 10, because: "load" });
    expect(comeBackDay({ ...usual, lashes: [{ stopsAtMm: 0 }] })).toMatchObject({ day: 5, because: "load" });
  });
  test("what is left by then", () => {
    const { day, left } = comeBackDay({ ...usual, gapsDay: 10 });
    expect(left).toBeCloseTo((1 - day / 90) * Math.exp(-0.0117 * day), 6);
  });
});
