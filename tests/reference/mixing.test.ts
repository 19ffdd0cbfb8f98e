import fc from "fast-check";
import {
  alligate,
  dilute,
  DOSE_UNITS,
  dropsMl,
  dropsPerGram,
  gramsOf,
  isMix,
  judgePeroxide,
  mixFor,
  nozzleFromRibbon,
  peroxideInMix,
  ratioError,
  ribbonMl,
  roundDoses,
  volumeStrength,
  within,
  exactly,
  type Product,
  type Recipe,
} from "@/core/mixing";

const BARE: Product = {
  version: 1,
  name: "tint",
  kind: "tint",
  peroxide: null,
  ready: null,
  consistency: "cream",
  densityGMl: null,
  nozzleMm: null,
  dropsPerGram: null,
  colour: "#2a1f1a",
  packG: 15,
  packPrice: 9,
  lifeAfterOpeningDays: 365,
};
const tint = (over: Partial<Product> = {}): Product => ({ ...BARE, ...over });
const developer = (over: Partial<Product> = {}): Product => ({
  ...BARE,
  name: "developer 3 %",
  kind: "developer",
  peroxide: 0.03,
  colour: null,
  consistency: "liquid",
  ...over,
});
const T = "11111111-1111-4111-8111-111111111111";
const T2 = "33333333-3333-4333-8333-333333333333";
const D = "22222222-2222-4222-8222-222222222222";
const BOTH = { areas: ["lashRight", "lashLeft"], density: "usual" } as const;

describe("dilution, C₁V₁ = C₂V₂", () => {
  // OpenStax Chemistry 2e, section 3.4, worked examples of dilution; figures recalled from memory.
  test("0.850 L of 5.00 M made up to 1.80 L is 2.36 M", () => {
    const made = dilute(5.0, 2.361, 1.8)!;
    expect(made.stock).toBeCloseTo(0.85, 3);
    expect(made.stock + made.diluent).toBeCloseTo(1.8, 12);
  });
  test("5.00 L of 0.100 M takes 0.314 L of 1.59 M", () => {
    expect(dilute(1.59, 0.1, 5)!.stock).toBeCloseTo(0.314, 3);
  });
  test("0.011 L of 0.45 M makes 0.041 L of 0.12 M", () => {
    expect(dilute(0.45, 0.12, 0.04125)!.stock).toBeCloseTo(0.011, 6);
  });
  // Derived: half of a 6 % developer and half of its base is 3 %.
  test("6 % to 3 % is half and half; a stock is never made stronger", () => {
    expect(dilute(0.06, 0.03, 10)).toEqual({ stock: 5, diluent: 5 });
    expect(dilute(0.03, 0.06, 10)).toBeNull();
  });
});

describe("alligation", () => {
  // Ansel and Stoklosa, Pharmaceutical Calculations, alligation alternate: alcohols of 95 % and 50 % to 70 % go 20 to 25. From memory.
  test("95 % and 50 % to 70 %: 20 parts to 25", () => {
    const { strong, weak } = alligate(0.95, 0.5, 0.7, 45)!;
    expect(strong).toBeCloseTo(20, 9);
    expect(weak).toBeCloseTo(25, 9);
  });
  test("the peroxide that goes in is the peroxide that is there", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.031, max: 0.12, noNaN: true }),
        fc.double({ min: 0, max: 0.03, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (a, b, t) => {
          const wanted = b + (a - b) * t;
          const made = alligate(a, b, wanted, 7)!;
          expect(made.strong * a + made.weak * b).toBeCloseTo(wanted * 7, 9);
          expect(made.strong + made.weak).toBeCloseTo(7, 9);
          // Against the definition of a mixture's strength, by peroxideInMix.
          if (b > 0.001)
            expect(
              peroxideInMix([
                { grams: exactly(made.strong), peroxide: a },
                { grams: exactly(made.weak), peroxide: b },
              ]).mid,
            ).toBeCloseTo(wanted, 9);
        },
      ),
      { seed: 7, numRuns: 300 },
    );
  });
  test("outside the two strengths nothing is blended", () => {
    expect(alligate(0.06, 0.03, 0.02, 10)).toBeNull();
    expect(alligate(0.06, 0.03, 0.07, 10)).toBeNull();
  });
});

