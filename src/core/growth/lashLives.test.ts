import { mulberry32 } from "../units";
import { drawLives, isOn, movedOutMm, USUAL_FIGURES, type WornLash } from "./lashLives";
import { movedOutShare, outgrownShare } from "./movedOut";
import { naturalSurvival } from "./retention";

const HAZARD = 0.0117;
const set = (lashes: number): WornLash[] =>
  Array.from({ length: lashes }, (_, i) => ({ lengthMm: 8 + (i % 5) * 0.5, matureMm: 11, hazardPerDay: HAZARD }));

describe("a set drawn lash by lash", () => {
  test.each([
    [0, 14],
    [0, 21],
    [9, 21],
    [20, 35],
  ])("bare below %d days, on day %d: over 1,000 draws within 1 %% of the closed form", (bareBelowDays, days) => {
    const random = mulberry32(5);
    let on = 0;
    for (let draw = 0; draw < 1000; draw++)
      on += drawLives(set(200), { ...USUAL_FIGURES, bareBelowDays }, random).filter((life) => isOn(life, days)).length;
    const expected = naturalSurvival(days, bareBelowDays) * Math.exp(-HAZARD * days);
    expect(Math.abs(on / 200_000 / expected - 1)).toBeLessThan(0.01);
  });
  test("one seed, one set; another seed, another", () => {
    const drawn = (seed: number) => drawLives(set(50), USUAL_FIGURES, mulberry32(seed));
    expect(drawn(1)).toEqual(drawn(1));
    expect(drawn(1)).not.toEqual(drawn(2));
    expect(drawLives([], USUAL_FIGURES, mulberry32(1))).toEqual([]);
  });
  test("what lacks most of its length is youngest: it is shed last, and grows", () => {
    const lives = drawLives(set(200), USUAL_FIGURES, mulberry32(3));
    const mean = (of: (life: (typeof lives)[number]) => number, kind: number) =>
      lives.filter((_, i) => i % 5 === kind).reduce((sum, life) => sum + of(life), 0) / 40;
    const [short, long] = [0, 4];
    expect(mean(({ shedDay }) => shedDay, short)).toBeGreaterThan(mean(({ shedDay }) => shedDay, long) + 60);
    expect(mean(({ growsDays }) => growsDays, long)).toBe(0);
    // Two fifths of the phases are under 34 of 90 days. Derived.
    expect(lives.filter(({ growsDays }) => growsDays > 0).length / 200).toBeCloseTo(34 / 90, 1);
  });
  test("each eye has lashes of every age, however their lengths differ", () => {
    const eyes = [
      ...set(100).map((lash) => ({ ...lash, side: "right" as const })),
      ...set(100).map((lash) => ({ ...lash, lengthMm: 10.9, side: "left" as const })),
    ];
    const lives = drawLives(eyes, USUAL_FIGURES, mulberry32(6));
    const growing = (of: typeof lives) => of.filter(({ growsDays }) => growsDays > 0).length / of.length;
    expect(growing(lives.slice(0, 100))).toBeCloseTo(34 / 90, 1);
    expect(growing(lives.slice(100))).toBeCloseTo(34 / 90, 1);
  });
  test("an attachment moves out while its lash grows, no longer than that, never back", () => {
    const life = { shedDay: 80, lostDay: Infinity, growthMmPerDay: 0.12, growsDays: 20 };
    expect(movedOutMm(life, 10)).toBeCloseTo(1.2, 12);
    expect(movedOutMm(life, 20)).toBeCloseTo(2.4, 12);
    expect(movedOutMm(life, 30)).toBeCloseTo(2.4, 12);
    expect(movedOutMm({ ...life, growsDays: 0 }, 30)).toBe(0);
    for (const each of drawLives(set(300), { ...USUAL_FIGURES, growth: { mean: 0.02, sd: 0.1 } }, mulberry32(9)))
      expect(movedOutMm(each, 35)).toBeGreaterThanOrEqual(0);
  });
  test("on until the day it goes, by whichever comes first", () => {
    const life = { shedDay: 10, lostDay: 20, growthMmPerDay: 0.12, growsDays: 0 };
    expect([isOn(life, 9.9), isOn(life, 10), isOn({ ...life, shedDay: 40 }, 20), isOn({ ...life, shedDay: 40 }, 19)]).toEqual([
      true,
      false,
      false,
      true,
    ]);
  });
  test("a bond that never lets go, and a cycle that cannot be", () => {
    const [life] = drawLives([{ lengthMm: 9, matureMm: 9, hazardPerDay: 0 }], USUAL_FIGURES, mulberry32(1));
    expect(life!.lostDay).toBe(Infinity);
    expect(() => drawLives(set(2), { ...USUAL_FIGURES, bareBelowDays: 95 }, mulberry32(1))).toThrow(RangeError);
  });
});

test.each([
  [14, 0.12],
  [18, 0.35],
  [21, 0.51],
  [0, 0],
])("outgrown of those still growing, day %d: %d (handbook of the trade, growth 0.12 ± 0.05 mm a day)", (days, share) =>
  expect(outgrownShare(days)).toBeCloseTo(share, 2),
);

test.each([
  [14, 0],
  [21, 0],
  [21, 12],
  [28, 0],
])("moved out by 2.5 mm of all that are left, day %d, bare below %d: as many as in sets drawn lash by lash", (days, bareBelowDays) => {
  const figures = { ...USUAL_FIGURES, bareBelowDays };
  const random = mulberry32(4);
  let [on, out] = [0, 0];
  const worn = Array.from({ length: 200 }, () => ({ lengthMm: 4, matureMm: 14, hazardPerDay: HAZARD }));
  for (let draw = 0; draw < 400; draw++)
    for (const life of drawLives(worn, figures, random)) {
      if (!isOn(life, days)) continue;
      on += 1;
      if (movedOutMm(life, days) > 2.5) out += 1;
    }
  expect(Math.abs(out / on - movedOutShare(days, 2.5, figures))).toBeLessThan(0.004);
  expect(movedOutShare(days, 0)).toBe(1);
  expect(movedOutShare(90, 2.5)).toBe(0);
});

test("where only some can move so far they are the youngest that were worn", () => {
  const figures = { ...USUAL_FIGURES, bareBelowDays: 12 };
  // Derived: 0.05 of 78 days are 3.9, of the 57 that are left 6.8 %; growing for 20 days or so, 88 in 100 of them moved 1.2 mm.
  expect(movedOutShare(21, 1.2, figures, 0.05)).toBeCloseTo(0.068 * 0.885, 3);
  expect(movedOutShare(21, 1.2, figures, 0)).toBe(0);
  expect(movedOutShare(21, 1.2, figures, 1)).toBe(movedOutShare(21, 1.2, figures));
});
