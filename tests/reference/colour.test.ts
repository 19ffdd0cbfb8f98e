import { differenceCiede2000, formatHex, oklab, wcagLuminance } from "culori";
import { Color } from "spectral.js";
import {
  blendShades,
  colourDifference,
  DEPTHS,
  depthAfter,
  minutesTo,
  onHair,
  PROCESS_PRIORS,
  proposeMinutes,
  timeToTarget,
  type DepthLook,
} from "@/core/colour";
import { mulberry32, standardNormal } from "@/core/units";

/**
 * Sharma, Wu, Dalal, "The CIEDE2000 color-difference formula", Color Research and Application 30 (2005) 21-30, table 1:
 * L*, a*, b* of two colours and their difference. Recalled from memory; a wrong digit would show against culori.
 */
const PAIRS = [
  [50, 2.6772, -79.7751, 50, 0, -82.7485, 2.0425],
  [50, 3.1571, -77.2803, 50, 0, -82.7485, 2.8615],
  [50, 2.8361, -74.02, 50, 0, -82.7485, 3.4412],
  [50, -1.3802, -84.2814, 50, 0, -82.7485, 1.0],
  [50, -1.1848, -84.8006, 50, 0, -82.7485, 1.0],
  [50, -0.9009, -85.5211, 50, 0, -82.7485, 1.0],
  [50, 0, 0, 50, -1, 2, 2.3669],
  [50, -1, 2, 50, 0, 0, 2.3669],
  [50, 2.49, -0.001, 50, -2.49, 0.0009, 7.1792],
  [50, 2.49, -0.001, 50, -2.49, 0.001, 7.1792],
  [50, 2.49, -0.001, 50, -2.49, 0.0011, 7.2195],
  [50, 2.49, -0.001, 50, -2.49, 0.0012, 7.2195],
  [50, -0.001, 2.49, 50, 0.0009, -2.49, 4.8045],
  [50, -0.001, 2.49, 50, 0.001, -2.49, 4.8045],
  [50, -0.001, 2.49, 50, 0.0011, -2.49, 4.7461],
  [50, 2.5, 0, 50, 0, -2.5, 4.3065],
  [50, 2.5, 0, 73, 25, -18, 27.1492],
  [50, 2.5, 0, 61, -5, 29, 22.8977],
  [50, 2.5, 0, 56, -27, -3, 31.903],
  [50, 2.5, 0, 58, 24, 15, 19.4535],
  [50, 2.5, 0, 50, 3.1736, 0.5854, 1.0],
  [50, 2.5, 0, 50, 3.2972, 0, 1.0],
  [50, 2.5, 0, 50, 1.8634, 0.5757, 1.0],
  [50, 2.5, 0, 50, 3.2592, 0.335, 1.0],
  [60.2574, -34.0099, 36.2677, 60.4626, -34.1751, 39.4387, 1.2644],
  [63.0109, -31.0961, -5.8663, 62.8187, -29.7946, -4.0864, 1.263],
  [61.2901, 3.7196, -5.3901, 61.4292, 2.248, -4.962, 1.8731],
  [35.0831, -44.1164, 3.7933, 35.0232, -40.0716, 1.5901, 1.8645],
  [22.7233, 20.0904, -46.694, 23.0331, 14.973, -42.5619, 2.0373],
  [36.4612, 47.858, 18.3852, 36.2715, 50.5065, 21.2231, 1.4146],
  [90.8027, -2.0831, 1.441, 91.1528, -1.6435, 0.0447, 1.4441],
  [90.9257, -0.5406, -0.9208, 88.6381, -0.8985, -0.7239, 1.5381],
  [6.7747, -0.2908, -2.4247, 5.8714, -0.0985, -2.2286, 0.6377],
  [2.0776, 0.0795, -1.135, 0.9033, -0.0636, -0.5514, 0.9082],
] as const;

test.each(PAIRS)("CIEDE2000 of (%f %f %f) and (%f %f %f) is %f", (l1, a1, b1, l2, a2, b2, difference) => {
  const computed = differenceCiede2000()({ mode: "lab65", l: l1, a: a1, b: b1 }, { mode: "lab65", l: l2, a: a2, b: b2 });
  expect(computed).toBeCloseTo(difference, 3);
});

describe("blending, spectral.js 3.0.0 against culori 4.0.2", () => {
  const shades = ["#15131a", "#3b2a20", "#5d4330", "#1c2340", "#7c5d3e", "#8a3b22"];
  test("what spectral.js mixes is the colour that culori reads", () => {
    for (const a of shades)
      for (const b of shades) {
        const hex = blendShades([
          { colour: a, parts: 2 },
          { colour: b, parts: 1 },
        ]);
        const [l, ,] = new Color(hex).OKLab;
        expect(l).toBeCloseTo(oklab(hex)!.l, 2);
        expect(formatHex(hex)).toBe(hex);
        // A mix of two pigments lies between them in darkness.
        const [low, high] = [wcagLuminance(a), wcagLuminance(b)].sort((x, y) => x - y);
        expect(wcagLuminance(hex)).toBeGreaterThanOrEqual(low! * 0.8 - 0.002);
        expect(wcagLuminance(hex)).toBeLessThanOrEqual(high! * 1.05 + 0.002);
      }
  });
  // A fact of pigments, not of lamps: yellow and blue give green.
  test("yellow and blue give green", () => {
    const green = blendShades([
      { colour: "#fcd300", parts: 1 },
      { colour: "#002185", parts: 1 },
    ]);
    const [r, g, b] = [1, 3, 5].map((i) => parseInt(green.slice(i, i + 2), 16)) as [number, number, number];
    expect(g).toBeGreaterThan(r);
    expect(g).toBeGreaterThan(b);
  });
  test("nothing taken is the hair, all taken is the shade, more is nearer the shade", () => {
    const [shade, hair] = ["#15131a", DEPTHS[6].hex];
    expect(onHair(shade, hair, 0)).toBe(hair);
    expect(onHair(shade, hair, 1)).toBe(shade);
    const away = [0.1, 0.3, 0.5, 0.7, 0.9].map((taken) => colourDifference(onHair(shade, hair, taken), shade));
    expect([...away].sort((a, b) => b - a)).toEqual(away);
  });
  test("the ten depths are told apart by eye: each at least two just-seen differences from the next", () => {
    DEPTHS.slice(1).forEach(({ hex }, i) => expect(colourDifference(DEPTHS[i]!.hex, hex)).toBeGreaterThan(2));
  });
});

