import { apart, MISSING, runsOf, startsAtRight } from "./runs";

/** Fonts by script, as a print would have them: plain letters, Arabic, Hebrew. Points and digits are in all of them. */
const fontsOf = (character: string): string[] => {
  if (/[\p{P}\p{N}\p{Z}]/u.test(character)) return ["plain", "arabic", "hebrew"];
  if (/\p{Script=Latin}/u.test(character)) return ["plain"];
  if (/\p{Script=Arabic}/u.test(character)) return ["arabic"];
  if (/\p{Script=Hebrew}/u.test(character)) return ["hebrew"];
  return /\p{M}/u.test(character) ? ["plain", "arabic", "hebrew"] : [];
};
const runs = (line: string, ...more: ["ltr" | "rtl"] | []) =>
  runsOf(line, fontsOf, "plain", undefined, ...more).map(({ text, font }) => `${font}:${text}`);

describe("runs of a printed line", () => {
  test("plain words are one run; spaces that a line was broken at are one", () => {
    expect(runs("For  Calla\nBright, 12 mm")).toEqual(["plain:For Calla Bright, 12 mm"]);
    expect(runs("")).toEqual([]);
    expect(runs(" ")).toEqual(["plain: "]);
  });
  // Unicode Standard Annex #9, "Reordering Resolved Levels": words from right to left inside a line from left to right.
  test("a name from right to left stands in its place, spoken as it is", () => {
    expect(runs("For ليلى.")).toEqual(["plain:For ", "arabic:ليلى", "arabic:."]);
    expect(runs("שרה Levi")).toEqual(["plain:Levi", "hebrew:שרה "]);
  });
  test("digits in such words go from left to right, brackets are turned", () => {
    // The font turns the run around: the bracket that opens is drawn at its right.
    expect(runs("ליא 12 (א)")).toEqual(["hebrew: )א(", "hebrew:12", "hebrew:ליא "]);
    expect(runs("(12)", "rtl")).toEqual(["plain:(", "plain:12", "plain:)"]);
  });
  test("whatever begins the line says where it begins, unless it is said", () => {
    expect(startsAtRight("ليلى 5")).toBe(true);
    expect(startsAtRight("12 Leïla")).toBe(false);
    expect(runs("Calla ?!", "rtl")).toEqual(["plain:!? ", "plain:Calla"]);
  });
  test("a name kept apart turns nothing that stands about it", () => {
    expect(runs("For ليلى, 12 mm")).toEqual(["plain:For ", "arabic:12", "arabic:ليلى, ", "arabic: ", "plain:mm"]);
    // Two names side by side in a line from the left: each by itself from the right, the first one at the left.
    expect(runs(`${apart("אב")}${apart("גד")}`, "ltr")).toEqual(["hebrew:אב", "hebrew:גד"]);
    expect(runs(`For ${apart("ليلى")}, 12 mm`)).toEqual(["plain:For ", "arabic:ليلى", "plain:, 12 mm"]);
  });
  test("a letter without a font is a question mark and is told; what is never seen is left out", () => {
    const missing: string[] = [];
    const all = runsOf("A\u{1F338}b\u200dc", fontsOf, "plain", (one) => missing.push(one));
    expect(all).toEqual([{ font: "plain", text: `A${MISSING}bc` }]);
    expect(missing).toEqual(["\u{1F338}"]);
  });
  test("letters that are made of two are one where there is one", () => {
    expect(runs("Zo\u0301\u0142\u0107")).toEqual(["plain:Zółć"]);
  });
});
