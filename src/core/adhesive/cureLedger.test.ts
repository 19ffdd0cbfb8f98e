import fc from "fast-check";
import { cureSettings, defaultPolicy } from "../policy";
import { cureLedger as ledgerOf, doseCurve, eyesWaitS, EYES_SHUT_AT_LEAST_S, isolation, waitInAirS, type AirAt } from ".";

const at = (temperatureC: number, relativeHumidity: number) => ({ temperatureC, relativeHumidity });
const cureLedger = (
  placings: Parameters<typeof ledgerOf>[0],
  readings: readonly AirAt[],
  nowMs: number,
  settings: Parameters<typeof ledgerOf>[3],
  more: Parameters<typeof ledgerOf>[4] = {},
) => ledgerOf(placings, doseCurve(readings), nowMs, settings, more);
const settings = cureSettings(defaultPolicy);
const MINUTE = 60_000;
const steady = (relativeHumidity: number, minutes = 60) =>
  Array.from({ length: minutes + 1 }, (_, i) => ({ ...at(22, relativeHumidity), atMs: i * MINUTE }));
const eyes = (relativeHumidity: number, minutes: number, more: Parameters<typeof cureLedger>[4] = {}) =>
  cureLedger([{ key: "last", atMs: 0 }], steady(relativeHumidity), minutes * MINUTE, settings, more).eyes!;

