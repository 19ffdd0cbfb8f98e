import { defaultPolicy, cureSettings } from "../policy";
import { usualRoomTraits, type OutlookHour } from "../air";
import {
  baseRate,
  bottleAge,
  bottleFitness,
  brushVerdict,
  cureLedger,
  handMatch,
  handTime,
  isolation,
  learnSetTime,
  setTime,
  startRoom,
  willNotGrab,
  type Adhesive,
  type GrabFacts,
} from ".";

const at = (temperatureC: number, relativeHumidity: number) => ({ temperatureC, relativeHumidity });
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
  const held = isolation({ holdS: 3, holdFollowsAir: true }, air);
  expect([Math.round(held.seconds), held.tooSlow]).toEqual([seconds, tooSlow]);
});

test("a school that counts fixed seconds is not moved by the air, and is still told when the air is too slow", () => {
  const four = cureSettings({ ...defaultPolicy, hold: "four" });
  expect(isolation(four, at(22, 0.25))).toEqual({ seconds: 4, tooSlow: false });
  expect(isolation(four, at(17, 0.2))).toEqual({ seconds: 4, tooSlow: true });
});

describe("the bottle and the hand", () => {
  const hand = handTime([1.8, 2.0, 1.9, 1.95])!;
  const inAir = (nominalS: number, rh = 0.5) => {
    const expected = setTime(nominalS, at(22, rh));
    if (!expected.known) throw new Error("no figure");
    return handMatch(expected, hand);
  };
  test("fast glue skins before a slow fan arrives; medium fits; slow is waited for", () => {
    expect(hand.seconds).toBeCloseTo(1.911, 2);
    expect(inAir(0.6)).toMatchObject({ word: "too fast" });
    expect(inAir(0.6).lateShare).toBeGreaterThan(0.7);
    expect(inAir(1.8)).toMatchObject({ word: "fits" });
    expect(inAir(5)).toMatchObject({ word: "too slow" });
  });
  test("the same bottle is faster in damp air", () => expect(inAir(1.4, 0.7).lateShare).toBeGreaterThan(inAir(1.4, 0.4).lateShare));
  test("nobody timed, no hand", () => expect(handTime([])).toBeNull());
});

describe("the brush-out meter", () => {
  test("6 of 22 where two in a hundred are usual condemns the bead or the air", () => {
    expect(brushVerdict([{ off: 6, of: 22 }], 0.02)).toMatchObject({ word: "bad", off: 6, of: 22 });
    expect(
      brushVerdict(
        [
          { off: 2, of: 10 },
          { off: 4, of: 12 },
        ],
        0.02,
      ),
    ).toMatchObject({ word: "bad", off: 6, of: 22 });
  });
  test("none of forty is as usual, one of eight is not told yet", () => {
    expect(brushVerdict([{ off: 0, of: 40 }], 0.02).word).toBe("as usual");
    expect(brushVerdict([{ off: 1, of: 8 }], 0.02).word).toBe("not told yet");
  });
  test("a hand's own rate is learned, and a rougher one is not blamed for its usual", () => {
    expect(baseRate([])).toBeCloseTo(0.02, 9);
    expect(baseRate([{ off: 80, of: 900 }])).toBeCloseTo(0.082, 3);
    expect(brushVerdict([{ off: 2, of: 22 }], 0.082).word).not.toBe("bad");
  });
  test("it seldom cries wolf, by drawing ten thousand brushes at the usual rate", () => {
    let seed = 7;
    const random = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
    const bad = Array.from({ length: 10_000 }, () => ({
      of: 25,
      off: Array.from({ length: 25 }, random).filter((r) => r < 0.02).length,
    })).filter((brush) => brushVerdict([brush], 0.02).word === "bad").length;
    expect(bad).toBeLessThan(100);
  });
});

