import fc from "fast-check";
import { naturalZone, SIDES, usualSurvey, type Survey } from "@/core/eye";
import { stripName, trolleyBrief } from "@/core/formats";
import {
  changeWish,
  gatherFindings,
  lashMapDocument,
  LOOKS,
  mapDarkness,
  mapFacts,
  mapFindings,
  mapTotals,
  placements,
  planMap,
  planWords,
  setZoneLength,
  textureWish,
  withClassLength,
  TEXTURE_MM,
  type LashMap,
  type LookId,
  type MapWish,
} from "@/core/map";
import { readDocument } from "@/core/document";
import { defaultPolicy } from "@/core/policy";
import { anMm } from "@/core/units";
import { classicWish, planShares, WIDE_SHELF } from "../support/planShares";
import { randomSurveys } from "../support/randomSurveys";
import { surveyArbitrary, surveyOf } from "../support/surveys";

// What a practised technician would plan, and would say of what is drawn. Common practice throughout.
const accents: NonNullable<MapWish["accents"]> = {
  offsetMm: 3,
  placing: { every: 4, cluster: 1, innerEvery: 2 },
  fibre: { curl: "C", diameterMm: 0.07, shape: "round", count: 3, opening: "closed" },
};
const plan = (survey: Survey, look: LookId, change: Partial<MapWish> = {}, policy = defaultPolicy) =>
  planMap(survey, classicWish(look, change), policy, WIDE_SHELF)!;
const base = ({ map }: { map: LashMap }, side: "right" | "left" = "right") =>
  map.eyes[side].layers[0]!.zones.map((zone) => zone?.lengthMm ?? null);
const told = (map: LashMap, survey: Survey) =>
  gatherFindings(mapFindings(mapFacts(map, { survey, policy: defaultPolicy, trays: WIDE_SHELF })));
const rulesOf = (map: LashMap, survey: Survey) => told(map, survey).map(({ rule }) => rule);

