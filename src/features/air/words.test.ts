import { windowVerdict } from "@/core/adhesive";
import { roomPlan, usualRoomTraits } from "@/core/air";
import { adviceWords } from "./words";
import { minutesWords, planWords } from "./planWords";

const window = { humidityLow: 0.4, humidityHigh: 0.6, temperatureLowC: 19, temperatureHighC: 25 };
const verdict = (temperatureC: number, relativeHumidity: number) => windowVerdict(window, { temperatureC, relativeHumidity }, 30);

test("advice is a sentence with a quantity: 30 m³ at 22 °C from 30 to 42 % take about 70 g (derived: 116.5 g for 20 points)", () => {
  const { advice } = verdict(22, 0.3);
  expect(adviceWords(advice[0]!)).toBe("About 70 g of water into the room brings it to 42\u00a0% at 22.0 °C.");
  expect(adviceWords(verdict(22, 0.72).advice[0]!)).toMatch(/^About 80 g of water out of the room/);
  expect(adviceWords(verdict(16, 0.45).advice[0]!)).toMatch(/^Warm by 3\.5 °C, to 19\.5 °C/);
});

describe("a plan for the room in words", () => {
  const air = { temperatureC: 22, relativeHumidity: 0.3 };
  const words = (target: typeof air, traits = usualRoomTraits) =>
    planWords(roomPlan({ volumeM3: 30, traits }, air, target, 2), air, target, traits);
  test("grams (116.5 for 20 points, handbook), minutes, what passes through, where it settles", () => {
    const { main, more, cannot } = words({ ...air, relativeHumidity: 0.5 });
    expect(main).toMatch(
      /^About 115 g of water into the air brings 22\.0 °C and 50\u00a0%\. This humidifier takes \d+ to \d+ min, \d+ g to \d+ g through it/,
    );
    expect(more.join(" ")).toMatch(/settle at \d+\u00a0%/);
    expect(more.join(" ")).toMatch(/Cool mist takes 170 W/);
    expect(cannot).toBe(false);
  });
  test("a humidifier that cannot says where it stops", () => {
    const { main, cannot, more } = words({ ...air, relativeHumidity: 0.6 }, { ...usualRoomTraits, airChangePerH: 5, humidifierGPerH: 100 });
    expect(main).toMatch(/This humidifier cannot: at 5 changes of air an hour it stops at \d+\u00a0%/);
    expect(more[0]).toMatch(/another bottle/);
    expect(cannot).toBe(true);
  });
  test("a room without one is told so, and what warming alone does", () => {
    expect(words({ ...air, relativeHumidity: 0.6 }, { ...usualRoomTraits, humidifierGPerH: 0 }).main).toMatch(
      /No humidifier is written down/,
    );
    const warm = words({ temperatureC: 24, relativeHumidity: 0.266 });
    expect(warm.main).toMatch(/no water is to be added/);
    expect(warm.more[0]).toMatch(/^Warm by 2\.0 °C: about 40 min of this heater/);
  });
  test.each([
    [{ low: 33, high: 58 }, "35 to 60 min"],
    [{ low: 4.2, high: 4.4 }, "about 4 min"],
    [{ low: 80, high: 160 }, "1 h 20 min to 2 h 40 min"],
    [{ low: 0.2, high: 0.3 }, "about 1 min"],
  ])("%j is %s", (range, expected) => expect(minutesWords(range)).toBe(expected));
});
