import fc from "fast-check";
import { usualSurvey } from "../eye";
import {
  chooseShield,
  fitShield,
  judgeTurn,
  keptTurnDeg,
  KEPT_PRIOR,
  lashProfile,
  learnKeptShare,
  LIFT_WISHES,
  liftEyes,
  liftZones,
  measuredTurnDeg,
  nextLift,
  rawTurnDeg,
  type LiftEye,
  type LiftZone,
  type Shield,
} from ".";

const shield = (radiusMm: number): Shield => ({ version: 1, name: `${radiusMm}`, kind: "shield", radiusMm });
const stock = [3, 4, 5, 6].map(shield);
const usual = learnKeptShare([]);
const one = (zones: readonly LiftZone[]): LiftEye[] => [{ side: "right", zones }];

const byLength = { shield: "shield", shieldSize: "byLength" } as const;
const oneSmaller = { shield: "shield", shieldSize: "oneSmaller" } as const;

describe("turn", () => {
  // Handbook of the trade: 9 mm on r = 4 turns 115°, r = 3 153°, r = 5 92°; 12 mm on r = 3 keeps 147° at a share of 0.70.
  test.each([
    [9, 4, 115],
    [9, 3, 153],
    [9, 5, 92],
  ])("%f mm on %f mm is %i°", (length, radius, turn) => expect(Math.round(rawTurnDeg(length, radius))).toBe(turn));
  test("12 mm on 3 mm keeps 147°: dramatic, allowed", () => {
    const kept = keptTurnDeg(rawTurnDeg(12, 3), usual).mid;
    expect(Math.round(kept)).toBe(147);
    expect(judgeTurn(kept)).toBe("good");
  });
  test("under 45° little shows, over 150° tips fold back, and neither is called good", () => {
    expect([44.9, 45, 150, 150.1].map(judgeTurn)).toEqual(["little", "good", "good", "foldsBack"]);
    const folding = fitShield(shield(2), one(liftZones(null)), usual, "high");
    expect(folding.verdict).toBe("foldsBack");
    expect(chooseShield([shield(2)], one(liftZones(null)), usual, "open", byLength)).toMatchObject({ advised: null, why: "none" });
  });
  test("a lash no longer than its free root is not turned", () => expect(rawTurnDeg(1, 4)).toBe(0));
});

describe("profile", () => {
  test("keeps its length, ends at its turn, whatever they are", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1.2, max: 14, noNaN: true }),
        fc.double({ min: 0, max: 180, noNaN: true }),
        fc.double({ min: -30, max: 30, noNaN: true }),
        (length, turn, root) => {
          const points = lashProfile(length, turn, root);
          const along = points
            .slice(1)
            .reduce((sum, p, i) => sum + Math.hypot(p.reachMm - points[i]!.reachMm, p.liftMm - points[i]!.liftMm), 0);
          // A chain of chords is a little shorter than the arc, never longer.
          expect(along).toBeLessThanOrEqual(length + 1e-9);
          expect(along).toBeGreaterThan(length * 0.999);
          const [a, b] = points.slice(-2) as [(typeof points)[0], (typeof points)[0]];
          const end = (Math.atan2(b.liftMm - a.liftMm, b.reachMm - a.reachMm) * 180) / Math.PI;
          expect(((((end - root) % 360) + 540) % 360) - 180).toBeCloseTo(((((turn * (1 - 1 / 64)) % 360) + 540) % 360) - 180, 4);
        },
      ),
      { seed: 2 },
    );
  });
  // Derived: a quarter turn on r = 4 after 1 mm of root ends 4 mm up and 4 mm further out.
  test("a quarter turn on 4 mm", () => {
    const tip = lashProfile(1 + 2 * Math.PI, 90, 0).at(-1)!;
    expect(tip.reachMm).toBeCloseTo(5, 6);
    expect(tip.liftMm).toBeCloseTo(4, 6);
  });
});

