import { CURLS, contactLengthMm, liftAndReach, type CurlId } from "@/core/curl";
import { grownMm } from "@/core/growth";
import { equalCrossSectionCount, fibreMassMg, taperFactor, centreOfMassMm } from "@/core/lash";
import { loadIndex, momentMgMm } from "@/core/load";

// Worked figures of the trade's handbook for this product. Each block says what stands behind it.
const round = (count: number, diameterMm: number, lengthMm: number) => ({ count, diameterMm, lengthMm, shape: "round" as const });

describe("mass: derived from geometry and PBT 1.31 g/cm³ (polymer handbooks, recalled from memory)", () => {
  test("0.15 × 10 mm single with half its length tapered", () => {
    // The arithmetic on its own: π/4 · 0.15² · 10 · 1.31 · 2/3
    expect(fibreMassMg(round(1, 0.15, 10))).toBeCloseTo(0.785398163 * 0.0225 * 10 * 1.31 * (2 / 3), 9);
    expect(fibreMassMg(round(1, 0.15, 10))).toBeCloseTo(0.1543, 4);
  });
  test("5D of 0.05 × 12 untapered weighs the same", () => {
    expect(fibreMassMg(round(5, 0.05, 12), 1)).toBeCloseTo(0.1543, 4);
  });
  test("taper factor and centre of mass agree with integrating the fibre numerically", () => {
    for (const s of [0, 0.3, 0.5, 1]) {
      const n = 200_000;
      let [mass, moment] = [0, 0];
      for (let i = 0; i < n; i++) {
        const x = (i + 0.5) / n;
        const radius = x < s || s === 1 ? 1 : (1 - x) / (1 - s);
        mass += radius ** 2 / n;
        moment += (x * radius ** 2) / n;
      }
      expect(taperFactor(s)).toBeCloseTo(mass, 6);
      expect(centreOfMassMm(1, s)).toBeCloseTo(moment / mass, 6);
    }
    expect(centreOfMassMm(1)).toBeCloseTo(0.34375, 9);
  });
  test("equal cross-section: one 0.15 is 9 of 0.05, 4.59 of 0.07, 25 of 0.03 (derived, d²)", () => {
    expect(equalCrossSectionCount(0.15, 0.05)).toBeCloseTo(9, 9);
    expect(equalCrossSectionCount(0.15, 0.07)).toBeCloseTo(4.59, 2);
    expect(equalCrossSectionCount(0.15, 0.03)).toBeCloseTo(25, 9);
  });
});

describe("load: worked table of the handbook, a model of this product", () => {
  test("moment of the reference fibre", () => {
    expect(momentMgMm(round(1, 0.15, 12), 1)).toBeCloseTo(1.0091, 4);
  });
  test.each([
    [1, 0.15, 12, 1.96, 1.0, 0.59],
    [1, 0.15, 14, 2.55, 1.3, 0.77],
    [1, 0.12, 10, 0.97, 0.49, 0.29],
    [1, 0.2, 14, 4.44, 2.27, 1.34],
    [5, 0.07, 12, 2.2, 1.12, 0.66],
    [5, 0.05, 12, 1.22, 0.62, 0.37],
    [10, 0.03, 14, 1.17, 0.6, 0.35],
    [16, 0.03, 12, 1.37, 0.7, 0.41],
  ])("%iD %d × %d on fine, medium, coarse: %d / %d / %d", (count, diameterMm, lengthMm, fine, medium, coarse) => {
    const fibre = round(count, diameterMm, lengthMm);
    const close = (value: number, expected: number) => expect(Math.abs(value - expected)).toBeLessThanOrEqual(0.0051);
    close(loadIndex(fibre, 0.065, 1), fine);
    close(loadIndex(fibre, 0.085, 1), medium);
    close(loadIndex(fibre, 0.105, 1), coarse);
  });
  test("on a baby lash: 3D 0.05 × 11 1.38, 0.07 × 7 0.52, 0.15 × 12 3.77", () => {
    expect(loadIndex(round(3, 0.05, 11), 0.05, 1)).toBeCloseTo(1.38, 2);
    expect(loadIndex(round(1, 0.07, 7), 0.05, 1)).toBeCloseTo(0.52, 2);
    expect(loadIndex(round(1, 0.15, 12), 0.05, 1)).toBeCloseTo(3.77, 2);
  });
  test("growing 0.13 mm a day (Thibaut et al. 2010, recalled from memory) the reference reaches 1.39× at day 14, 1.58× at 21", () => {
    const fibre = round(1, 0.15, 12);
    expect(loadIndex(fibre, 0.085, 1 + grownMm(14, 9))).toBeCloseTo(1.39, 2);
    expect(loadIndex(fibre, 0.085, 1 + grownMm(21, 9))).toBeCloseTo(1.58, 2);
    expect(loadIndex(fibre, 0.085, 1 + grownMm(21, 0))).toBeCloseTo(1, 9);
  });
});