describe("plans a practitioner would sign", () => {
  test("a cat on iris marks, lashes of 8, 10.5 and 9.5: never under the lashes, rising to just inside the outer corner", () => {
    const cat = plan(surveyOf([8, 10.5, 9.5]), "cat", { school: { id: "irisMarks" } });
    expect(base(cat)).toEqual([8, 9, 10, 10, 11, 10, 11, 9]);
    expect(planWords(cat)).toEqual(["Long on the lines and short between cannot be kept everywhere: both eyes, zones 3 and 4."]);
    expect(cat.breaches).toEqual([]);
  });
  test.each<[LookId, number[]]>([
    ["natural", [7, 8, 9, 10, 10, 10, 10, 10, 9, 8]],
    ["doll", [7, 8, 9, 10, 11, 10, 9, 9, 9, 8]],
    ["squirrel", [7, 7, 8, 9, 10, 11, 11, 10, 9, 8]],
    ["cat", [7, 7, 8, 9, 9, 10, 11, 11, 10, 8]],
  ])("lashes of 7, 9.5 and 8.5 as %s", (look, lengths) => {
    const planned = plan(surveyOf([7, 9.5, 8.5]), look);
    expect(base(planned)).toEqual(lengths);
    expect(planWords(planned)).toEqual([]);
    expect(told(planned.map, surveyOf([7, 9.5, 8.5])).filter(({ severity }) => severity !== "note")).toEqual([]);
  });
  test("corners match their usual lash, 6 on 6, 7 on 7, the shorter half way between, and nothing is said; bare where nothing is near", () => {
    const corners = (inner: number, outer: number) => {
      const survey = surveyOf([inner, 9.2, outer], { spreadMm: 0.4 });
      const planned = plan(survey, "natural");
      expect(rulesOf(planned.map, survey).filter((rule) => rule === "longCorner" || rule === "shorterThanNatural")).toEqual([]);
      return [base(planned)[0], base(planned).at(-1)];
    };
    expect(corners(6, 8)).toEqual([6, 8]);
    expect(corners(7, 7)).toEqual([7, 7]);
    expect(corners(6.4, 8.5)).toEqual([6, 8]);
    expect(corners(4, 8)).toEqual([null, 8]);
  });
  test("an eye that cannot carry the look is given the nearest, told once, with the look that would suit it", () => {
    const survey = surveyOf([8, 10, 6.5]);
    const cat = plan(survey, "cat");
    expect(base(cat)).toEqual([8, 8, 9, 10, 10, 10, 10, 9, 8, 6]);
    expect(planWords(cat)).toEqual([
      "These lashes leave no room for cat: the longest lies in both eyes, zones 4 to 7. Doll would suit them.",
    ]);
    expect(rulesOf(cat.map, survey)).not.toContain("mirroredMap");
    expect(planWords(plan(survey, "doll"))).toEqual([]);
  });
  test("a wish for the longest that cannot be is named with what there is", () => {
    const survey = surveyOf([9, 12, 12.5], { diameter: "coarse" });
    expect(planWords(plan(survey, "cat", { longestMm: 15 }))[0]).toMatch(
      /^15 mm wished at the longest; 14 is what these lashes and limits allow/,
    );
    expect(planWords(plan(survey, "cat", { longestMm: 13 }))).toEqual([]);
  });
  test("an outer end of 12 mm or more drops by 2", () => {
    const survey = surveyOf([9, 12, 12.2], { diameter: "coarse" });
    for (const look of ["natural", "cat", "squirrel"] as const) {
      const lengths = base(plan(survey, look));
      expect(lengths.at(-1)).toBe(12);
      expect(lengths.at(-2)).toBeGreaterThanOrEqual(14);
    }
    const drawn = setZoneLength(plan(survey, "natural").map, "right", 8, 13);
    const drop = told(drawn, survey).find(({ rule }) => rule === "droopingOuterEnd")!;
    expect([drop.severity, drop.why]).toEqual(["note", "The last zone drops 1 mm; from 12 mm on 2 is usual."]);
  });
  test("fine lashes that cannot carry their own length in 0.15: the longest they can, named, and a finer fibre offered first", () => {
    const survey = surveyOf([8.5, 11, 10], { diameter: "fine" });
    const heavy = plan(survey, "doll");
    expect(planWords(heavy)[0]).toMatch(
      /^Shorter than the natural lash: the longest these lashes can carry in this fibre, both eyes, zones/,
    );
    const finding = told(heavy.map, survey).find(({ rule }) => rule === "shorterThanNatural")!;
    expect(finding.plan!.wish.fibre!.diameterMm).toBeLessThan(0.15);
    const finer = plan(survey, "doll", finding.plan!.wish);
    expect(finer.breaches).toEqual([]);
    expect(rulesOf(finer.map, survey)).not.toContain("shorterThanNatural");
  });
  test("by lash: corners keep theirs, long fibres on long lashes, the shortest spread through four classes as support", () => {
    const survey = surveyOf([7, 10, 9], { spreadMm: 1 });
    const four = plan(survey, "natural", { school: { id: "byClass" }, lashClasses: 4 });
    const zone = four.map.eyes.right.layers[0]!.zones[1]!;
    expect([...zone.classes!.map(({ lengthMm }) => lengthMm), zone.lengthMm]).toEqual([10, 11, 12, 13]);
    expect(zone.support).toEqual({ lengthMm: 10, every: 5 });
    const worn = placements(four.map, survey, "right").filter((placement) => placement.worn?.zone === 1);
    // Lashes past the shortest class that wear its length all the same: about one in five.
    const long = worn.filter(({ lash }) => lash.lengthMm > zone.classes![0]!.upToMm);
    const support = long.filter((placement) => placement.worn!.fibre.lengthMm === 10);
    expect(support.length / long.length).toBeGreaterThan(0.1);
    expect(support.length / long.length).toBeLessThan(0.3);
    expect([base(four)[0], base(four)[2]]).toEqual([7, 9]);
    expect(four.breaches).toEqual([]);
  });
  test("two lengths by lash are the ones chosen where they may be worn, and what is cut is said", () => {
    const survey = surveyOf([7, 10, 9], { spreadMm: 1 });
    const chosen = (classLengthsMm: [number, number]) => {
      const planned = plan(survey, "natural", { school: { id: "byClass" }, lashClasses: 2, classLengthsMm });
      const zone = planned.map.eyes.right.layers[0]!.zones[1]!;
      return [zone.classes![0]!.lengthMm, zone.lengthMm, ...planWords(planned)];
    };
    expect(chosen([9, 11])).toEqual([9, 11]);
    expect(chosen([9, 15])).toEqual([9, 12, expect.stringMatching(/^15 mm wished at the longest; 12 is/)]);
  });
});

