import { bottleAge, bottleFitness, handTime, learnSetTime, setTime, type Adhesive, type SetTest } from "@/core/adhesive";
import { driftWords, fitnessWords, setTimeWords } from "./glueWords";

const adhesive: Adhesive = {
  name: "Slackwater",
  setTimeS: 1,
  humidityLow: 0.4,
  humidityHigh: 0.6,
  temperatureLowC: 19,
  temperatureHighC: 25,
  lifeAfterOpeningDays: 42,
};
const standing = (temperatureC: number, relativeHumidity: number, today = "2026-03-11", hand: number[] = [], tests: SetTest[] = []) =>
  fitnessWords(
    bottleFitness(
      { id: "b", adhesive },
      learnSetTime(1, tests, ["b"]),
      bottleAge("2026-03-01", today, 42),
      { temperatureC, relativeHumidity },
      30,
      handTime(hand),
    ),
  );

test("a bottle's standing: life before air, air before hand; a near miss is a look, a far one a stop", () => {
  expect(standing(22, 0.5)).toMatchObject({ tone: "good", word: "fits" });
  expect(standing(22, 0.5, "2026-04-13")).toMatchObject({
    tone: "stop",
    word: "past its life",
    says: expect.stringContaining("1 day ago"),
  });
  expect(standing(22, 0.37)).toMatchObject({ tone: "look", word: "too dry", says: "3 points below its humidity window." });
  expect(standing(28, 0.75)).toMatchObject({
    tone: "stop",
    says: "15 points above its humidity and 3.0 °C above its warmth window.",
  });
  expect(standing(22, 0.5, undefined, [3, 3.2])).toMatchObject({
    tone: "look",
    word: "too fast",
    says: expect.stringMatching(/times in ten: sets in 1\.0 s, you take 3\.1 s/),
  });
  expect(standing(22, 0.5, undefined, [1.1])).toMatchObject({ tone: "good", says: "It sets in 1.0 s, you take 1.1 s." });
});

test("its own tests may call it old before its leaflet does", () => {
  const tests = Array.from({ length: 12 }, (_, i) => ({
    id: `${i}`,
    bottleId: "b",
    daysOpen: i * 3,
    air: { temperatureC: 22, relativeHumidity: 0.5 },
    seconds: 1.15 ** ((i * 3) / 7),
  }));
  expect(standing(22, 0.5, "2026-04-05", [], tests)).toMatchObject({ tone: "stop", word: "old" });
});

test("a set time with its range, ratio and what stands behind it, or why there is none", () => {
  expect(setTimeWords(setTime(1, { temperatureC: 22, relativeHumidity: 0.25 }), 1)).toMatch(
    /^Sets in 2\.0 s here \(\d\.\d to \d\.\d\), 1\.0 s by its leaflet: 2\.00 ×; no test yet\.$/,
  );
  expect(setTimeWords(setTime(1, { temperatureC: 33, relativeHumidity: 0.5 }), 1)).toMatch(/No figure\.$/);
  expect(driftWords({ times: 1.31, low: 1.1, high: 1.5, tests: 9, old: true }, 21)).toBe(
    "1.31 × its pace when opened 21 days ago (1.10 to 1.50, from 9 tests).",
  );
});