describe("it will not grab: the trade's order, with what is known read off", () => {
  const well: GrabFacts = {
    primer: "oilyOnly",
    air: { fits: true, words: "22 °C, 50 %: inside its window." },
    bottle: { daysLeft: 12, old: false, name: "Slackwater, lot 1" },
    shakenS: 300,
    bead: { ageS: 200, lifeS: 900 },
    seat: { seats: true, words: "Seats everywhere." },
  };
  test("the order is washed, rinsed, primed, dry, room, bottle, bead, amount, curl, under-wrap (common practice)", () => {
    expect(willNotGrab(well).map(({ id }) => id)).toEqual("washed rinsed primed dry room bottle bead amount curl underWrap".split(" "));
    expect(
      willNotGrab(well)
        .filter(({ standing }) => standing === "well")
        .map(({ id }) => id),
    ).toEqual(["room", "bottle", "bead", "curl"]);
  });
  test.each([
    ["room", { air: { fits: false, words: "" } }],
    ["bottle", { bottle: { daysLeft: -2, old: false, name: "" } }],
    ["bottle", { bottle: { daysLeft: 9, old: true, name: "" } }],
    ["bottle", { shakenS: 3000 }],
    ["bead", { bead: { ageS: 950, lifeS: 900 } }],
    ["curl", { seat: { seats: false, words: "" } }],
  ])("%s is found wrong by %j", (id, change) => {
    expect(
      willNotGrab({ ...well, ...change })
        .filter(({ standing }) => standing === "wrong")
        .map((check) => check.id),
    ).toEqual([id]);
  });
  test("what nobody knows is asked", () => {
    const asked = willNotGrab({ primer: "none", air: null, bottle: null, shakenS: null, bead: null, seat: null });
    expect(asked.every(({ standing, says }) => standing === "ask" && says.length > 8)).toBe(true);
  });
});

const glue = (name: string, humidityLow: number, humidityHigh: number, setTimeS = 1.5): { id: string; adhesive: Adhesive } => ({
  id: name,
  adhesive: { name, setTimeS, humidityLow, humidityHigh, temperatureLowC: 18, temperatureHighC: 27, lifeAfterOpeningDays: 42 },
});
const standing = (openedDaysAgo: number) =>
  bottleAge("2026-03-01", new Date(Date.parse("2026-03-01") + openedDaysAgo * 86_400_000).toISOString().slice(0, 10), 42);

describe("the shelf for this air and this hand", () => {
  const fitness = (bottle: ReturnType<typeof glue>, days: number, rh = 0.45) =>
    bottleFitness(bottle, learnSetTime(bottle.adhesive.setTimeS, [], [bottle.id]), standing(days), at(22, rh), 30, handTime([1.9]));
  test("fitting, then against the hand, then off the window, then past its life", () => {
    const order = [
      fitness(glue("fits", 0.35, 0.6), 10),
      fitness(glue("too fast", 0.35, 0.6, 0.5), 10),
      fitness(glue("too dry for it", 0.55, 0.7), 10),
      fitness(glue("past its life", 0.35, 0.6), 60),
    ];
    expect(order.map(({ fits }) => fits)).toEqual([true, false, false, false]);
    expect([...order].sort((a, b) => a.rank - b.rank)).toEqual(order);
  });
});

describe("start the room", () => {
  const room = { volumeM3: 30, traits: usualRoomTraits };
  const ahead: OutlookHour[] = [9, 10, 11, 12].map((hour) => ({
    hour,
    ...at(22, 0.3),
    humidityLow: 0.26,
    humidityHigh: 0.34,
    days: 10,
  }));
  const bottles = [glue("damp", 0.45, 0.6), glue("damper", 0.55, 0.7)];
  const start = (visits: { id: string; startHour: number; hours: number }[], traits = usualRoomTraits, of = bottles) =>
    startRoom(
      visits,
      ahead,
      at(22, 0.3),
      8,
      { ...room, traits },
      of,
      (bottle, air) => bottleFitness(bottle, learnSetTime(1.5, [], [bottle.id]), standing(5), air, 30, null),
      2,
    );

  test("none fits the dry forenoon: the nearest bottle, and the humidifier on in time for slow walls", () => {
    const [first, second] = start([
      { id: "b", startHour: 11.5, hours: 2 },
      { id: "a", startHour: 9.5, hours: 2 },
    ]);
    expect(first).toMatchObject({ visitId: "a", bottleId: "damp", needs: { machine: "humidifier" } });
    expect(first!.needs!.target.relativeHumidity).toBeCloseTo(0.47, 6);
    expect(first!.needs!.switchOnHour).toBeCloseTo(9.5 - first!.needs!.minutes!.high / 60, 9);
    // Once brought there it is kept there.
    expect(second).toMatchObject({ visitId: "b", bottleId: "damp", needs: null });
  });
  test("a bottle that fits wants nothing done", () => {
    expect(start([{ id: "a", startHour: 10, hours: 2 }], usualRoomTraits, [...bottles, glue("dry", 0.2, 0.4)])[0]).toMatchObject({
      bottleId: "dry",
      needs: null,
    });
  });
  test("a room without a humidifier is told that it cannot", () => {
    const [only] = start([{ id: "a", startHour: 10, hours: 2 }], { ...usualRoomTraits, humidifierGPerH: 0 });
    expect(only!.needs).toMatchObject({ switchOnHour: null, minutes: null });
  });
});