test("one length by lash chosen: the others stay as they are worn, and none is longer than the next; or all are left to the limits again", () => {
  const survey = surveyOf([7, 10, 9], { spreadMm: 1 });
  const { map } = plan(survey, "natural", { school: { id: "byClass" }, lashClasses: 4 });
  const chosen = (index: number, mm: number | null, of = map) => withClassLength(of, index, mm).classLengthsMm;
  expect(chosen(0, 8)).toEqual([8, 11, 12, 13]);
  expect(chosen(2, 10)).toEqual([10, 10, 10, 13]);
  expect(chosen(1, 15)).toEqual([10, 15, 15, 15]);
  expect(chosen(3, 14, { ...map, classLengthsMm: [7, 9, 11, 12] })).toEqual([7, 9, 11, 14]);
  expect(chosen(3, null, { ...map, classLengthsMm: [7, 9, 11, 12] })).toBeUndefined();
  // Two classes on even lashes wear one length: both begin from it.
  const even = plan(surveyOf([9, 9, 9], { spreadMm: 0.1 }), "natural", { school: { id: "byClass" }, lashClasses: 2 }).map;
  expect(withClassLength(even, 0, 8).classLengthsMm).toEqual([8, even.eyes.right.layers[0]!.zones[1]!.lengthMm]);
});

describe("accents first, the base under them", () => {
  const survey = surveyOf([7.5, 10, 9], { spreadMm: 0.5 });
  test("three over the base at the peak, two at least elsewhere, one in the corners; what is less than wished is said with its place", () => {
    const planned = plan(survey, "squirrel", { accents });
    const [lower, spikes] = planned.map.eyes.right.layers;
    const over = spikes!.zones.map((zone, i) => {
      const middle = (spikes!.boundaries[i]! + spikes!.boundaries[i + 1]!) / 2;
      return zone!.lengthMm - lower!.zones[lower!.boundaries.findIndex((edge) => edge > middle) - 1]!.lengthMm;
    });
    expect([over[0], over.at(-1)]).toEqual([1, 1]);
    // Beside the outer corner the base stands a millimetre over it, whatever the accents want.
    expect(Math.min(...over.slice(1, -2))).toBe(2);
    expect(Math.max(...over)).toBe(3);
    expect(planWords(planned)).toEqual([
      expect.stringMatching(/^\+3 wished for the accents; \+2 accents [\d, to and]+ and \+1 accent 10\.$/),
    ]);
  });
  test("a flat-base curl wishes two, and has them wherever the outer drop leaves room", () => {
    const words = planWords(
      plan(survey, "flatLiner", { fibre: { ...classicWish("cat").fibre, curl: "L" }, accents: { ...accents, offsetMm: 2 } }),
    );
    expect(words.filter((sentence) => sentence.startsWith("+"))).toEqual([]);
  });
  test("where one millimetre is all there is, no accents are advised", () => {
    const fine = surveyOf([7.5, 10, 9], { spreadMm: 0.2, diameter: "fine" });
    const tight = plan(fine, "natural", { accents }, { ...defaultPolicy, fineOverLengthMm: 1 });
    expect(planWords(tight).at(-1)).toMatch(/So little is not seen: better no accents here\.$/);
  });
  test("no accent is as short as any part of the base that it lies over by a quarter, in no plan (property)", () => {
    fc.assert(
      fc.property(
        surveyArbitrary,
        fc.constantFrom<LookId>("natural", "doll", "cat"),
        fc.constantFrom("mirrored" as const, "each" as const),
        fc.constantFrom(undefined, 4, 5, 7, 12),
        (some, look, coupling, sections) => {
          const { map } = plan(some, look, { accents: { ...accents, ...(sections ? { sections } : {}) }, coupling });
          for (const side of SIDES) {
            const [lower, spikes] = map.eyes[side].layers;
            spikes!.zones.forEach((zone, i) => {
              const [from, to] = [spikes!.boundaries[i]!, spikes!.boundaries[i + 1]!];
              lower!.zones.forEach((beneath, k) => {
                const [a, b] = [lower!.boundaries[k]!, lower!.boundaries[k + 1]!];
                const isUnder = Math.min(b, to) - Math.max(a, from) >= 0.25 * Math.min(b - a, to - from);
                if (zone && beneath && isUnder)
                  expect([zone.lengthMm, i, zone.lengthMm > beneath.lengthMm]).toEqual([zone.lengthMm, i, true]);
              });
            });
          }
        },
      ),
      { numRuns: 120, seed: 112 },
    );
  });
  test("in so many sections over a base of more zones: two over the longest beneath, three where the look peaks", () => {
    const layers = (lengths: [number, number, number], look: LookId, sections: number) =>
      plan(surveyOf(lengths, { spreadMm: 0.5 }), look, { accents: { ...accents, sections } }).map.eyes.right.layers.map(({ zones }) =>
        zones.map((zone) => zone?.lengthMm ?? null),
      );
    expect(layers([8, 10.5, 9.5], "cat", 5)).toEqual([
      [8, 8, 9, 10, 10, 10, 10, 10, 10, 9],
      [9, 11, 12, 12, 10],
    ]);
    expect(layers([7.5, 10, 9], "squirrel", 7)).toEqual([
      [8, 8, 9, 9, 10, 10, 9, 9, 10, 9],
      [9, 10, 12, 13, 12, 11, 10],
    ]);
  });
  test("hardly a section is left without an accent, corners among them", () => {
    const sections = randomSurveys(40, 7).flatMap((some) => plan(some, "natural", { accents }).map.eyes.right.layers[1]!.zones);
    expect(sections.filter((zone) => zone === null).length / sections.length).toBeLessThan(0.005);
  });
  test("four over the base is called dramatic with what it costs, one hardly seen", () => {
    const { map } = plan(survey, "squirrel", { accents });
    const dramatic = told(setZoneLength(setZoneLength(map, "right", 6, 14, 1), "left", 6, 14, 1), survey).find(
      ({ rule }) => rule === "dramaticAccents",
    )!;
    expect(dramatic.why).toMatch(/mm over the base is dramatic\. It asks \d+ % more of these lashes than 3 mm would/);
    expect(dramatic.title).toBe("Both eyes, accent 7, dramatic");
    const faint = told(setZoneLength(map, "right", 6, 11, 1), survey).find(({ rule }) => rule === "faintAccents")!;
    expect(faint.why).toMatch(/accents are seen from 2 mm on/);
  });
});