describe("shield choice", () => {
  test("a studio that lifts over rods is advised a rod, though a shield comes nearer, as long as a rod will do", () => {
    const middle = one(liftZones(usualSurvey().eyes.right));
    const rod = (radiusMm: number) => ({ ...shield(radiusMm), kind: "rod" as const });
    const chosen = (shields: Parameters<typeof chooseShield>[0], schools: Parameters<typeof chooseShield>[4]) => {
      const { fits, advised } = chooseShield(shields, middle, usual, "open", schools);
      return advised === null ? null : fits[advised]!.shield;
    };
    const near = chosen(stock, byLength)!;
    const rods = [rod(near.radiusMm + 0.5), rod(near.radiusMm - 0.5)];
    expect(chosen([...stock, ...rods], byLength)).toEqual(near);
    expect(chosen([...stock, ...rods], { ...byLength, shield: "rod" })!.kind).toBe("rod");
    // The next smaller is of the same kind.
    expect(chosen([...stock, rod(near.radiusMm - 0.1)], oneSmaller)!.kind).toBe("shield");
    // No rod will do: a shield is better than none.
    expect(chosen([...stock, rod(1.5)], { ...byLength, shield: "rod" })).toEqual(near);
  });
  const zones = liftZones(usualSurvey().eyes.right);
  test("short corners turn less than the middle, and their shorter lashes less again", () => {
    const fit = fitShield(shield(4), one(zones), usual, "open");
    const [corner, , middle] = fit.eyes[0]!.zones;
    expect(corner!.kept.mid).toBeLessThan(middle!.kept.mid);
    expect(corner!.shortKeptDeg).toBeLessThan(corner!.kept.mid);
  });
  test("by length comes nearest the wish; one smaller is the next one down, unless tips would fold back there", () => {
    const choice = chooseShield(stock, one(zones), usual, "open", byLength);
    const best = choice.fits[choice.advised!]!;
    for (const fit of choice.fits.filter(({ verdict }) => verdict === "good"))
      expect(Math.abs(best.offDeg)).toBeLessThanOrEqual(Math.abs(fit.offDeg));
    const smaller = chooseShield(stock, one(zones), usual, "open", oneSmaller);
    expect(smaller.fits[smaller.advised!]!.shield.radiusMm).toBeLessThan(best.shield.radiusMm);
    const long = zones.map((zone) => ({ ...zone, lengthMm: zone.lengthMm + 4 }));
    expect(chooseShield([shield(5), shield(2.5)], one(long), usual, "high", oneSmaller)).toMatchObject({ why: "smallerFolds" });
    expect(chooseShield([shield(4)], one(zones), usual, "open", oneSmaller).why).toBe("onlyOne");
  });
  test("one size for two unequal eyes: the middle is their mean, either can spoil it, and an eye left out has no say", () => {
    const survey = usualSurvey();
    const longer = { ...survey.eyes.left, points: survey.eyes.left.points.map((point) => ({ ...point, lengthMm: point.lengthMm + 3 })) };
    const unequal = { ...survey, eyes: { ...survey.eyes, left: longer } };
    const [right, left, both] = [["right"], ["left"], ["right", "left"]].map((sides) =>
      fitShield(shield(3), liftEyes(unequal, sides as ("right" | "left")[]), usual, "high"),
    );
    expect(both!.eyes).toEqual([...right!.eyes, ...left!.eyes]);
    expect(both!.middle.rawDeg).toBeCloseTo((right!.middle.rawDeg + left!.middle.rawDeg) / 2, 9);
    expect([right!.verdict, left!.verdict, both!.verdict]).toEqual(["good", "foldsBack", "foldsBack"]);
    const short = one(liftZones(null).map((zone) => ({ ...zone, lengthMm: 4, shortMm: 3 })));
    expect(fitShield(shield(4), [...short, ...one(liftZones(null))], usual, "open").verdict).toBe("little");
  });
  test("no shield that folds any zone back is ever advised", () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 1.5, max: 10, noNaN: true }), { minLength: 1, maxLength: 8 }),
        fc.double({ min: 4, max: 14, noNaN: true }),
        fc.constantFrom("byLength" as const, "oneSmaller" as const),
        fc.constantFrom("soft" as const, "open" as const, "high" as const),
        (radii, longest, school, wish) => {
          const measured = liftZones(null).map((zone, i) => ({ ...zone, lengthMm: i === 3 ? longest : zone.lengthMm }));
          const choice = chooseShield(radii.map(shield), [...one(liftZones(null)), { side: "left", zones: measured }], usual, wish, {
            shield: "shield",
            shieldSize: school,
          });
          if (choice.advised === null) return;
          for (const { kept } of choice.fits[choice.advised]!.eyes.flatMap(({ zones: all }) => all))
            expect(kept.mid).toBeLessThanOrEqual(150);
        },
      ),
      { seed: 4 },
    );
  });
});

