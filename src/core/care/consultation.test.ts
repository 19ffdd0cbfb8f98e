import { consultationSchema, NOTHING_SO, upgradeConsultation } from ".";

test("a consultation of before: a reaction to hair dye is an allergy, an operation has no date, the rest stands", () => {
  const older = { version: 1, conditions: ["dyeReaction", "operation", "inflamed", "asthma"], processed: true };
  const upgraded = consultationSchema.parse(upgradeConsultation(older));
  expect(upgraded).toEqual({
    ...NOTHING_SO,
    conditions: ["inflamed", "asthma"],
    allergies: ["dye"],
    operation: { what: "", on: null, releasedOn: null },
    processed: true,
  });
  expect(consultationSchema.parse(upgradeConsultation({ version: 1, conditions: [], processed: false }))).toEqual(NOTHING_SO);
});
test("one of today, and what is none, are left as they are", () => {
  expect(upgradeConsultation(NOTHING_SO)).toBe(NOTHING_SO);
  expect(upgradeConsultation(null)).toBeNull();
  expect(consultationSchema.safeParse({ ...NOTHING_SO, conditions: ["plague"] }).success).toBe(false);
});
