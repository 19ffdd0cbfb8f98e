import { surveyOf } from "../../../tests/support/surveys";
import { compareSurveys, eyesApart, fieldOf, MOST_SEED, shorterEye, surveySchema, upgradeSurvey, usualSurvey, type Survey } from ".";

const before = surveyOf([7, 10, 9]);
const right = (survey: Survey, change: Partial<Survey["eyes"]["right"]>): Survey => ({
  ...survey,
  eyes: { ...survey.eyes, right: { ...survey.eyes.right, ...change } },
});
const points = (change: Partial<Survey["eyes"]["right"]["points"][number]>, from = 0) =>
  before.eyes.right.points.map((point, i) => (i >= from ? { ...point, ...change } : point));
const what = (after: Survey) => compareSurveys(before, after).map((difference) => difference.what);

describe("two surveys of one client", () => {
  test("the same eyes are told of nothing, nor is what a ruler may be off by", () => {
    expect(compareSurveys(before, before)).toEqual([]);
    expect(what(right(before, { lashLineMm: before.eyes.right.lashLineMm + 0.4 }))).toEqual([]);
    expect(what(surveyOf([7.2, 10.2, 9.2]))).toEqual([]);
  });
  test("lashes that grew shorter are told by third, with both lengths", () => {
    const differences = compareSurveys(before, surveyOf([7, 10, 7.5]));
    expect(differences.map((one) => one.what)).toEqual(
      expect.arrayContaining(["client's right, outer, length", "client's left, outer, length"]),
    );
    expect(differences.map((one) => one.what)).not.toContain("client's right, inner, length");
    const outer = differences.find((one) => one.what === "client's right, outer, length")!;
    expect(parseFloat(outer.before) - parseFloat(outer.after)).toBeGreaterThan(0.3);
  });
  test.each<[string, Survey, string]>([
    ["a longer lash line", right(before, { lashLineMm: before.eyes.right.lashLineMm + 1 }), "client's right, lash line"],
    ["more baby lashes", right(before, { points: points({ babyShare: 0.4 }) }), "client's right, middle, baby lashes"],
    ["gaps", right(before, { points: points({ gapShare: 0.5 }) }), "client's right, middle, lashes"],
    ["lashes that now point down", right(before, { points: points({ direction: "down" }) }), "client's right, outer, growth angle"],
  ])("%s: told, of that eye alone", (_, after, expected) => {
    expect(what(after)).toContain(expected);
    expect(what(after).some((one) => one.startsWith("client's left"))).toBe(false);
  });
});

