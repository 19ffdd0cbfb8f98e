import { firstSurvey, isMeasured, notOfThese, surveySchema, usualSurvey } from ".";

test("a mannequin head's survey begins from its strip: alike along the line, none young; a client's from an ordinary eye", () => {
  const head = firstSurvey(true, 7);
  expect(surveySchema.parse(head)).toEqual(head);
  expect(head.mannequin).toBe(true);
  for (const eye of [head.eyes.right, head.eyes.left])
    for (const point of eye.points) expect(point).toMatchObject({ lengthMm: 10, babyShare: 0, ownCurl: "straight", rows: 2 });
  expect(firstSurvey(false, 7)).toEqual(usualSurvey(7));
});

test("nothing of a client is left unmeasured on a mannequin head", () => {
  expect(isMeasured(firstSurvey(true, 1))).toBe(true);
  expect(isMeasured(firstSurvey(false, 1))).toBe(false);
  expect(isMeasured({ ...usualSurvey(1), mannequin: true })).toBe(true);
});

test("whose lashes a survey is of must be who it is kept for", () => {
  expect(notOfThese({ mannequin: true }, true)).toBeNull();
  expect(notOfThese({}, false)).toBeNull();
  expect(notOfThese({ mannequin: true }, false)).toMatch(/mannequin head's lashes; a client's own/);
  expect(notOfThese({}, true)).toMatch(/this is a mannequin head/);
});

test("a survey that says false where it may say nothing is none", () => {
  expect(surveySchema.safeParse({ ...usualSurvey(1), mannequin: false }).success).toBe(false);
});