describe("twelve hundred plans over three hundred random eyes", () => {
  const surveys = randomSurveys(300, 21);
  /** Lashes that carry their own length in 0.15: on fine ones the load decides, and a finer fibre is offered first. */
  const carried = surveys.filter(({ eyes }) => eyes.right.points[0]!.diameter !== "fine");
  test("brow peak: nothing hidden, corners matched, no step over two, the looks told apart, cats outside", () => {
    const shares = planShares(surveys, (look) => classicWish(look));
    expect(shares.hidden).toBe(0);
    expect(shares.steps).toBe(0);
    expect(shares.catsInside).toBe(0);
    expect(shares.cornersMissed).toBeLessThan(0.08);
    expect(planShares(carried, (look) => classicWish(look))).toMatchObject({
      hidden: 0,
      looksAlike: 0,
      cornersMissed: expect.closeTo(0, 2) as number,
    });
    // In a fibre that fine lashes can carry, looks are told apart on them too.
    expect(
      planShares(surveys, (look) => classicWish(look, { fibre: { ...classicWish(look).fibre, diameterMm: 0.1 } })).looksAlike,
    ).toBeLessThanOrEqual(0.04);
  });
  test("iris marks: long on the lines and short between in seven pairs of ten", () => {
    let [kept, pairs] = [0, 0];
    const shares = planShares(
      surveys,
      (look) => classicWish(look, { school: { id: "irisMarks" } }),
      ({ map }) => {
        const inner = map.eyes.right.layers[0]!.zones.slice(1, -1).map((zone) => zone?.lengthMm ?? 0);
        inner.slice(1).forEach((mm, i) => {
          const rise = i % 2 === 0 ? mm - inner[i]! : inner[i]! - mm;
          pairs += 1;
          kept += rise >= TEXTURE_MM && rise <= 2 ? 1 : 0;
        });
      },
    );
    expect(kept / pairs).toBeGreaterThan(0.7);
    expect(shares).toMatchObject({ hidden: 0, steps: 0 });
  });
  test("wispy: corners keep their rule, a quarter of the accents at most on shorter lashes than their limit, seen on lashes that carry them", () => {
    const shares = planShares(surveys, (look) => classicWish(look, { accents }));
    expect(shares).toMatchObject({ hidden: 0, steps: 0, cornerAccents: 0 });
    expect(shares.shortAccents).toBeGreaterThan(0.1);
    expect(shares.shortAccents).toBeLessThan(0.25);
    expect(planShares(carried, (look) => classicWish(look, { accents })).accentsSeen).toBeGreaterThan(0.8);
  });
});