describe("two eyes of one survey", () => {
  test("a lash line is told from half a millimetre, fewer lashes from eight in a hundred and three of them", () => {
    const eye = before.eyes.left;
    const left = (change: Partial<typeof eye>): Survey => ({ ...before, eyes: { ...before.eyes, left: { ...eye, ...change } } });
    const lines = (mm: number) => what(left({ lashLineMm: eye.lashLineMm + mm })).filter((one) => /lash line/.test(one));
    expect([lines(0.45), lines(0.55), lines(-0.55)].map(({ length }) => length)).toEqual([0, 1, 1]);
    const lashes = (from: Survey, gapShare: number) =>
      compareSurveys(
        from,
        left({ lashLineMm: from.eyes.left.lashLineMm, points: from.eyes.left.points.map((point) => ({ ...point, gapShare })) }),
      ).filter(({ what: of }) => /, lashes$/.test(of));
    // Thirds of about 38: 2 fewer are not told, 3 are (8 %), on the shortest line 2 of 25 (8 %) are too few to tell.
    const thirds = lashes(before, 0.3);
    expect(thirds).toHaveLength(3);
    expect(lashes(before, 0.06)).toEqual([]);
    expect(lashes(before, 0.1)).toHaveLength(3);
    const short = left({ lashLineMm: 18 });
    expect(lashes(short, 0.1).every(({ before: was, after }) => Math.abs(Number(was) - Number(after)) >= 3)).toBe(true);
    expect(lashes(short, 0.09)).toEqual([]);
    // Of 72 lashes four fewer are but five in a hundred.
    const dense = left({ lashLineMm: 40, points: eye.points.map((point) => ({ ...point, density: "dense" })) });
    expect(lashes(dense, 0.055)).toEqual([]);
    expect(lashes(dense, 0.1)).toHaveLength(3);
  });
  test("a splay seen to be another is told by its third and way; ten degrees at the least", () => {
    const splayed = (outerDeg: number): Survey => {
      const eye = before.eyes.left;
      const points = eye.points.map((point, i) => (i === eye.points.length - 1 ? { ...point, splayDeg: outerDeg } : point));
      return { ...before, eyes: { ...before.eyes, left: { ...eye, points } } };
    };
    const told = compareSurveys(before, splayed(-15)).find(({ what: of }) => of === "client's left, outer, splay");
    expect(told?.before).toMatch(/^\d+° out$/);
    expect(compareSurveys(splayed(60), splayed(62))).toEqual([]);
    expect(compareSurveys(splayed(0), splayed(60)).map(({ what: of }) => of)).toContain("client's left, outer, splay");
  });
  test("alike eyes differ in nothing and neither is the shorter", () => {
    expect(eyesApart(before)).toEqual([]);
    expect(shorterEye(before)).toBeNull();
  });
  test("the eye with shorter lashes is named, and in which third", () => {
    const apart = right(before, { points: points({ lengthMm: 7 }, 1) });
    expect(shorterEye(apart)).toBe("right");
    expect(shorterEye({ ...apart, eyes: { right: apart.eyes.left, left: apart.eyes.right } })).toBe("left");
    expect(eyesApart(apart).map((one) => one.what)).toEqual(expect.arrayContaining(["middle, length", "outer, length"]));
  });
});

describe("the seed of the drawn lashes", () => {
  test("the same survey grows the same lashes, another seed others, and as many", () => {
    const other = { ...before, seed: 4711 };
    expect(fieldOf(structuredClone(before), "right")).toEqual(fieldOf(before, "right"));
    expect(fieldOf(other, "right").map(({ lengthMm }) => lengthMm)).not.toEqual(fieldOf(before, "right").map(({ lengthMm }) => lengthMm));
    expect(fieldOf(other, "right")).toHaveLength(fieldOf(before, "right").length);
  });
  test("the two eyes of one client are never lash for lash the same", () => {
    expect(fieldOf(before, "left").map(({ lengthMm }) => lengthMm)).not.toEqual(fieldOf(before, "right").map(({ lengthMm }) => lengthMm));
  });
  test.each([-1, 1.5, MOST_SEED + 1, NaN])("%d is no seed", (seed) =>
    expect(surveySchema.safeParse({ ...before, seed }).success).toBe(false),
  );
});

describe("a survey of version 1", () => {
  const { serum: _serum, sleepsOn: _sleepsOn, washesPerWeek: _washes, seed: _seed, ...rest } = usualSurvey();
  const old = {
    ...rest,
    version: 1,
    eyes: Object.fromEntries(
      Object.entries(rest.eyes).map(([side, eye]) => [
        side,
        { ...eye, points: eye.points.map(({ twist: _t, rows: _r, babyShare: _b, gapShare: _g, ...point }) => point) },
      ]),
    ),
  };
  test("is read: one row at the inner corner, two elsewhere, nothing else added", () => {
    const survey = surveySchema.parse(upgradeSurvey(old));
    expect(survey.version).toBe(3);
    expect(survey.eyes.right.points.map(({ rows }) => rows)).toEqual([1, 2, 2]);
    for (const point of survey.eyes.left.points) expect(point).toMatchObject({ babyShare: 0, gapShare: 0, twist: "none" });
    expect(survey).toMatchObject({ serum: false, sleepsOn: "unknown", washesPerWeek: null });
  });
  test("what is no survey is left for the schema to refuse", () => {
    for (const nothing of [null, 7, "survey", [], { version: 1 }, { version: 3 }, { version: 1, eyes: { right: 3 } }])
      expect(surveySchema.safeParse(upgradeSurvey(nothing)).success).toBe(false);
  });
});
