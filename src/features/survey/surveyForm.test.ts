import { usualSurvey } from "@/core/eye";
import { formOf, readForm, type SurveyForm } from "./surveyForm";

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