test("natural adds about the same everywhere and hangs lower; each other look adds most at its own peak (property)", () => {
  const added = (survey: Survey, look: LookId) => {
    const { map } = plan(survey, look);
    const { zones, boundaries } = map.eyes.right.layers[0]!;
    return zones
      .map((zone, i) => (zone?.lengthMm ?? 0) - naturalZone(survey.eyes.right, boundaries[i]!, boundaries[i + 1]!).quantileMm(0.5))
      .slice(1, -1);
  };
  const spread = (all: number[]) => Math.max(...all) - Math.min(...all);
  let evener = 0;
  const surveys = randomSurveys(60, 23).filter(({ eyes }) => eyes.right.points[0]!.diameter !== "fine");
  for (const survey of surveys) {
    if (spread(added(survey, "natural")) < spread(added(survey, "doll"))) evener += 1;
    expect(Math.max(...base(plan(survey, "natural")).map((mm) => mm ?? 0))).toBeLessThanOrEqual(
      Math.max(...base(plan(survey, "doll")).map((mm) => mm ?? 0)),
    );
  }
  expect(evener / surveys.length).toBeGreaterThan(0.9);
});

test("mirrored eyes that differ: one line for both, and each corner on its own lash, said and nothing to settle", () => {
  const survey = surveyOf([7, 9.5, 8.5]);
  const apart = { ...survey, eyes: { ...survey.eyes, left: surveyOf([8, 9.5, 7.4]).eyes.left } };
  const planned = plan(apart, "squirrel");
  expect([base(planned)[0], base(planned, "left")[0]]).toEqual([7, 8]);
  expect(base(planned).slice(1, -2)).toEqual(base(planned, "left").slice(1, -2));
  const findings = told(planned.map, apart);
  expect(findings.filter(({ rule }) => rule === "unintendedAsymmetry")).toEqual([]);
  expect(findings.find(({ rule }) => rule === "eyesDiffer")).toMatchObject({ severity: "note" });
});

test("eye advice stands among the findings with a plan that follows it", () => {
  const advised = (change: (survey: Survey) => Survey, look: LookId) => {
    const survey = change(surveyOf([7, 9.5, 8.5]));
    const { map } = plan(survey, look, { fibre: { ...classicWish(look).fibre, curl: "D" } });
    return told(map, survey).flatMap(({ rule, severity, plan: offered }) => (offered ? [[rule, severity, offered.label]] : []));
  };
  const shaped = (shape: Survey["eyes"]["right"]["shape"]) => (survey: Survey) => ({
    ...survey,
    eyes: { right: { ...survey.eyes.right, shape }, left: { ...survey.eyes.left, shape } },
  });
  expect(advised((survey) => ({ ...survey, spacing: "wide" }), "natural")).toEqual([["wideSet", "note", "Plan it as doll in C"]]);
  expect(advised((survey) => ({ ...survey, spacing: "close" }), "natural")).toEqual([["closeSet", "note", "Plan it as squirrel"]]);
  expect(advised(shaped("hooded"), "cat")).toEqual([["catOnDroopingEye", "look", "Plan it as doll"]]);
  expect(advised(shaped("downturned"), "cat")).toEqual([["catOnDroopingEye", "look", "Plan it as squirrel"]]);
  expect(advised(shaped("downturned"), "natural")).toEqual([["downturned", "note", "Plan it as squirrel"]]);
  expect(advised(shaped("prominent"), "natural")).toEqual([["prominent", "note", "Plan it in C"]]);
  expect(advised(shaped("hooded"), "doll")).toEqual([]);
});

test("singles of 0.20 are told on medium lashes and left in peace on coarse ones", () => {
  const drawn = (diameter: "medium" | "coarse", diameterMm = 0.2) => {
    const survey = surveyOf([7, 9.5, 8.5], { diameter });
    const { map } = plan(survey, "natural");
    const thick = { ...classicWish("natural").fibre, diameterMm };
    const eye = (side: "right" | "left") => ({
      layers: map.eyes[side].layers.map((layer) => ({ ...layer, zones: layer.zones.map((zone) => zone && { ...zone, ...thick }) })),
    });
    return told({ ...map, fibre: thick, eyes: { right: eye("right"), left: eye("left") } }, survey).find(
      ({ rule }) => rule === "thickSingle",
    );
  };
  expect(drawn("medium")).toMatchObject({ title: "Both eyes, zones 1 to 10, thick single" });
  expect(drawn("coarse")).toBeUndefined();
  expect(drawn("medium", 0.18)).toBeUndefined();
});

test("baby lashes are counted: left alone under singles, worn in short fine fibres", () => {
  const survey = surveyOf([5.5, 6.2, 6], { babyShare: 0.3, spreadMm: 0.3 });
  const words = (diameterMm: number) =>
    told(plan(survey, "natural", { fibre: { ...classicWish("natural").fibre, diameterMm } }).map, survey).find(
      ({ rule }) => rule === "babyLashes",
    )!.title;
  expect(words(0.15)).toMatch(/^Baby lashes: \d+ left alone$/);
  expect(words(0.07)).toMatch(/worn fine$/);
});

