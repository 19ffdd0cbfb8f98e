import { FACTORS } from "./factors";
import { effectWords, ratioWords, silenceWords } from "./findingWords";

const humidity = FACTORS.find(({ id }) => id === "humidity")!;
const [reference, dry] = [humidity.levels!.find(({ id }) => id === "usual")!, humidity.levels!.find(({ id }) => id === "dry")!];
const effect = { level: dry, behind: { fills: 61, clients: 24 }, ratio: 1.8, low: 1.2, high: 2.6 };

test("found, in a sentence with its interval and what stands behind it", () =>
  expect(effectWords({ reference, isFound: true }, effect)).toBe(
    "Below 40 % humidity: bonds lost 1.8 times as fast as with 40 to 60 % humidity (1.2 to 2.6), from 61 fills of 24 clients, season allowed for.",
  ));
test("not found, or found by another way of it, says that nothing can be told", () => {
  const nothing = "Below 40 % humidity: no difference to 40 to 60 % humidity that can be told";
  expect(effectWords({ reference, isFound: false }, effect)).toContain(`${nothing} (1.2 to 2.6 times)`);
  expect(effectWords({ reference, isFound: true }, { ...effect, low: 0.8, behind: { fills: 1, clients: 1 } })).toBe(
    `${nothing} (0.80 to 2.6 times), from 1 fill of 1 client, season allowed for.`,
  );
  expect(effectWords({ reference, isFound: true }, { ...effect, ratio: 0.64, low: 0.42, high: 0.86 })).toContain("0.64 times as fast");
});
test.each([
  [0.994, "0.99"],
  [0.996, "1.0"],
  [1, "1.0"],
  [1.004, "1.0"],
  [1.006, "1.01"],
  [1.09, "1.09"],
  [1.1, "1.1"],
  [1.25, "1.3"],
  [12, "12.0"],
])("%d is said %s", (ratio, words) => expect(ratioWords(ratio)).toBe(words));
test("each kind of silence says what is missing", () => {
  const says = (why: Parameters<typeof silenceWords>[0]["why"], factor = humidity) => silenceWords({ why, factor });
  expect(says({ is: "tooFew", fills: 0, clients: 15 })).toBe("15 more clients would tell.");
  expect(says({ is: "tooFew", fills: 1, clients: 0 })).toBe("1 more fill would tell.");
  expect(says({ is: "tooFew", fills: 6, clients: 2 })).toBe("6 more fills and 2 more clients would tell.");
  expect(says({ is: "goesWith", other: "the season" })).toBe("Cannot be told from the season.");
  const primer = FACTORS.find(({ id }) => id === "primer")!;
  expect(says({ is: "goesWith", other: "primer" }, primer)).toContain("within a client");
  for (const is of ["oneWay", "extreme", "noFit"] as const) expect(says({ is }).length).toBeGreaterThan(20);
});