describe("when eyes may open (common practice: 3 to 5 minutes, never under 3 by the clock; the dose is a model of ours)", () => {
  test("at 22 °C and 50 % after four minutes, the studio's figure", () => {
    expect(eyes(0.5, 3.9)).toMatchObject({ may: false, waitsFor: "dose" });
    expect(eyes(0.5, 3.9).leftS).toBeCloseTo(6, 6);
    expect(eyes(0.5, 4.01)).toMatchObject({ may: true, leftS: 0, waitsFor: null });
  });
  test("at 22 °C and 25 % twice as long, and it says so", () => {
    expect(eyes(0.25, 4)).toMatchObject({ may: false, times: 2 });
    expect(eyes(0.25, 4).leftS).toBeCloseTo(240, 6);
    expect(eyes(0.25, 8.01).may).toBe(true);
  });
  test("in damp air the clock holds them shut for three minutes all the same", () => {
    expect(eyes(0.74, 2.9)).toMatchObject({ may: false, waitsFor: "clock" });
    expect(eyes(0.74, 3.01).may).toBe(true);
  });
  test("without any reading twice the studio's minutes at true seconds, twelve at most, and no air is called slow", () => {
    const unread = (minutes: number, change = {}) =>
      cureLedger([{ key: "last", atMs: 0 }], [], minutes * MINUTE, cureSettings({ ...defaultPolicy, ...change })).eyes!;
    expect(unread(0)).toMatchObject({
      may: false,
      leftS: 480,
      leftLowS: 480,
      leftHighS: 480,
      waitsFor: "unread",
      mend: false,
      times: null,
    });
    expect(cureLedger([{ key: "last", atMs: 0 }], [], 3 * MINUTE, settings).unheardS).toBe(180);
    // A minute later a minute less is left: the clock runs at the speed of clocks.
    expect(unread(1).leftHighS).toBe(420);
    expect([unread(7.9).may, unread(8).may]).toEqual([false, true]);
    expect([unread(11.9, { eyesOpenMinutes: 8 }).may, unread(12, { eyesOpenMinutes: 8 }).may]).toEqual([false, true]);
    expect(eyesWaitS(settings, null)).toBe(480);
    expect(eyesWaitS(cureSettings({ ...defaultPolicy, eyesOpenMinutes: 8 }), null)).toBe(720);
    // A finish ends it by its leaflet here too.
    const misted = cureLedger([{ key: "last", atMs: 0 }], [], 4 * MINUTE, settings, { finish: { method: "mist", atMs: MINUTE } }).eyes!;
    expect(misted.waitsFor).not.toBe("unread");
  });
  test("what a known air will take from the last lash, never under three minutes", () => {
    expect(eyesWaitS(settings, at(22, 0.5))).toBeCloseTo(240, 6);
    expect(eyesWaitS(settings, at(22, 0.25))).toBeCloseTo(480, 6);
    expect(eyesWaitS(settings, at(22, 0.74))).toBe(180);
  });
  test("where the client talked a quarter more is asked, also of a lash that is not the last", () => {
    const talked = (minutes: number) => cureLedger([{ key: "last", atMs: 0, talked: true }], steady(0.5), minutes * MINUTE, settings);
    expect(talked(4.9).eyes).toMatchObject({ may: false, talked: true, atReferenceS: 300 });
    expect(talked(5.01).eyes!.may).toBe(true);
    expect([talked(4.5).lines[0]!.setThrough, talked(5.01).lines[0]!.setThrough]).toEqual([false, true]);
    // Held 3 s, or 3.75 where there was talk.
    expect([talked(3.5 / 60).lines[0]!.isolationSafe, talked(3.8 / 60).lines[0]!.isolationSafe]).toEqual([false, true]);
    const quiet = (minutes: number) => cureLedger([{ key: "last", atMs: 0 }], steady(0.5), minutes * MINUTE, settings).lines[0]!;
    expect([quiet(2.9 / 60).isolationSafe, quiet(3.1 / 60).isolationSafe]).toEqual([false, true]);
    expect([quiet(3.9).setThrough, quiet(4.01).setThrough]).toEqual([false, true]);
    const both = cureLedger(
      [
        { key: "before", atMs: 0, talked: true },
        { key: "last", atMs: 0.5 * MINUTE },
      ],
      steady(0.5),
      4.6 * MINUTE,
      settings,
    ).eyes!;
    expect(both).toMatchObject({ may: false, talked: true, sinceS: 246 });
  });
  test("a lash is held two seconds at least, however fast the air makes the glue", () => {
    expect(isolation({ holdS: 2, holdFollowsAir: true }, at(22, 0.74)).seconds).toBe(2);
    expect(isolation({ holdS: 2, holdFollowsAir: true }, at(22, 0.4)).seconds).toBeCloseTo(2.5, 9);
  });
  test("past twelve minutes by the clock the air is to be mended", () => {
    const slow = cureLedger(
      [{ key: "last", atMs: 0 }],
      steady(0.2).map((r) => ({ ...r, temperatureC: 16 })),
      5 * MINUTE,
      settings,
    ).eyes!;
    expect(slow.mend).toBe(true);
    expect(eyes(0.5, 1).mend).toBe(false);
  });
  test("a finish shortens it by its maker's figure, never under the clock, and only after the last lash", () => {
    const misted = { finish: { method: "mist" as const, atMs: 1 * MINUTE } };
    expect(eyes(0.2, 4.1, misted)).toMatchObject({ may: true });
    expect(eyes(0.2, 3.5, misted)).toMatchObject({ may: false, waitsFor: "finish" });
    const before = cureLedger([{ key: "last", atMs: 2 * MINUTE }], steady(0.2), 6 * MINUTE, settings, misted).eyes!;
    expect(before.may).toBe(false);
  });
  test("a silence keeps them shut longer than the same air heard would", () => {
    const silent = [{ ...at(22, 0.5), atMs: -60 * MINUTE }];
    const ledger = cureLedger([{ key: "last", atMs: 0 }], silent, 4.01 * MINUTE, settings);
    expect(ledger.eyes!.may).toBe(false);
    expect(ledger.unheardS).toBeGreaterThan(200);
    expect(ledger.eyes!.leftHighS).toBeGreaterThan(ledger.eyes!.leftLowS);
    expect(cureLedger([{ key: "last", atMs: 0 }], [], 4.01 * MINUTE, settings).eyes!.may).toBe(false);
  });
});