describe("volume strength", () => {
  // Derived from 34.0147 g/mol (CODATA) and 22.414 L/mol (IUPAC); the handbook's 3.04, 6.07, 12.14 % w/v.
  test.each([
    [10, 3.04],
    [20, 6.07],
    [40, 12.14],
  ])("%i vol is %f %% w/v", (volumes, percent) => {
    expect(volumeStrength(volumes) * 100).toBeCloseTo(percent, 2);
  });
});

describe("ribbon and drops", () => {
  // Handbook of the trade, mixing: a 5 mm nozzle and 2 cm are 0.393 mL. Derived: π/4 · 0.25 cm² · 2 cm.
  test("2 cm from 5 mm", () => expect(ribbonMl(2, 5)).toBeCloseTo(0.393, 3));
  // European Pharmacopoeia 2.1.1, standard dropper: 20 drops of water weigh 1.000 g (recalled from memory).
  test("20 drops of water are a millilitre", () => expect(dropsMl(20)).toBe(1));
  test("a bottle counted on a scale is exact, another a range of ±40 %", () => {
    expect(gramsOf(10, "drops", developer({ dropsPerGram: dropsPerGram(60, 2.4) }))).toEqual({ low: 0.4, mid: 0.4, high: 0.4 });
    const open = gramsOf(10, "drops", developer());
    expect(open.low).toBeCloseTo(0.3, 9);
    expect(open.high).toBeCloseTo(0.7, 9);
  });
  test("a nozzle is found again from a weighed ribbon", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 12, noNaN: true }),
        fc.double({ min: 0.5, max: 10, noNaN: true }),
        fc.double({ min: 0.5, max: 1.5, noNaN: true }),
        (nozzle, cm, density) => {
          expect(nozzleFromRibbon(cm, ribbonMl(cm, nozzle) * density, density)).toBeCloseTo(nozzle, 6);
        },
      ),
      { seed: 11 },
    );
  });
});

