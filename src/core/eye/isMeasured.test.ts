import { isMeasured, surveySchema, usualSurvey, type Survey } from ".";

const changed = (change: (survey: Survey) => void) => {
  const survey = structuredClone(usualSurvey(77));
  change(survey);
  return isMeasured(surveySchema.parse(survey));
};

test("what the form begins with is no measure, whatever its seed and the client's habits", () => {
  expect(isMeasured(usualSurvey())).toBe(false);
  expect(
    changed((survey) => Object.assign(survey, { oilyLids: true, serum: true, sleepsOn: "left", washesPerWeek: 5, spacing: "wide" })),
  ).toBe(false);
});
test.each<[string, (survey: Survey) => void]>([
  ["one length on one eye", (survey) => void (survey.eyes.left.points[2]!.lengthMm = 8.6)],
  ["a lash line", (survey) => void (survey.eyes.right.lashLineMm = 28.1)],
  ["a landmark", (survey) => void (survey.eyes.right.landmarks.pupil = 0.49)],
  ["a shape", (survey) => void (survey.eyes.left.shape = "hooded")],
  ["thickness", (survey) => void (survey.eyes.left.points[0]!.diameter = "fine")],
  ["rows", (survey) => void (survey.eyes.left.points[0]!.rows = 2)],
  ["baby lashes", (survey) => void (survey.eyes.left.points[0]!.babyShare = 0.15)],
  ["a fourth place", (survey) => void survey.eyes.left.points.push({ ...survey.eyes.left.points[2]!, at: 0.97 })],
  ["nothing but the word of who took it", (survey) => void (survey.measured = true)],
])("%s is", (_, change) => expect(changed(change)).toBe(true));