test("a set over four hours says so, with what nine lashes in ten save and what fewer fibres weigh", () => {
  const survey = surveyOf([7.5, 10, 9], { density: "dense" });
  const fan = { curl: "C" as const, diameterMm: 0.05, shape: "round" as const, count: 5 };
  const long = told(plan(survey, "natural", { fibre: fan }).map, survey).find(({ rule }) => rule === "longSet")!;
  expect(long.why).toMatch(/Nine lashes in ten save about (\d+ h )?\d+ min; fans of 4 instead of 5 save \d+ mg/);
  expect(long.plan!.wish.fibre!.count).toBe(4);
  expect(
    told(plan(surveyOf([7.5, 10, 9], { density: "sparse" }), "natural").map, surveyOf([7.5, 10, 9], { density: "sparse" })).map(
      ({ rule }) => rule,
    ),
  ).not.toContain("longSet");
});

test("long is what takes over four hours at this studio's pace, and nothing under", () => {
  const survey = surveyOf([7.5, 10, 9]);
  const fan = { curl: "C" as const, diameterMm: 0.05, shape: "round" as const, count: 3 };
  const { map } = plan(survey, "natural", { fibre: fan });
  const at = (secondsPerFan: number) => {
    const facts = mapFacts(map, { survey, policy: { ...defaultPolicy, secondsPerFan }, trays: WIDE_SHELF });
    return { hours: mapTotals(facts).seconds / 3600, told: mapFindings(facts).some(({ rule }) => rule === "longSet") };
  };
  const paces = Array.from({ length: 60 }, (_, i) => at(30 + i));
  for (const { hours, told } of paces) expect(told).toBe(hours > 4);
  expect(paces.some(({ hours }) => hours > 4 && hours < 4.2)).toBe(true);
  expect(paces.some(({ hours }) => hours > 3.8 && hours <= 4)).toBe(true);
});

test("a dense line that is dark already is told so under four hours, and one that is not is left in peace", () => {
  const quick = { ...defaultPolicy, secondsPerFan: 30 };
  const says = (count: number, density: "dense" | "usual") => {
    const survey = surveyOf([7.5, 10, 9], { density });
    const fan = { curl: "C" as const, diameterMm: 0.05, shape: "round" as const, count };
    const { map } = planMap(survey, classicWish("natural", { fibre: fan }), { ...quick, loadRed: 5 }, WIDE_SHELF)!;
    const facts = mapFacts(map, { survey, policy: quick, trays: WIDE_SHELF });
    return {
      told: mapFindings(facts).find(({ rule }) => rule === "longSet"),
      darkness: Math.min(...SIDES.map((side) => mapDarkness(facts)[side].darkness)),
    };
  };
  const dark = says(10, "dense");
  expect(dark.darkness).toBeGreaterThan(0.8);
  expect(dark.told!.title).toMatch(/dark enough with less$/);
  // Seven make it 0.7 to 0.8 of the band: full, and not past it.
  const full = says(7, "dense");
  expect(full.darkness).toBeGreaterThan(0.7);
  expect(full.darkness).toBeLessThan(0.8);
  expect(full.told).toBeUndefined();
  expect(says(10, "usual").told).toBeUndefined();
});

test("accent sections: the zones' own, or so many between the base's corners, or equal ones where there are no corners or no room between", () => {
  const edges = (change: Partial<MapWish>, sections?: number, policy = defaultPolicy) =>
    plan(surveyOf([7.5, 10, 9]), "natural", { ...change, accents: { ...accents, ...(sections ? { sections } : {}) } }, policy).map.eyes
      .right.layers;
  const [own, follows] = edges({});
  expect(own!.boundaries.every((edge) => follows!.boundaries.includes(edge))).toBe(true);
  for (const [i, edge] of follows!.boundaries.slice(1).entries()) expect(edge - follows!.boundaries[i]!).toBeLessThanOrEqual(0.2 + 1e-9);
  const five = edges({}, 5)[1]!.boundaries;
  expect([five[1], five[4]]).toEqual([own!.boundaries[1], own!.boundaries[9]]);
  expect(five[2]! - five[1]!).toBeCloseTo(five[4]! - five[3]!, 9);
  const three = edges({}, 3)[1]!.boundaries;
  expect(three).toEqual([0, own!.boundaries[1], own!.boundaries[9], 1]);
  // Two corners leave nothing for two sections, and a studio that grades its corners has none.
  expect(edges({}, 2)[1]!.boundaries).toEqual([0, 0.5, 1]);
  expect(edges({}, 4, { ...defaultPolicy, corners: "graded" })[1]!.boundaries).toEqual([0, 0.25, 0.5, 0.75, 1]);
  // A layer holds forty zones: a line drawn in forty, one of them wide, is followed as it is.
  const narrow = Array.from({ length: 39 }, (_, i) => (i + 1) * 0.017);
  const drawn = [0, ...narrow, 1];
  expect(edges({ school: { id: "own", right: drawn, left: drawn } })[1]!.boundaries).toEqual(drawn);
});

