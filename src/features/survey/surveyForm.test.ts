import { MOST_PLACES, naturalLashAt, usualSurvey, type Survey } from "@/core/eye";
import { inMode, readForm, readKeptForm } from "./readForm";
import { addPlace, formOf, type SurveyForm } from "./surveyForm";

const form = formOf(usualSurvey());
const right = (change: Partial<SurveyForm["eyes"]["right"]>): SurveyForm => ({
  ...form,
  eyes: { ...form.eyes, right: { ...form.eyes.right, ...change } },
});
const complaints = (typed: SurveyForm) => {
  const read = readForm(typed);
  return "fields" in read ? read.fields : {};
};

test("a survey put into the form and read again is the same, to the tenth of a millimetre that the form shows", () => {
  const read = readForm(form);
  if (!("survey" in read)) throw new Error("refused");
  const [was, is] = [usualSurvey().eyes.left, read.survey.eyes.left];
  expect(is.points).toEqual(was.points);
  for (const key of ["irisInner", "pupil", "irisOuter", "browPeak"] as const)
    expect(Math.abs(is.landmarks[key] - was.landmarks[key]) * 28).toBeLessThan(0.051);
});

test("a comma is as good as a point", () => {
  const read = readForm(right({ lashLine: " 29,5 " }));
  expect("survey" in read && read.survey.eyes.right.lashLineMm).toBe(29.5);
});

test.each([
  ["text for a lash line", right({ lashLine: "wide" }), "right.lashLine", /millimetres/],
  ["a lash line of 80", right({ lashLine: "80" }), "right.lashLine", /ruler/],
  [
    "an empty length",
    right({ places: form.eyes.right.places.map((place, i) => (i === 1 ? { ...place, length: "" } : place)) }),
    "right.places.1.length",
    /natural length/,
  ],
  [
    "a length of 1e3",
    right({ places: form.eyes.right.places.map((place, i) => (i === 2 ? { ...place, length: "1e3" } : place)) }),
    "right.places.2.length",
    /./,
  ],
  [
    "a pupil outside its iris",
    right({ landmarks: { ...form.eyes.right.landmarks, pupil: "25" } }),
    "right.landmarks.pupil",
    /inner iris edge, pupil/,
  ],
  [
    "a brow peak past the corner",
    right({ landmarks: { ...form.eyes.right.landmarks, browPeak: "40" } }),
    "right.landmarks.browPeak",
    /inside the lash line/,
  ],
])("%s is named by its field, in words", (_, typed, field, words) => expect(complaints(typed)[field]).toMatch(words));

test("the seed of the drawn lashes is carried on, whatever is typed", () => {
  const read = readForm({ ...formOf(usualSurvey(4711)), washes: "5" });
  expect("survey" in read && [read.survey.seed, read.survey.washesPerWeek]).toEqual([4711, 5]);
});

