import { classicWish, WIDE_SHELF } from "../../../tests/support/planShares";
import { surveyOf } from "../../../tests/support/surveys";
import { drawManySets } from "../growth";
import { planMap } from "../map";
import { defaultPolicy } from "../policy";
import { mulberry32 } from "../units";
import { DAYS_AHEAD, onDay, seenAmiss, setDays } from ".";

const survey = surveyOf([7, 9.5, 8.5], { babyShare: 0 });
const { map } = planMap(survey, classicWish("doll"), defaultPolicy, WIDE_SHELF)!;
const facts = { map, survey, trays: [], policy: defaultPolicy };
const drawn = setDays(facts, 0.0117, 5);

test("whole on the first day, then less each day, never more: what is on, its look, and what nature and bonds took add up", () => {
  const { days, lashes } = drawn;
  expect(days).toHaveLength(DAYS_AHEAD + 1);
  expect(days[0]).toMatchObject({ days: 0, on: lashes.length, shed: 0, lost: 0, outgrown: 0, look: 1 });
  days.forEach((day, i) => {
    expect(day.on + day.shed + day.lost).toBe(lashes.length);
    const before = days[i - 1];
    if (!before) return;
    expect(day.on).toBeLessThanOrEqual(before.on);
    expect(day.look).toBeLessThanOrEqual(before.look + 1e-12);
  });
  // Half the lashes show three quarters: the look falls more slowly than the count.
  expect(days[21]!.look).toBeGreaterThan(days[21]!.on / lashes.length);
  expect(days[21]!.uneven.by).toBeGreaterThan(0);
  expect(days[21]!.uneven.by).toBeLessThan(0.3);
});
test("the same seed is the same set, another is another; every lash of the drawing is a lash of the set", () => {
  expect(setDays(facts, 0.0117, 5).days).toEqual(drawn.days);
  expect(setDays(facts, 0.0117, 6).days).not.toEqual(drawn.days);
  expect(drawn.worn).toHaveLength(drawn.lashes.length);
  drawn.worn.forEach(({ side, lash }, i) => {
    expect(drawn.lashes[i]!.side).toBe(side);
    expect(drawn.lashes[i]!.lengthMm).toBe(lash.lengthMm);
  });
  const day = 21;
  const standing = drawn.lashes.flatMap((_, i) => onDay(drawn, i, day) ?? []);
  expect(standing).toHaveLength(drawn.days[day]!.on);
  expect(standing.filter((moved) => moved >= 2.5)).toHaveLength(drawn.days[day]!.outgrown);
});
test("a thousand sets drawn lie about the closed form within a hundredth, on every day", () => {
  const bands = drawManySets(drawn.lashes, drawn.figures, { draws: 1000, lastDay: DAYS_AHEAD }, mulberry32(3));
  for (const { days, mid, low, high } of bands) {
    expect(Math.abs(mid - (1 - days / 90) * Math.exp(-0.0117 * days))).toBeLessThan(0.01);
    expect(low).toBeLessThanOrEqual(mid);
    expect(high).toBeGreaterThanOrEqual(mid);
  }
});
test("what is seen amiss: a gap over 2 mm that was not the map's, an eye fuller by 3 % and more; on the first day nothing", () => {
  expect(seenAmiss(drawn, 0)).toEqual({ gap: null, fuller: null });
  const first = drawn.days[0]!;
  const on = (change: Partial<typeof first>, at: Partial<typeof first> = {}) =>
    seenAmiss(
      {
        days: [
          { ...first, ...at },
          { ...first, ...change },
        ],
      },
      1,
    );
  const gap = (mm: number) => ({ gap: { side: "left" as const, fromMm: 4, toMm: 4 + mm } });
  expect(on(gap(2.5)).gap).toEqual({ side: "left", mm: 2.5 });
  expect(on(gap(1.9)).gap).toBeNull();
  expect(on(gap(2.5), gap(2.5)).gap).toBeNull();
  expect(on({ gap: null }).gap).toBeNull();
  expect(on({ uneven: { side: "right", by: 0.029 } }).fuller).toBeNull();
  expect(on({ uneven: { side: "right", by: 0.03 } }).fuller).toEqual({ side: "right", by: 0.03 });
});