test("a saved map keeps its lengths whatever would be planned now: a document of the first version is read to the letter", () => {
  const old = {
    version: 1,
    title: "of old",
    look: "cat",
    school: { id: "irisMarks" },
    fibre: { curl: "C", diameterMm: 0.15, shape: "round", count: 1 },
    longestMm: null,
    coupling: "mirrored",
    differsOnPurpose: false,
    eyes: Object.fromEntries(
      SIDES.map((side) => [
        side,
        {
          layers: [
            {
              role: "base",
              boundaries: [0, 0.08, 0.24, 0.4, 0.56, 0.73, 0.91, 1],
              zones: [6, 6, 6, 6, 8, 8, 7].map((lengthMm) => ({ curl: "C", diameterMm: 0.15, shape: "round", count: 1, lengthMm })),
            },
          ],
        },
      ]),
    ),
  };
  const map = readDocument(lashMapDocument, old);
  expect(base({ map })).toEqual([6, 6, 6, 6, 8, 8, 7]);
  // What a practitioner would say of it today.
  const survey = surveyOf([8, 10.5, 9.5]);
  const hidden = told(map, survey).find(({ rule }) => rule === "shorterThanNatural")!;
  expect(hidden.title).toBe("Both eyes, zones 1 to 7, shorter than the natural lash");
  expect(hidden.fix!.label).toBe("Lengthen each to its lashes");
  expect(rulesOf(hidden.fix!.apply(map), survey)).not.toContain("shorterThanNatural");
  expect(placements(map, survey, "right").some(({ worn }) => worn)).toBe(true);
  expect(LOOKS[map.look].label).toBe("cat");
});

test("a survey left as its form begins marks what is planned on it, until something is measured or said to be so", () => {
  const untouched = usualSurvey();
  const marked = (survey: Survey) =>
    told(plan(survey, "natural").map, survey).some(({ rule, severity }) => rule === "notMeasured" && severity === "look");
  expect(marked(untouched)).toBe(true);
  expect(marked({ ...untouched, measured: true })).toBe(false);
  expect(marked({ ...surveyOf([7, 9.5, 8.4]), measured: undefined })).toBe(false);
  const brief = (survey: Survey) =>
    trolleyBrief(mapFacts(plan(survey, "natural").map, { survey, policy: defaultPolicy, trays: WIDE_SHELF }), defaultPolicy).cautions[0];
  expect(brief(untouched)).toMatch(/^NOT MEASURED/);
  expect(brief({ ...untouched, measured: true })).not.toMatch(/MEASURED/);
});

test("the brief holds what the hand needs: accents and which lashes, support, baby lashes, advice, and the order as it is", () => {
  const survey: Survey = { ...surveyOf([7.5, 10, 9]), spacing: "wide" };
  const of = (change: Partial<MapWish>, policy = defaultPolicy) =>
    trolleyBrief(mapFacts(plan(survey, "natural", change).map, { survey, policy, trays: WIDE_SHELF }), policy);
  expect(of({ accents }).hand.join(" ")).toMatch(
    /Accents on the longest lash of every 4, never two on neighbours; on a single row one of every 2\. Baby lashes: \d+ left alone\./,
  );
  expect(of({ school: { id: "byClass" }, lashClasses: 4 }).hand.join(" ")).toMatch(/Support: \d+ mm on one lash of 5/);
  expect(of({}).advice).toEqual(["Wide-set: open the centre: doll, in C."]);
  expect(of({}).order.join(" ")).toContain("One layer. Eyes:");
  expect(of({ accents }).order.join(" ")).toContain("Base, then accents. Eyes:");
  expect(of({ accents }, { ...defaultPolicy, layerOrder: "accentsFirst" }).order.join(" ")).toContain("Accents, then base. Eyes:");
});