describe("processing curve", () => {
  // Derived: 3 + 4(1 − e^−1) and its inverse.
  test("depth and time are each other's inverse", () => {
    const curve = { from: 3, way: 1, rate: 0.1, end: 4 } as const;
    expect(depthAfter(10, curve)).toBeCloseTo(3 + 4 * (1 - Math.exp(-1)), 12);
    expect(minutesTo(depthAfter(10, curve), curve)).toBeCloseTo(10, 9);
    expect(minutesTo(7.1, curve)).toBe(Infinity);
    expect(minutesTo(2.5, curve)).toBe(0);
  });

  // Seeds were fixed before the first run: 20261125 and the client's number.
  test.each(["lightener", "tint"] as const)(
    "the 95 %% interval covers 93 to 97 %% of 2,000 simulated clients, %s",
    (kind) => {
      const prior = PROCESS_PRIORS[kind];
      let covered = 0;
      let finite = 0;
      for (let client = 0; client < 2000; client++) {
        const random = mulberry32(20261125 + client);
        const clientRate = prior.rate.median * Math.exp(prior.rate.logSd * standardNormal(random));
        const rate = clientRate * Math.exp(prior.visitLogSd * standardNormal(random));
        const end = prior.end.median * Math.exp(prior.end.logSd * standardNormal(random));
        const from = (prior.way === 1 ? 3 : 6) + (random() - 0.5);
        const curve = { from, way: prior.way, rate, end };
        const count = 3 + Math.floor(random() * 3);
        // Seen by eye with an error of 0.4 steps, and taken down in whole steps.
        const seen = (minutes: number): DepthLook => ({
          minutes,
          depth: Math.round(depthAfter(minutes, curve) + 0.4 * standardNormal(random)),
        });
        const looks = Array.from({ length: count + 1 }, (_, i) => seen(2 * i));
        const target = Math.round(from) + prior.way * 2;
        const estimate = timeToTarget(target, { looks }, [], prior);
        const truth = minutesTo(target, curve);
        if (Number.isFinite(truth)) finite++;
        if (truth >= estimate.low && truth <= estimate.high) covered++;
      }
      expect(finite).toBeGreaterThan(1500);
      expect(covered / 2000).toBeGreaterThanOrEqual(0.93);
      expect(covered / 2000).toBeLessThanOrEqual(0.97);
    },
    120_000,
  );

  test("looks narrow the interval, and earlier visits speak for the client", () => {
    const prior = PROCESS_PRIORS.lightener;
    const start = { minutes: 0, depth: 3 };
    const width = ({ low, high }: { low: number; high: number }) => Math.min(high, 60) - low;
    const none = timeToTarget(5, { looks: [start] }, [], prior);
    const some = timeToTarget(5, { looks: [start, { minutes: 2, depth: 4 }, { minutes: 4, depth: 4 }] }, [], prior);
    expect(width(some)).toBeLessThan(width(none));
    const slow = { looks: [start, { minutes: 4, depth: 3 }, { minutes: 8, depth: 4 }, { minutes: 12, depth: 4 }] };
    const fast = { looks: [start, { minutes: 2, depth: 5 }, { minutes: 4, depth: 6 }] };
    expect(timeToTarget(5, { looks: [start] }, [slow, slow], prior).mid).toBeGreaterThan(
      timeToTarget(5, { looks: [start] }, [fast, fast], prior).mid * 1.5,
    );
  });

  test("a proposal stays inside the leaflet and falls back to the usual time while nothing is known", () => {
    const step = { leastS: 120, mostS: 900, defaultS: 420 };
    const wish = { fromDepth: 3, targetDepth: 5 };
    expect(proposeMinutes(wish, [], step, PROCESS_PRIORS.lightener)).toMatchObject({ seconds: 420, from: "usual", estimate: null });
    const slow = {
      looks: [
        { minutes: 0, depth: 3 },
        { minutes: 8, depth: 3 },
        { minutes: 14, depth: 4 },
      ],
    };
    const proposed = proposeMinutes({ fromDepth: 3, targetDepth: 7 }, [slow, slow], step, PROCESS_PRIORS.lightener);
    expect(proposed).toMatchObject({ seconds: 900, from: "history", held: "most", unreachable: true, visits: 2 });
  });
});
