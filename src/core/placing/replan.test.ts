import { mulberry32 } from "../units";
import { keptWhole, placingTime, replan, shown, type PlannedSpot, type ToPlace } from ".";

const spot = (side: "right" | "left", zone: number, planned: number): PlannedSpot => ({
  side,
  layer: 0,
  zone,
  piece: 0,
  role: "base",
  fibre: { lengthMm: 10, curl: "C", diameterMm: 0.15, shape: "round", count: 1 },
  isFan: false,
  planned,
  slots: Array.from({ length: planned }, (_, i) => i),
  from: 0,
  to: 1,
  isCorner: false,
});
const toPlace = (side: "right" | "left", zone: number, planned: number, placed: number, weight: number, seconds: number): ToPlace => ({
  spot: spot(side, zone, planned),
  weight,
  placed,
  seconds,
});

const mirrored = (all: readonly ToPlace[]) =>
  all.flatMap((a, i) => {
    const j = all.findIndex(({ spot }, k) => k > i && spot.zone === a.spot.zone && spot.side !== a.spot.side);
    return j < 0 ? [] : [[i, j] as const];
  });
/** In lashes past the one that is allowed. */
const apart = (all: readonly ToPlace[], counts: readonly number[]) =>
  mirrored(all).reduce((sum, [i, j]) => {
    const oneLash = 1 / Math.min(all[i]!.spot.planned, all[j]!.spot.planned);
    return sum + Math.max(0, Math.abs(counts[i]! / all[i]!.spot.planned - counts[j]! / all[j]!.spot.planned) - oneLash) / oneLash;
  }, 0);

/** Every way to go on, one after the other: the least apart first, then the most look. */
function bruteForce(all: readonly ToPlace[], budgetS: number) {
  let best = { apart: Infinity, look: -Infinity };
  const counts = all.map(({ placed }) => placed);
  const walk = (i: number, seconds: number) => {
    if (seconds > budgetS + 1e-9) return;
    if (i === all.length) {
      const look = all.reduce((sum, { spot, weight }, k) => sum + weight * shown(counts[k]! / spot.planned), 0);
      const away = apart(all, counts);
      if (away < best.apart - 1e-9 || (Math.abs(away - best.apart) < 1e-9 && look > best.look)) best = { apart: away, look };
      return;
    }
    const { placed, spot, seconds: each } = all[i]!;
    for (let n = placed; n <= spot.planned; n++) {
      counts[i] = n;
      walk(i + 1, seconds + (n - placed) * each);
    }
    counts[i] = placed;
  };
  walk(0, 0);
  return best;
}

test("half the lashes give three quarters of the look", () => {
  expect([0, 0.25, 0.5, 1].map(shown)).toEqual([0, 0.4375, 0.75, 1]);
});

test("equal to brute force on small sets, whatever is placed, the pace of each eye, and the time", () => {
  const random = mulberry32(4);
  const upTo = (n: number) => Math.floor(random() * (n + 1));
  for (let round = 0; round < 400; round++) {
    const zones = 1 + upTo(1);
    const all = Array.from({ length: zones }, (_, zone) => zone + 1).flatMap((zone) =>
      (["right", "left"] as const).flatMap((side) => {
        if (random() < 0.1) return [];
        const planned = 2 + upTo(3);
        return [toPlace(side, zone, planned, upTo(planned), random(), (side === "left" ? 26.3 : 21.1) * (random() < 0.3 ? 1.9 : 1))];
      }),
    );
    const budgetS = random() * 260;
    const ours = replan(all, budgetS);
    const truth = bruteForce(all, budgetS);
    expect(ours.seconds).toBeLessThanOrEqual(budgetS + 1e-6);
    expect(apart(all, ours.counts)).toBeCloseTo(truth.apart, 6);
    expect(ours.look).toBeCloseTo(truth.look, 9);
    ours.counts.forEach((count, i) => {
      expect(count).toBeGreaterThanOrEqual(all[i]!.placed);
      expect(count).toBeLessThanOrEqual(Math.max(all[i]!.placed, all[i]!.spot.planned));
    });
  }
});

test("the eye that lags is evened before anything is added; without the time for it, as far as it goes, and it is said", () => {
  const all = [toPlace("right", 1, 10, 6, 0.5, 20), toPlace("left", 1, 10, 0, 0.5, 20)];
  expect(replan(all, 0)).toMatchObject({ counts: [6, 0], seconds: 0, unevenLashes: 5 });
  expect(replan(all, 65)).toMatchObject({ counts: [6, 3], unevenLashes: 2 });
  expect(replan(all, 100)).toMatchObject({ counts: [6, 5], unevenLashes: 0 });
  expect(replan(all, 1000)).toMatchObject({ counts: [10, 10], seconds: 280, unevenLashes: 0 });
});
test("a zone beyond its plan keeps what it has and costs nothing", () => {
  const all = [toPlace("right", 1, 4, 6, 0.5, 20), toPlace("left", 1, 4, 4, 0.5, 20)];
  expect(replan(all, 500)).toMatchObject({ counts: [6, 4], seconds: 0 });
});

describe("what is kept whole", () => {
  const kept = { endS: 300, changeS: 75, beadLifeS: 900, beadLeftS: 400 };
  test("the bead in use is worked to its end, then each new one takes its change first", () => {
    expect(placingTime(600, kept)).toEqual({ seconds: 300, beads: 0 });
    // 700 s: with the bead as it is 400 s of placing, and nothing is gained by a change of 75 s.
    expect(placingTime(750, kept)).toEqual({ seconds: 400, beads: 0 });
    expect(placingTime(1000, kept)).toEqual({ seconds: 625, beads: 1 });
    expect(placingTime(3600, kept)).toEqual({ seconds: 3600 - 300 - 3 * 75, beads: 3 });
  });
  test("less than the end takes leaves no time to place, and never less than none", () => {
    expect(placingTime(200, kept)).toEqual({ seconds: 0, beads: 0 });
  });
  test("stickies are looked for while it cures: the longer of the two is the end; no bead out has nothing left", () => {
    const policy = { stickyCheckMinutes: 5, beadChangeSeconds: 75 };
    expect(keptWhole(policy, { lifeS: 850, leftS: 210 }, 900, 240)).toEqual({ endS: 300, changeS: 75, beadLifeS: 850, beadLeftS: 210 });
    expect(keptWhole(policy, { lifeS: 850, leftS: -20 }, 900, 480)).toEqual({ endS: 480, changeS: 75, beadLifeS: 850, beadLeftS: 0 });
    expect(keptWhole(policy, null, 900, 240)).toMatchObject({ beadLifeS: 900, beadLeftS: 0 });
  });
});