test("each placing has its own dose; water waits for the last, by adhesive, policy or finish", () => {
  const placings = [
    { key: "zone right 0 1", atMs: 0 },
    { key: "bead 1", atMs: 20 * MINUTE },
  ];
  const ledger = cureLedger(placings, steady(0.5), 22 * MINUTE, settings);
  expect(ledger.lines.map(({ key, dose, isolationSafe, setThrough }) => [key, Math.round(dose!.doseS), isolationSafe, setThrough])).toEqual(
    [
      ["zone right 0 1", 1320, true, true],
      ["bead 1", 120, true, false],
    ],
  );
  const HOUR = 3_600_000;
  expect(ledger.waterFromMs).toBe(20 * MINUTE + 24 * HOUR);
  expect(cureLedger(placings, steady(0.5), 22 * MINUTE, settings, { waterHours: 6 }).waterFromMs).toBe(20 * MINUTE + 6 * HOUR);
  const quick = { ...settings, figures: { ...settings.figures, bonder: { waitS: 180, eyesAfterS: 180, waterHours: 1 } } };
  const bonded = { finish: { method: "bonder" as const, atMs: 21 * MINUTE }, waterHours: 6 };
  expect(cureLedger(placings, steady(0.5), 22 * MINUTE, quick, bonded).waterFromMs).toBe(20 * MINUTE + 1 * HOUR);
  expect(cureLedger([], steady(0.5), 0, settings)).toMatchObject({ eyes: null, waterFromMs: null, lines: [] });
});

test.each([
  [at(22, 0.5), 3, false],
  [at(22, 0.25), 6, false],
  [at(17, 0.2), 8, true],
  [at(28, 0.7), 2, false],
])("one lash is held apart in %j for %d s (common practice: shown 2 to 8)", (air, seconds, tooSlow) => {
  const isolated = isolation({ holdS: 3, holdFollowsAir: true }, air);
  expect([Math.round(isolated.seconds), isolated.tooSlow]).toEqual([seconds, tooSlow]);
});

test("a school that counts fixed seconds is not moved by the air, and is still told when the air is too slow", () => {
  const four = cureSettings({ ...defaultPolicy, hold: "four" });
  expect(isolation(four, at(22, 0.25))).toEqual({ seconds: 4, tooSlow: false });
  expect(isolation(four, at(17, 0.2))).toEqual({ seconds: 4, tooSlow: true });
});

describe("whatever the air did", () => {
  const air = fc.record({
    temperatureC: fc.double({ min: 10, max: 34, noNaN: true }),
    relativeHumidity: fc.double({ min: 0.1, max: 0.9, noNaN: true }),
  });
  const minuteByMinute = (airs: readonly { temperatureC: number; relativeHumidity: number }[]): AirAt[] =>
    airs.map((one, i) => ({ ...one, atMs: i * MINUTE }));
  const hour = fc.array(air, { minLength: 61, maxLength: 61 }).map(minuteByMinute);
  const at0 = [{ key: "last", atMs: 0 }];
  const seen = (readings: readonly AirAt[], minutes: number) => cureLedger(at0, readings, minutes * MINUTE, settings).eyes!;

  test("eyes never open under three minutes, what was open does not shut again, and low is never over high", () => {
    fc.assert(
      fc.property(
        hour,
        fc.double({ min: 0, max: 58, noNaN: true }),
        fc.double({ min: 0, max: 2, noNaN: true }),
        (readings, minutes, more) => {
          const [now, later] = [seen(readings, minutes), seen(readings, minutes + more)];
          if (minutes * 60 < EYES_SHUT_AT_LEAST_S) expect(now.may).toBe(false);
          if (now.may) expect(later.may).toBe(true);
          expect(now.leftLowS).toBeLessThanOrEqual(now.leftHighS + 1e-9);
          expect(now.leftS).toBeGreaterThanOrEqual(0);
          expect(now.may).toBe(now.leftHighS === 0);
        },
      ),
      { seed: 4, numRuns: 300 },
    );
  });
  test("damper air at the same warmth is never slower", () => {
    fc.assert(
      fc.property(
        hour,
        fc.double({ min: 0, max: 0.3, noNaN: true }),
        fc.double({ min: 0, max: 58, noNaN: true }),
        (readings, damper, minutes) => {
          const damped = readings.map((one) => ({ ...one, relativeHumidity: Math.min(0.9, one.relativeHumidity + damper) }));
          const dose = (of: readonly AirAt[]) => cureLedger(at0, of, minutes * MINUTE, settings).lines[0]!.dose!.doseS;
          expect(dose(damped)).toBeGreaterThanOrEqual(dose(readings) - 1e-9);
        },
      ),
      { seed: 5, numRuns: 200 },
    );
  });
  test("readings left out widen the estimate and never open the eyes sooner than the lowest it gives", () => {
    fc.assert(
      fc.property(hour, fc.integer({ min: 2, max: 40 }), (readings, hole) => {
        const holed = readings.filter((_, i) => i === 0 || i > hole);
        const [whole, gappy] = [cureLedger(at0, readings, 50 * MINUTE, settings), cureLedger(at0, holed, 50 * MINUTE, settings)];
        const width = ({ lines }: typeof whole) => lines[0]!.dose!.highS - lines[0]!.dose!.lowS;
        expect(width(whole)).toBe(0);
        if (hole > 5) expect(width(gappy)).toBeGreaterThan(0);
        expect(gappy.unheardS).toBeCloseTo(hole > 4 ? (hole + 1) * 60 : 0, 6);
      }),
      { seed: 6, numRuns: 100 },
    );
  });
});

