import { readFileSync } from "node:fs";
import path from "node:path";
import { answerWords, cureSettings, defaultPolicy, policyForm, policySchema, QUESTIONS, upgradePolicy, type Question } from ".";

const questions = Object.entries(QUESTIONS) as [keyof typeof QUESTIONS, Question][];

test("the defaults are a lawful policy; every question has a reason, a source, and is in the form or has one of its own", () => {
  expect(policySchema.parse(defaultPolicy)).toEqual(defaultPolicy);
  const unasked = ["spacing", "curls", "country", "localNotes", "aftercareWords"];
  expect([...policyForm.map(({ key }) => key as string), ...unasked].sort()).toEqual(questions.map(([key]) => key as string).sort());
  for (const [key, { reason, standing, options }] of questions) {
    expect([key, reason.length > 20, standing.length > 0]).toEqual([key, true, true]);
    if (options) expect(Object.keys(options)).toContain(defaultPolicy[key]);
  }
});

/** Does a file of `src` read the answer, by the question's own name? */
const reads = (file: string, key: string) => {
  const source = [".ts", ".tsx"].flatMap((ending) => {
    try {
      return [readFileSync(path.join(__dirname, "../..", file + ending), "utf8")];
    } catch {
      return [];
    }
  });
  return source.some((text) => new RegExp(`[.{,"]\\s*${key}\\b`).test(text));
};
test.each(questions)("what is asked about %s is read where its record says", (key, { readBy }) => {
  expect(readBy).not.toEqual([]);
  expect(readBy.filter((file) => !reads(file, key))).toEqual([]);
});
test("a question that nothing reads, or reads elsewhere, is noticed", () => {
  expect(reads("core/map/zoneLimit", "mapOnPad")).toBe(false);
  expect(reads("core/map/nowhere", "corners")).toBe(false);
});

test("the form says the default in the words of the answer, with its unit and where it comes from", () => {
  const hintOf = (key: string) => policyForm.find((question) => question.key === key)!.hint;
  expect(hintOf("corners")).toMatch(/Default: match the natural length \(common practice\)\.$/);
  expect(hintOf("overLengthMm")).toMatch(/Default: 3 mm \(common practice\)\.$/);
  expect(hintOf("buildOnPercent")).toMatch(/Default: 40 % of the set \(a model of ours\)\.$/);
  expect(answerWords({ ...defaultPolicy, corners: "graded" }, "corners")).toBe("grade up like the rest");
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