describe("the full survey", () => {
  const full = inMode(form, "full");
  const many = (survey: Survey, count: number): Survey => {
    const eye = (side: "right" | "left") => ({
      ...survey.eyes[side],
      points: Array.from({ length: count }, (_, i) => ({
        ...survey.eyes[side].points[1]!,
        at: (i + 0.5) / count,
        lengthMm: Math.round(10 * (7 + 3 * Math.sin((3 * (i + 0.5)) / count))) / 10,
        spreadMm: 0.4 + 0.1 * i,
        babyShare: 0.05 * i,
        gapShare: 0.1,
      })),
    });
    return { ...survey, eyes: { right: eye("right"), left: eye("left") } };
  };
  test("nothing is lost by spelling the quick one out, nor by going back", () => {
    const [spelled, quick] = [readForm(full), readForm(form)];
    if (!("survey" in spelled) || !("survey" in quick)) throw new Error("refused");
    spelled.survey.eyes.right.points.forEach(({ at, ...point }, i) => {
      const { at: was, ...rest } = quick.survey.eyes.right.points[i]!;
      // The form shows tenths of a millimetre.
      expect(Math.abs(at - was) * 28).toBeLessThan(0.051);
      expect(point).toEqual(rest);
    });
    expect(inMode(full, "quick").eyes.right.places.map(({ length }) => length)).toEqual(form.eyes.right.places.map(({ length }) => length));
    expect(inMode(form, "quick")).toBe(form);
  });
  test("opened from a survey of many places it is the full form, and reads back to the tenth", () => {
    const survey = many(usualSurvey(), 7);
    const typed = formOf(survey);
    expect(typed.mode).toBe("full");
    const read = readForm(typed);
    if (!("survey" in read)) throw new Error("refused");
    read.survey.eyes.right.points.forEach((point, i) => {
      const was = survey.eyes.right.points[i]!;
      expect(Math.abs(point.at - was.at) * 28).toBeLessThan(0.051);
      expect(point).toMatchObject({ lengthMm: was.lengthMm, gapShare: was.gapShare, rows: was.rows });
      expect(point.spreadMm).toBeCloseTo(was.spreadMm, 1);
      expect(point.babyShare).toBeCloseTo(was.babyShare, 2);
    });
  });
  test("made quick, its three places are what the curve says there", () => {
    const survey = many(usualSurvey(), 7);
    const quick = inMode(formOf(survey), "quick");
    const at = naturalLashAt(survey.eyes.right);
    expect(quick.eyes.right.places).toHaveLength(3);
    [0.08, 0.5, 0.92].forEach((place, i) => expect(Number(quick.eyes.right.places[i]!.length)).toBeCloseTo(at(place).lengthMm, 1));
  });
  test("a new place goes into the widest gap, up to as many as there may be", () => {
    const [a, b] = [full.eyes.right, addPlace(full.eyes.right)];
    expect(b.places).toHaveLength(4);
    const at = b.places.map((place) => Number(place.at));
    expect(at).toEqual([...at].sort((x, y) => x - y));
    // Derived: places at 2.2, 14 and 25.8 of 28 mm; the first of the two equal gaps is halved.
    expect(at.some((mm) => Math.abs(mm - 8.1) < 0.2)).toBe(true);
    let eye = a;
    for (let i = 0; i < 60; i++) eye = addPlace(eye);
    expect(eye.places).toHaveLength(MOST_PLACES);
    expect("survey" in readForm({ ...full, eyes: { right: eye, left: eye } })).toBe(true);
  });
  const place = (change: Partial<(typeof full)["eyes"]["right"]["places"][number]>, which = 1): SurveyForm => ({
    ...full,
    eyes: {
      ...full.eyes,
      right: { ...full.eyes.right, places: full.eyes.right.places.map((p, i) => (i === which ? { ...p, ...change } : p)) },
    },
  });
  test.each([
    ["a place past the corner", place({ at: "30" }), "right.places.1.at", /inside the lash line/],
    ["places out of order", place({ at: "27" }), "right.places", /inner corner outwards/],
    ["a spread of 9", place({ spread: "9" }), "right.places.1.spread", /0\.1 to 3/],
    ["baby lashes of 120 %", place({ baby: "120" }), "right.places.1.baby", /0 to 90/],
    ["gaps in words", place({ gaps: "some" }), "right.places.1.gaps", /0 to 95/],
    ["five rows", place({ rows: "5" }), "right.places.1.rows", /Three rows/],
    ["half a row", place({ rows: "1.5" }), "right.places.1.rows", /./],
    ["washes a hundred times", { ...full, washes: "100" }, "washes", /0 to 21/],
    ["one place alone", right({ places: form.eyes.right.places.slice(0, 1) }), "right.places", /two places/],
  ])("%s is named by its field, in words", (_, typed, field, words) => expect(complaints(typed)[field]).toMatch(words));
});

test("a form kept on the tablet comes back as it was typed; one of another shape does not", () => {
  const typed = right({ lashLine: "", places: form.eyes.right.places.map((place) => ({ ...place, length: "9,5" })) });
  expect(readKeptForm(JSON.parse(JSON.stringify(typed)))).toEqual(typed);
  const { washes: _, ...older } = typed;
  for (const kept of [older, { ...typed, mode: "slow" }, { ...typed, seed: "7" }, null]) expect(readKeptForm(kept)).toBeNull();
});

test("splay and colours not asked are left out; asked they are read, shown again, and kept with a form on the tablet", () => {
  const unasked = readForm(form);
  if (!("survey" in unasked)) throw new Error("refused");
  expect(unasked.survey.colours).toBeUndefined();
  expect(unasked.survey.eyes.right.points.every((point) => !("splayDeg" in point))).toBe(true);
  const asked: SurveyForm = {
    ...right({ places: form.eyes.right.places.map((place, i) => (i === 2 ? { ...place, splay: "60" } : place)) }),
    colours: { iris: "blue", hair: "", skin: "tan" },
  };
  const read = readForm(asked);
  if (!("survey" in read)) throw new Error("refused");
  expect(read.survey.colours).toEqual({ iris: "blue", skin: "tan" });
  expect(read.survey.eyes.right.points.map(({ splayDeg }) => splayDeg)).toEqual([undefined, undefined, 60]);
  expect(formOf(read.survey)).toMatchObject({
    colours: { iris: "blue", hair: "", skin: "tan" },
    eyes: { right: { places: [{ splay: "" }, { splay: "" }, { splay: "60" }] } },
  });
  expect(readKeptForm(JSON.parse(JSON.stringify(asked)))).toEqual(asked);
  // A form that an older page kept is still taken up.
  const older = JSON.parse(JSON.stringify(form)) as { colours?: unknown; eyes: Record<string, { places: { splay?: unknown }[] }> };
  delete older.colours;
  for (const eye of Object.values(older.eyes)) for (const place of eye.places) delete place.splay;
  expect(readKeptForm(older)).toEqual(form);
  expect(complaints({ ...asked, colours: { ...asked.colours, iris: "mauve" } })["colours.iris"]).toMatch(/\w/);
});