describe("peroxide in the mix", () => {
  const weighed = (tintG: number, developerG: number, strength = 0.03) =>
    peroxideInMix([
      { grams: exactly(tintG), peroxide: 0 },
      { grams: exactly(developerG), peroxide: strength },
    ]).mid * 100;
  // Handbook of the trade, from memory there: 3 % at 1:1 is 1.5 %, at 1:2 is 2.0 %.
  test("by weight", () => {
    expect(weighed(1, 1)).toBeCloseTo(1.5, 9);
    expect(weighed(1, 2)).toBeCloseTo(2.0, 9);
  });
  // Handbook of the trade: 2 cm of colour from 5 mm, nominal drops.
  test.each([
    [10, 1.68],
    [15, 1.97],
    [20, 2.15],
  ])("%i nominal drops: %f %%", (drops, percent) => {
    const recipe: Recipe = {
      colours: [{ productId: T, parts: 1 }],
      colourAmount: 2,
      colourUnit: "cm",
      developers: [{ productId: D, parts: 1 }],
      developerAmount: drops,
      developerUnit: "drops",
    };
    const mix = mixFor(
      recipe,
      new Map([
        [T, tint()],
        [D, developer()],
      ]),
      BOTH,
      "lashes",
    );
    if (!isMix(mix)) throw new Error(mix.problem);
    expect(mix.peroxide.range.mid * 100).toBeCloseTo(percent, 2);
    // Nobody counted these drops: a range, and over the limit only a caution, never a stop.
    expect(mix.peroxide.known).toBe(false);
    expect(mix.peroxide.range.low).toBeLessThan(mix.peroxide.range.mid);
    expect(mix.peroxide.state).toBe("caution");
    expect(mix.uncalibrated).toHaveLength(2);
  });
  test("uncalibrated drops bound the truth whatever the drops and the ribbon really weigh", () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.4, max: 0.4, noNaN: true }),
        fc.double({ min: -0.2, max: 0.2, noNaN: true }),
        fc.double({ min: -0.05, max: 0.05, noNaN: true }),
        (drop, ribbon, density) => {
          const range = peroxideInMix([
            { grams: gramsOf(2, "cm", tint()), peroxide: 0 },
            { grams: gramsOf(15, "drops", developer()), peroxide: 0.03 },
          ]);
          const colourG = ribbonMl(2, 5) * (1 + ribbon) * (1 + density);
          const developerG = 0.75 * (1 + drop);
          const truth = (0.03 * developerG) / (developerG + colourG);
          expect(truth).toBeGreaterThanOrEqual(range.low - 1e-12);
          expect(truth).toBeLessThanOrEqual(range.high + 1e-12);
        },
      ),
      { seed: 3, numRuns: 400 },
    );
  });
  test("known above 2.0 % on lashes is stopped, on brows the leaflet speaks", () => {
    expect(judgePeroxide(exactly(0.0215), "lashes").state).toBe("stopped");
    expect(judgePeroxide(exactly(0.02), "lashes").state).toBe("fine");
    expect(judgePeroxide(within(0.0197, 0.2), "lashes").state).toBe("caution");
    expect(judgePeroxide(exactly(0.03), "brows").state).toBe("fine");
  });
  test("a calibrated 20 drops is stopped with its figure", () => {
    const stock = new Map([
      [T, tint({ nozzleMm: 5, densityGMl: 1 })],
      [D, developer({ dropsPerGram: 20 })],
    ]);
    const recipe: Recipe = {
      colours: [{ productId: T, parts: 1 }],
      colourAmount: 2,
      colourUnit: "cm",
      developers: [{ productId: D, parts: 1 }],
      developerAmount: 20,
      developerUnit: "drops",
    };
    const mix = mixFor(recipe, stock, BOTH, "lashes");
    if (!isMix(mix)) throw new Error(mix.problem);
    expect(mix.peroxide.state).toBe("stopped");
    expect(mix.peroxide.known).toBe(true);
    expect(mix.peroxide.range.mid * 100).toBeCloseTo(2.15, 2);
  });
  test("a leaflet's figure for its own mix settles uncounted drops, not a stronger mix", () => {
    const mixOf = (drops: number) =>
      mixFor(
        {
          colours: [{ productId: T, parts: 1 }],
          colourAmount: 2,
          colourUnit: "cm",
          developers: [{ productId: D, parts: 1 }],
          developerAmount: drops,
          developerUnit: "drops",
        },
        new Map([
          [T, tint({ ready: { peroxide: 0.017, developerParts: 1.4 } })],
          [D, developer()],
        ]),
        BOTH,
        "lashes",
      );
    const [weak, strong] = [mixOf(10), mixOf(20)];
    if (!isMix(weak) || !isMix(strong)) throw new Error("no mix");
    expect(weak.peroxide.state).toBe("fine");
    expect(strong.peroxide.state).toBe("caution");
  });
});

