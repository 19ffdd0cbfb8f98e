import { cureSettings, defaultPolicy, POLICY_FIELDS, policySchema, upgradePolicy } from ".";

test("the defaults are a lawful policy, and every question of it is asked with a reason and where it comes from", () => {
  expect(policySchema.parse(defaultPolicy)).toEqual(defaultPolicy);
  const asked = POLICY_FIELDS.map(({ key }) => key).sort();
  expect(asked).toEqual(
    Object.keys(defaultPolicy)
      .filter((key) => !["version", "curls", "spacing", "country", "localNotes"].includes(key))
      .sort(),
  );
  for (const { key, reason, standing, options } of POLICY_FIELDS) {
    expect([key, reason.length > 20, standing.length > 0]).toEqual([key, true, true]);
    if (options) expect(options.map(({ value }) => value)).toContain(defaultPolicy[key]);
  }
});

test.each([
  ["fine lashes given more than the rest", { fineOverLengthMm: 4 }, "fineOverLengthMm"],
  ["a caution above the stop", { loadAmber: 2 }, "loadRed"],
  ["a fan's caution above the stop", { loadAmberFan: 1.7 }, "loadRed"],
  ["an over-length of 9 mm", { overLengthMm: 9 }, "overLengthMm"],
  ["half a millimetre of step", { stepMm: 0.5 }, "stepMm"],
  ["a bead good for two hours", { beadMinutes: 120 }, "beadMinutes"],
  ["a school nobody follows", { corners: "long" }, "corners"],
  ["a question nobody asked", { colour: "red" }, ""],
])("%s is refused, and said where", (_, change, where) => {
  const parsed = policySchema.safeParse({ ...defaultPolicy, ...change });
  expect(parsed.success).toBe(false);
  expect(parsed.error!.issues.map((issue) => issue.path.join("."))).toContain(where);
});

test("an older policy keeps what it said and takes the defaults for what it was never asked", () => {
  const { holdSeconds, eyesOpenMinutes, ...older } = defaultPolicy;
  expect([holdSeconds, eyesOpenMinutes]).toEqual([3, 4]);
  for (const version of [1, 2, 3])
    expect(policySchema.parse(upgradePolicy({ ...older, version, beadMinutes: 18 }))).toEqual({ ...defaultPolicy, beadMinutes: 18 });
  expect(upgradePolicy({ version: 99 })).toEqual({ version: 99 });
  expect(upgradePolicy("words")).toBe("words");
});

test("what it says of curing comes in seconds and hours", () => {
  const settings = cureSettings({ ...defaultPolicy, eyesOpenMinutes: 5, bonderWaitMinutes: 2, mistWaterHours: 4 });
  expect(settings).toMatchObject({
    holdS: 3,
    eyesOpenS: 300,
    figures: { bonder: { waitS: 120, waterHours: 24 }, mist: { waterHours: 4 } },
  });
  expect(settings.figures.fan.eyesAfterS).toBeNull();
});
