import { setTime, windowVerdict } from "@/core/adhesive";
import { adviceWords, setTimeWords, standingWords } from "./words";

const window = { humidityLow: 0.4, humidityHigh: 0.6, temperatureLowC: 19, temperatureHighC: 25 };
const verdict = (temperatureC: number, relativeHumidity: number) => windowVerdict(window, { temperatureC, relativeHumidity }, 30);

test("a bottle's standing: life before air, a near miss is a look, a far one a stop", () => {
  expect(standingWords(verdict(22, 0.5), 4)).toMatchObject({ tone: "good", word: "fits" });
  expect(standingWords(verdict(22, 0.5), -1)).toMatchObject({
    tone: "stop",
    word: "past its life",
    says: expect.stringContaining("1 day ago"),
  });
  expect(standingWords(verdict(22, 0.37), 4)).toMatchObject({ tone: "look", word: "too dry", says: "3 points below its humidity window." });
  expect(standingWords(verdict(28, 0.75), 4)).toMatchObject({
    tone: "stop",
    says: "15 points above its humidity and 3.0 °C above its warmth window.",
  });
});

test("advice is a sentence with a quantity: 30 m³ at 22 °C from 30 to 42 % take about 70 g (derived: 116.5 g for 20 points)", () => {
  const { advice } = verdict(22, 0.3);
  expect(adviceWords(advice[0]!)).toBe("About 70 g of water into the room brings it to 42 % at 22.0 °C.");
  expect(adviceWords(verdict(22, 0.72).advice[0]!)).toMatch(/^About 80 g of water out of the room/);
  expect(adviceWords(verdict(16, 0.45).advice[0]!)).toMatch(/^Warm by 3\.5 °C, to 19\.5 °C/);
});

test("a set time with its range and ratio, or why there is none", () => {
  expect(setTimeWords(setTime(1, { temperatureC: 22, relativeHumidity: 0.25 }), 1)).toMatch(
    /^Sets in 2\.0 s here \(\d\.\d to \d\.\d\), 1\.0 s by its leaflet: 2\.00 ×\.$/,
  );
  expect(setTimeWords(setTime(1, { temperatureC: 33, relativeHumidity: 0.5 }), 1)).toMatch(/No figure\.$/);
});