test("lengths are spoken of as one says them", () => {
  expect([5, 8, 11, 17, 18, 8.5, 80].map(anMm)).toEqual(["a 5", "an 8", "an 11", "a 17", "an 18", "an 8.5", "a 80"]);
});

test("what stands on a strip, by the studio's choice", () => {
  const of = (name: string, nameOnStrip: "initials" | "name" | "none") => stripName(name, { nameOnStrip });
  expect([of("Wren Tamarisk", "initials"), of("  Leïla Oystercatcher-Vale ", "initials"), of("Åse", "initials")]).toEqual([
    "WT",
    "LOV",
    "Å",
  ]);
  expect([of("Wren Tamarisk", "name"), of("Wren Tamarisk", "none")]).toEqual(["Wren Tamarisk", ""]);
  expect(defaultPolicy.nameOnStrip).toBe("initials");
});

test("a flat-base curl wishes accents of two by itself, and a round one gives them back", () => {
  const policy = defaultPolicy;
  const wispy = classicWish("cat", { accents });
  const flat = changeWish(wispy, { fibre: { ...wispy.fibre, curl: "L" } }, policy);
  expect([flat.accents!.offsetMm, flat.accents!.fibre.curl]).toEqual([2, "L"]);
  expect(changeWish(flat, { fibre: wispy.fibre }, policy).accents!.offsetMm).toBe(3);
  const own = changeWish({ ...wispy, accents: { ...accents, offsetMm: 4 } }, { fibre: { ...wispy.fibre, curl: "M" } }, policy);
  expect(own.accents!.offsetMm).toBe(2);
  expect(changeWish(wispy, { look: "doll" }, policy)).toEqual({ ...wispy, look: "doll" });
  // Accents of a curl of their own keep it.
  const mixed = { ...wispy, accents: { ...accents, fibre: { ...accents.fibre, curl: "D" as const } } };
  expect(changeWish(mixed, { fibre: { ...wispy.fibre, curl: "L" } }, policy).accents!.fibre.curl).toBe("D");
});

test("a wet look is not made heavy by itself: closed fans weigh no more than the single they were made of", () => {
  const single = classicWish("natural");
  for (const shelf of [WIDE_SHELF, WIDE_SHELF.filter(({ diameterMm }) => diameterMm >= 0.1)]) {
    const wet = textureWish(single, "wet", defaultPolicy, shelf).fibre;
    expect([wet.opening, wet.count > 1]).toEqual(["closed", true]);
    expect(wet.count * wet.diameterMm ** 2).toBeLessThanOrEqual(2 * 0.15 ** 2 + 1e-9);
  }
  const wet = textureWish(single, "wet", defaultPolicy, WIDE_SHELF).fibre;
  expect(wet.count * wet.diameterMm ** 2).toBeLessThanOrEqual(0.15 ** 2 + 1e-9);
  const fan = { ...single, fibre: { ...single.fibre, diameterMm: 0.05, count: 5 } };
  expect(textureWish(fan, "wet", defaultPolicy, WIDE_SHELF).fibre).toMatchObject({ diameterMm: 0.05, count: 5, opening: "closed" });
});

test("by lash and in a wet look the planner breaks none of its limits without saying so (property)", () => {
  fc.assert(
    fc.property(
      surveyArbitrary,
      fc.constantFrom<Partial<MapWish>>(
        { school: { id: "byClass" }, lashClasses: 2 },
        { school: { id: "byClass" }, lashClasses: 4 },
        { lashClasses: 2 },
        { school: { id: "byClass" }, lashClasses: 4, classLengthsMm: [8, 10, 12, 14] },
        textureWish(classicWish("natural"), "wet", defaultPolicy, WIDE_SHELF),
      ),
      (survey, change) => {
        const planned = plan(survey, "natural", change);
        const findings = told(planned.map, survey);
        const said = new Set(planned.breaches.map(({ limit }) => limit));
        expect(findings.filter(({ severity }) => severity === "stop").map(({ rule, title }) => `${rule} ${title}`)).toEqual([]);
        if (!said.has("step")) expect(findings.some(({ rule }) => rule === "steppedLine")).toBe(false);
        if (!said.has("outerDrop"))
          expect(findings.some(({ rule, severity }) => rule === "droopingOuterEnd" && severity === "look")).toBe(false);
        if (!said.has("natural"))
          expect(findings.some(({ rule, where }) => rule === "shorterThanNatural" && !change.lashClasses && where.zones.length > 0)).toBe(
            false,
          );
      },
    ),
    { numRuns: 100, seed: 113 },
  );
});
