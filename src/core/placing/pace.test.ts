import { planMap } from "../map";
import { defaultPolicy } from "../policy";
import { mulberry32 } from "../units";
import { classicWish, WIDE_SHELF } from "../../../tests/support/planShares";
import { surveyOf } from "../../../tests/support/surveys";
import {
  EMPTY_PLACING,
  firstAndLast,
  lashGaps,
  paceNow,
  paceOf,
  placementPlan,
  secondsLeft,
  spotKey,
  type LashGap,
  type PlacingWork,
} from ".";

const survey = surveyOf([7, 9.5, 8.5]);
const plan = placementPlan(planMap(survey, classicWish("doll"), defaultPolicy, WIDE_SHELF)!.map, survey);
type Lash = PlacingWork["lashes"][number];
const lash = (atS: number, over: Partial<Lash> = {}): Lash => ({
  side: "right",
  layer: 0,
  zone: 5,
  piece: 0,
  n: 1,
  atMs: atS * 1000,
  ...over,
});
const workOf = (lashes: Lash[], over: Partial<PlacingWork> = {}): PlacingWork => ({ ...EMPTY_PLACING, lashes, ...over });
const gapsOf = (seconds: readonly number[], over: Partial<LashGap> = {}): LashGap[] =>
  seconds.map((one) => ({ side: "right", isFan: false, seconds: one, ...over }));

test("every spot that can be tapped has a key of its own", () => {
  const keys = new Set<number>();
  for (const side of ["right", "left"] as const)
    for (let layer = 0; layer < 10; layer++)
      for (let zone = 1; zone <= 40; zone++) for (let piece = 0; piece < 10; piece++) keys.add(spotKey({ side, layer, zone, piece }));
  expect(keys.size).toBe(2 * 10 * 40 * 10);
});

describe("gaps from lash to lash", () => {
  const every20 = Array.from({ length: 12 }, (_, i) => lash(i * 20));
  test("one to each lash but the first", () => {
    expect(lashGaps(plan, workOf(every20)).map(({ seconds }) => seconds)).toEqual(Array(11).fill(20));
  });
  test("a bead, a check, a pause, tape or a lash set anew between two lashes takes the gap out", () => {
    const without = (work: PlacingWork, at: number[] = []) => 11 - lashGaps(plan, work, at).length;
    expect(without(workOf(every20), [50_000])).toBe(1);
    expect(without(workOf(every20, { pauses: [{ why: null, fromMs: 61_000, toMs: 79_000 }] }))).toBe(1);
    expect(without(workOf(every20, { pauses: [{ why: null, fromMs: 230_000, toMs: null }] }))).toBe(0);
    expect(without(workOf(every20, { tapes: [{ what: "lidLifted", side: "right", fromMs: 10_000, toMs: 110_000 }] }))).toBe(2);
    expect(without(workOf(every20, { redone: [{ ...lash(70), why: "leaned" }] }))).toBe(1);
    // At the very moment of a lash it lies before that one, not before the next.
    expect(lashGaps(plan, workOf([lash(0), lash(20), lash(45)]), [20_000]).map(({ seconds }) => seconds)).toEqual([25]);
  });
  test("what came between is looked for in any order, and takes each gap that it lies in", () => {
    const redone = [lash(150), lash(30), lash(31)].map((one) => ({ ...one, why: "leaned" as const }));
    const pauses = [
      { why: null, fromMs: 5_000, toMs: 15_000 },
      { why: null, fromMs: 190_000, toMs: 201_000 },
    ];
    // Gaps end at 20, 40, 160, 200 and 220 s: 11 less these five.
    expect(lashGaps(plan, workOf(every20, { redone, pauses }), [1e9, 3_000])).toHaveLength(6);
    expect(lashGaps(plan, workOf(every20), [-5_000, 0])).toHaveLength(11);
    expect(lashGaps(plan, workOf([...every20, lash(240, { n: 3 }), lash(260)]), [239_000, 241_000])).toHaveLength(11);
  });
  test("over four times the middling gap is something else; four times is still a slow lash", () => {
    const at = [0, 20, 40, 60, 80, 160, 241];
    expect(lashGaps(plan, workOf(at.map((s) => lash(s)))).map(({ seconds }) => seconds)).toEqual([20, 20, 20, 20, 80]);
  });
  test("the middling gap is the middle one, or half way between the two in the middle", () => {
    const kept = (...gaps: number[]) => {
      const at = gaps.reduce((all, gap) => [...all, all.at(-1)! + gap], [0]);
      return lashGaps(plan, workOf(at.map((s) => lash(s)))).map(({ seconds }) => seconds);
    };
    expect(kept(10, 20, 75)).toEqual([10, 20, 75]);
    expect(kept(10, 20, 85)).toEqual([10, 20]);
    expect(kept(10, 10, 20, 59)).toEqual([10, 10, 20, 59]);
    expect(kept(10, 10, 20, 61)).toEqual([10, 10, 20]);
  });
  test("the rest of a zone at one tap says nothing of a lash", () => {
    expect(lashGaps(plan, workOf([lash(0), lash(20), lash(90, { n: 5 }), lash(110)])).map(({ seconds }) => seconds)).toEqual([20, 20]);
  });
  test("taps in a row that count what was placed before are no lashes of a quarter of a second, nor one of a hundred", () => {
    const at = [0, 20, 40, 140, 140.25, 140.5, 140.75, 160, 180, 182, 200];
    expect(lashGaps(plan, workOf(at.map((s) => lash(s)))).map(({ seconds }) => seconds)).toEqual([20, 20, 19.25, 20, 2, 18]);
    expect(lashGaps(plan, workOf([0, 1.9, 3.8].map((s) => lash(s))))).toEqual([]);
  });
});