describe("curl: worked figures of the handbook; letters from memory, geometry derived", () => {
  test.each<[CurlId, number, number, number]>([
    ["C", 2.42, 6.8, 9.42],
    ["D", 5.12, 8.39, 9.89],
    ["L", 5.32, 8.11, 9.26],
    ["M", 4.16, 7.45, 9.09],
  ])("%s at 12 mm lifts %d / %d / %d on down, level, up lashes", (curl, down, level, up) => {
    const lift = (angle: number) => liftAndReach(CURLS[curl], 12, angle).liftMm;
    // The table was summed in steps, so its last figure may be one off: the exact arc for C, level, is 6.7946.
    for (const [angle, expected] of [
      [-25, down],
      [0, level],
      [20, up],
    ] as const)
      expect(Math.abs(lift(angle) - expected)).toBeLessThan(0.01);
  });
  test("lift and reach agree with integrating the angle numerically", () => {
    const n = 100_000;
    for (const id of ["J", "CC", "DD", "L", "M"] as CurlId[]) {
      const curl = CURLS[id];
      const [base, turn] = [curl.baseStraightMm, curl.turnOver === 1 ? 11 - curl.baseStraightMm : curl.turnOver * 11];
      let [lift, reach] = [0, 0];
      for (let i = 0; i < n; i++) {
        const s = ((i + 0.5) / n) * 11;
        const turned = Math.min(1, Math.max(0, (s - base) / turn)) * curl.turnDeg;
        const theta = ((turned - 25) * Math.PI) / 180;
        lift += (Math.sin(theta) * 11) / n;
        reach += (Math.cos(theta) * 11) / n;
      }
      const exact = liftAndReach(curl, 11, -25);
      expect(exact.liftMm).toBeCloseTo(lift, 5);
      expect(exact.reachMm).toBeCloseTo(reach, 5);
    }
  });
  test("contact: C 12 on straight 0.96, on 30° over 9 mm 1.40, on 60° capped at 3; L on straight 3", () => {
    expect(contactLengthMm(CURLS.C, 12, 0, 9)).toBeCloseTo(0.96, 2);
    expect(contactLengthMm(CURLS.C, 12, 30, 9)).toBeCloseTo(1.4, 2);
    expect(contactLengthMm(CURLS.C, 12, 60, 9)).toBe(3);
    expect(contactLengthMm(CURLS.L, 12, 0, 9)).toBe(3);
  });
});

test("glue weighs 0.05 mg on a fan and 0.03 mg on a single (handbook; a model of this product), 1 mm beyond the attachment", () => {
  // Derived: 5 fibres of 0.05 × 12 mm, two thirds of a full cylinder of PBT: 5 · 1.31 · π/4 · 0.05² · 12 · 2/3 = 0.10289 mg, its
  // centre at 0.34375 · 12 mm; with 0.05 mg at 2 mm: 0.10289 · 5.125 + 0.1 = 0.6273 mg·mm.
  const fan = { lengthMm: 12, diameterMm: 0.05, shape: "round" as const, count: 5 };
  expect(momentMgMm(fan, 1)).toBeCloseTo(0.6273, 4);
  // One fibre of it alone, with a single's glue: 0.020577 · 5.125 + 0.06.
  expect(momentMgMm({ ...fan, count: 1 }, 1)).toBeCloseTo(0.1655, 4);
});