test("one curve asked for many stretches says of each what it alone would, and stretches add up", () => {
  const reading = fc.record({
    temperatureC: fc.double({ min: 14, max: 32, noNaN: true }),
    relativeHumidity: fc.double({ min: 0.15, max: 0.8, noNaN: true }),
    gapS: fc.integer({ min: 0, max: 900 }),
  });
  const moment = fc.integer({ min: -1800, max: 9000 });
  fc.assert(
    fc.property(fc.array(reading, { minLength: 1, maxLength: 40 }), fc.array(moment, { minLength: 3, maxLength: 12 }), (read, seconds) => {
      let atMs = 0;
      const readings = read.map(({ gapS, ...air }) => ({ ...air, atMs: (atMs += gapS * 1000) }));
      const curve = doseCurve(readings);
      const moments = seconds.map((s) => s * 1000).sort((a, b) => a - b);
      for (let i = 0; i + 2 < moments.length; i++) {
        const [from, middle, to] = moments.slice(i, i + 3) as [number, number, number];
        const whole = curve.between(from, to)!;
        const alone = doseCurve(readings).between(from, to)!;
        for (const figure of ["doseS", "lowS", "highS", "unheardS", "outsideS"] as const)
          expect(whole[figure]).toBeCloseTo(alone[figure], 6);
        expect(curve.between(from, middle)!.doseS + curve.between(middle, to)!.doseS).toBeCloseTo(whole.doseS, 5);
      }
      expect(curve.between(moments.at(-1)!, moments[0]!)!.doseS).toBe(0);
    }),
    { seed: 21, numRuns: 150 },
  );
});

test("what is unsure grows with the silence, for the part of the time that nothing was heard (derived)", () => {
  const dose = doseCurve([{ ...at(22, 0.5), atMs: 0 }]).between(0, 10 * MINUTE)!;
  // Heard for the five minutes until the next reading was due, then silent for five: half of the dose is known to within
  // 0.2 · √(10/60) of it.
  expect(dose).toMatchObject({ doseS: expect.closeTo(600, 6), unheardS: 300, outsideS: 0 });
  expect(dose.highS - dose.doseS).toBeCloseTo(600 * 0.5 * 0.2 * Math.sqrt(10 / 60), 6);
  expect(dose.doseS - dose.lowS).toBeCloseTo(dose.highS - dose.doseS, 9);
});

test("the rest of a cure in an air twice as quick takes half as long", () => {
  const law = doseCurve([]).law;
  expect(waitInAirS(240, at(22, 0.25), at(22, 0.5), law)).toBeCloseTo(120, 6);
  expect(waitInAirS(120, at(22, 0.5), at(22, 0.25), law)).toBeCloseTo(240, 6);
  expect(waitInAirS(-5, at(22, 0.5), at(22, 0.25), law)).toBe(0);
});