describe("kept share", () => {
  test("nothing known is the prior; each reading draws it nearer, a photo more than the card", () => {
    expect(usual).toMatchObject({ mean: expect.closeTo(KEPT_PRIOR.mean, 12), sd: expect.closeTo(KEPT_PRIOR.sd, 12), readings: 0 });
    const reading = { rawDeg: 120, seenDeg: 120 * 0.9 };
    const card = learnKeptShare([{ ...reading, by: "card" }]);
    const photo = learnKeptShare([{ ...reading, by: "photo" }]);
    expect(card.mean).toBeGreaterThan(0.7);
    expect(photo.mean).toBeGreaterThan(card.mean);
    expect(photo.sd).toBeLessThan(card.sd);
    const often = learnKeptShare(Array.from({ length: 30 }, () => ({ ...reading, by: "photo" as const })));
    expect(often.mean).toBeCloseTo(0.9, 1);
  });
  // Derived: a normal prior and one normal reading, by precisions: 1/0.15² and 1/(14/120)²+0.06².
  test("one reading, by hand", () => {
    const sd2 = (14 / 120) ** 2 + 0.06 ** 2;
    const mean = (0.7 / 0.0225 + 0.9 / sd2) / (1 / 0.0225 + 1 / sd2);
    expect(learnKeptShare([{ rawDeg: 120, seenDeg: 108, by: "card" }]).mean).toBeCloseTo(mean, 12);
  });
  test("a share is never more than all", () => {
    const all = learnKeptShare(Array.from({ length: 9 }, () => ({ rawDeg: 100, seenDeg: 130, by: "photo" as const })));
    expect(keptTurnDeg(100, all).high).toBeLessThanOrEqual(100);
  });
});

describe("turn measured in a picture", () => {
  // Derived: along a line, then at a right angle upwards, is a quarter turn, facing either way.
  test.each([1, -1])("a quarter turn facing %i", (facing) => {
    const at = (x: number, y: number) => ({ x: 100 + facing * x, y: 100 - y });
    expect(measuredTurnDeg(at(0, 0), at(10, 0), at(30, 20), at(30, 30))).toBeCloseTo(90, 9);
  });
  test("reads back what the profile draws, whatever its root and scale", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 150, noNaN: true }),
        fc.double({ min: -25, max: 20, noNaN: true }),
        fc.double({ min: 5, max: 80, noNaN: true }),
        (turn, root, scale) => {
          const points = lashProfile(10, turn, root).map(({ reachMm, liftMm }) => ({ x: reachMm * scale, y: -liftMm * scale }));
          const measured = measuredTurnDeg(points[0]!, points[1]!, points.at(-2)!, points.at(-1)!)!;
          expect(measured).toBeCloseTo(turn * (1 - 1 / 64), 4);
        },
      ),
      { seed: 8 },
    );
  });
  test("two places in one say nothing", () =>
    expect(measuredTurnDeg({ x: 1, y: 1 }, { x: 1, y: 1 }, { x: 2, y: 2 }, { x: 3, y: 3 })).toBeNull());
});

test("the next lift takes a little more or less, within the leaflet, and never more after a sting", () => {
  const step = { leastS: 300, mostS: 480, defaultS: 360 };
  const last = { wish: "open", seenDeg: LIFT_WISHES.open.turnDeg, step1S: 360, even: true, comfort: "well" } as const;
  expect(nextLift(null, step)).toEqual({ seconds: 360, reason: "usual", held: null });
  expect(nextLift(last, step)).toEqual({ seconds: 360, reason: "same", held: null });
  expect(nextLift({ ...last, seenDeg: 60 }, step)).toEqual({ seconds: 390, reason: "more", held: null });
  expect(nextLift({ ...last, seenDeg: 60, step1S: 480 }, step)).toEqual({ seconds: 480, reason: "more", held: "most" });
  expect(nextLift({ ...last, seenDeg: 130 }, step)).toMatchObject({ seconds: 330, reason: "less" });
  expect(nextLift({ ...last, seenDeg: 60, comfort: "stung" }, step)).toMatchObject({ seconds: 360, reason: "stung" });
  expect(nextLift({ ...last, seenDeg: 60, even: false }, step)).toMatchObject({ seconds: 360, reason: "uneven" });
});