describe("rounding to what a hand can dose", () => {
  const unit = fc.constantFrom(...DOSE_UNITS);
  const amount = fc.double({ min: 0.02, max: 30, noNaN: true });
  test("never to nothing, never past the lash limit, over all units", () => {
    fc.assert(
      fc.property(
        amount,
        unit,
        amount,
        unit,
        fc.double({ min: 0.005, max: 0.06, noNaN: true }),
        fc.boolean(),
        (colourAmount, colourUnit, developerAmount, developerUnit, strength, measured) => {
          const stock = new Map([
            [T, tint(measured ? { nozzleMm: 4, densityGMl: 1.1, dropsPerGram: 24 } : {})],
            [D, developer({ peroxide: strength, ...(measured ? { nozzleMm: 3, densityGMl: 1.02, dropsPerGram: 19 } : {}) })],
          ]);
          const mix = mixFor(
            {
              colours: [{ productId: T, parts: 1 }],
              colourAmount,
              colourUnit,
              developers: [{ productId: D, parts: 1 }],
              developerAmount,
              developerUnit,
            },
            stock,
            BOTH,
            "lashes",
          );
          if (!isMix(mix)) return;
          const exact = peroxideInMix([
            { grams: gramsOf(colourAmount, colourUnit, stock.get(T)!), peroxide: 0 },
            { grams: gramsOf(developerAmount, developerUnit, stock.get(D)!), peroxide: strength },
          ]);
          for (const line of mix.lines) expect(line.dosed).toBeGreaterThan(0);
          if (exact.mid <= 0.02) expect(mix.peroxide.range.mid).toBeLessThanOrEqual(0.02 + 2e-9);
          if (exact.high <= 0.02) expect(mix.peroxide.range.high).toBeLessThanOrEqual(0.02 + 2e-9);
          expect(mix.peroxide.range.mid).toBeLessThanOrEqual(Math.max(0.02, exact.mid) + 2e-9);
        },
      ),
      { seed: 20261125, numRuns: 3000 },
    );
  });
  test("exactly at the limit, 3 % at 1 : 2 by weight, it stays there or under whatever is scaled", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 5, noNaN: true }), (grams) => {
        const mix = mixFor(
          {
            colours: [{ productId: T, parts: 1 }],
            colourAmount: grams,
            colourUnit: "g",
            developers: [{ productId: D, parts: 1 }],
            developerAmount: 2 * grams,
            developerUnit: "g",
          },
          new Map([
            [T, tint()],
            [D, developer()],
          ]),
          BOTH,
          "lashes",
        );
        if (!isMix(mix)) throw new Error(mix.problem);
        expect(mix.peroxide.range.mid).toBeLessThanOrEqual(0.02 + 2e-9);
        expect(mix.peroxide.state).toBe("fine");
      }),
      { seed: 5, numRuns: 500 },
    );
  });
  test("shares stay within a step of the truth, and no worse than the best of all near ones", () => {
    // 2 cm in parts 7 : 3 and 10 drops are doseable as they stand.
    const exact = [
      { amount: 1.4, unit: "cm" },
      { amount: 0.6, unit: "cm" },
      { amount: 10, unit: "drops" },
    ] as const;
    expect(roundDoses(exact)).toEqual(exact);
    // A third of a centimetre is not: a little more of everything keeps the shares.
    const third = [
      { amount: 1 / 3, unit: "cm" },
      { amount: 5 / 3, unit: "drops" },
    ] as const;
    expect(ratioError(third, roundDoses(third)!)).toBeLessThan(0.1);
  });
});

test("a mix is scaled to areas and hair, split by parts, and priced", () => {
  const stock = new Map([
    [T, tint({ nozzleMm: 5, densityGMl: 1 })],
    [T2, tint({ nozzleMm: 5, densityGMl: 1, packG: 30, packPrice: 9 })],
    [D, developer({ dropsPerGram: 20, packG: 100, packPrice: 5 })],
  ]);
  const recipe: Recipe = {
    colours: [
      { productId: T, parts: 7 },
      { productId: T2, parts: 3 },
    ],
    colourAmount: 2,
    colourUnit: "cm",
    developers: [{ productId: D, parts: 1 }],
    developerAmount: 10,
    developerUnit: "drops",
  };
  const both = mixFor(recipe, stock, BOTH, "lashes");
  if (!isMix(both)) throw new Error(both.problem);
  expect(both.lines.map(({ dosed }) => dosed)).toEqual([1.4, 0.6, 10]);
  // Derived: 0.275 mL at 0.6 a gram, 0.118 at 0.3, 0.5 g at 0.05.
  expect(both.cost).toBeCloseTo(0.2749 * 0.6 + 0.1178 * 0.3 + 0.5 * 0.05, 3);
  const one = mixFor(recipe, stock, { areas: ["lashLeft"], density: "usual" }, "lashes");
  if (!isMix(one)) throw new Error(one.problem);
  expect(one.lines.map(({ dosed }) => dosed)).toEqual([0.7, 0.3, 5]);
});

test("lightener is never mixed for lashes, and a product in the wrong place is named", () => {
  const recipe: Recipe = {
    colours: [{ productId: T, parts: 1 }],
    colourAmount: 1,
    colourUnit: "g",
    developers: [{ productId: D, parts: 1 }],
    developerAmount: 2,
    developerUnit: "g",
  };
  const lightener = { ...tint(), kind: "lightener" as const, colour: null };
  expect(
    mixFor(
      recipe,
      new Map([
        [T, lightener],
        [D, developer()],
      ]),
      BOTH,
      "lashes",
    ),
  ).toEqual({ problem: expect.stringMatching(/never mixed for lashes/) });
  expect(
    mixFor(
      recipe,
      new Map([
        [T, developer({ name: "wrong" })],
        [D, developer()],
      ]),
      BOTH,
      "lashes",
    ),
  ).toEqual({ problem: expect.stringMatching(/wrong is not/) });
});