describe("pace", () => {
  test("ten gaps at least; mean, and the 95 % interval of Student's t", () => {
    expect(paceOf(gapsOf(Array(9).fill(20)))).toBeNull();
    // Ten values of mean 20 and standard deviation 2: t(9) = 2.2622 (from memory of any table of t), half width 1.4307.
    const d = 2 * Math.sqrt(9 / 10);
    const pace = paceOf(gapsOf([...Array(5).fill(20 - d), ...Array(5).fill(20 + d)]))!;
    expect(pace.seconds).toBeCloseTo(20, 9);
    expect(pace.highS - pace.seconds).toBeCloseTo((2.2622 * 2) / Math.sqrt(10), 2);
    expect(pace.seconds - pace.lowS).toBeCloseTo(pace.highS - pace.seconds, 9);
    expect(pace.lashes).toBe(10);
    // Nobody places a lash before the one before it.
    expect(paceOf(gapsOf([...Array(9).fill(1), 500]))!.lowS).toBe(0);
  });

  /** A set of a hand that takes 21 s on the right and 26 s on the left, with beads, pauses and outliers put in. */
  function aSet(seed: number) {
    const random = mulberry32(seed);
    const lashes: Lash[] = [];
    const pauses: { why: null; fromMs: number; toMs: number }[] = [];
    const beads: number[] = [];
    let s = 0;
    for (let i = 0; i < 220; i++) {
      const side = Math.floor(i / 3) % 2 ? "left" : "right";
      // Lognormal about its mean, a quarter of spread; sum of uniforms for the normal.
      const normal = Array.from({ length: 12 }, random).reduce((sum, u) => sum + u, 0) - 6;
      s += (side === "left" ? 26 : 21) * Math.exp(0.25 * normal - 0.25 ** 2 / 2);
      if (i % 40 === 39) beads.push((s - 5) * 1000);
      if (i % 55 === 54) {
        pauses.push({ why: null, fromMs: (s - 10) * 1000, toMs: (s + 170) * 1000 });
        s += 180;
      }
      // The phone rings and nobody says so.
      if (i % 60 === 59) s += 150;
      lashes.push(lash(s, { side }));
    }
    return { work: workOf(lashes, { pauses }), beads };
  }
  test("a known pace comes back within 7 % from one set and 1.5 % over thirty, whatever pauses, beads and forgotten minutes lie between", () => {
    for (let seed = 1; seed <= 30; seed++) {
      const { work, beads } = aSet(seed);
      const gaps = lashGaps(plan, work, beads);
      for (const [side, truth] of [
        ["right", 21],
        ["left", 26],
      ] as const) {
        const pace = paceOf(gaps.filter((gap) => gap.side === side))!;
        expect(Math.abs(pace.seconds / truth - 1)).toBeLessThan(0.07);
      }
    }
    const paces = Array.from({ length: 30 }, (_, i) => aSet(i + 1)).map(
      ({ work, beads }) => paceOf(lashGaps(plan, work, beads).filter(({ side }) => side === "left"))!.seconds,
    );
    expect(Math.abs(paces.reduce((sum, p) => sum + p, 0) / paces.length / 26 - 1)).toBeLessThan(0.015);
  });
  test("what a lash takes now: of that eye and technique where known, else of the technique, else as usual", () => {
    const now = paceNow([...gapsOf(Array(10).fill(20)), ...gapsOf(Array(4).fill(30), { side: "left" })], (_, isFan) => (isFan ? 70 : 36));
    expect(now("right", false)).toBeCloseTo(20, 9);
    expect(now("left", false)).toBeCloseTo((200 + 120) / 14, 9);
    expect(now("left", true)).toBe(70);
  });
  test("first and last ten are told apart where a set has both", () => {
    expect(firstAndLast(gapsOf(Array(19).fill(20)))).toBeNull();
    expect(firstAndLast(gapsOf(Array(20).fill(20)))).not.toBeNull();
    const ends = firstAndLast(gapsOf([...Array(10).fill(20), 5, 5, ...Array(10).fill(26)]))!;
    expect([ends.first.seconds, ends.last.seconds]).toEqual([20, 26]);
  });
  test("what is still to come takes its eye's seconds, and what is beyond the plan takes none away", () => {
    const total = plan.spots.reduce((sum, spot) => sum + spot.planned * (spot.side === "left" ? 30 : 20), 0);
    const pace = (side: "right" | "left") => (side === "left" ? 30 : 20);
    expect(secondsLeft(plan, () => 0, pace)).toBe(total);
    const first = plan.spots[0]!;
    expect(secondsLeft(plan, (spot) => (spot === first ? spot.planned + 4 : 0), pace)).toBe(total - first.planned * 20);
  });
});
