import fc from "fast-check";
import type { AirAt } from "@/core/adhesive";
import type { MachineWay } from "@/core/air";
import { covers, overlaps, type Placed } from "./Label";
import { DAMP, planeScales, WARMTH } from "./planeScales";
import { trailMarks } from "./PlaneTrail";
import { wayNames } from "./PlaneWays";
import { windowNames, type PlaneWindow } from "./PlaneWindows";

const scales = planeScales(760);
const clock = (ms: number) => new Date(ms).toISOString().slice(11, 16);
const at = (minute: number, temperatureC: number, relativeHumidity: number): AirAt => ({
  atMs: minute * 60_000,
  temperatureC,
  relativeHumidity,
});
const words = (text: string, x: number, y: number, anchor: Placed["anchor"] = "start"): Placed => ({ words: text, x, y, anchor, size: 12 });

describe("the plane's scales", () => {
  test("warmth goes across and damp goes up; what lies outside is held to the edge", () => {
    const [left] = scales.place({ temperatureC: WARMTH[0], relativeHumidity: 0.5 });
    const [right, top] = scales.place({ temperatureC: 60, relativeHumidity: 1 });
    expect([left, right]).toEqual([44, scales.right]);
    expect(top).toBe(12);
    expect(scales.held({ temperatureC: -5, relativeHumidity: 0 })).toEqual({ temperatureC: WARMTH[0], relativeHumidity: DAMP[0] });
  });
  test("a place taken back is the air it was, wherever the plane shows it and however wide it is", () => {
    fc.assert(
      fc.property(
        fc.double({ min: WARMTH[0], max: WARMTH[1], noNaN: true }),
        fc.double({ min: DAMP[0], max: DAMP[1], noNaN: true }),
        fc.integer({ min: 320, max: 1400 }),
        (temperatureC, relativeHumidity, width) => {
          const { place, x, y } = planeScales(width);
          const [px, py] = place({ temperatureC, relativeHumidity });
          expect(x.invert(px)).toBeCloseTo(temperatureC, 9);
          expect(y.invert(py)).toBeCloseTo(relativeHumidity, 9);
        },
      ),
    );
  });
  test("a curve is drawn only where the plane shows it", () => {
    expect(scales.curve(() => 0.9)).toBe("");
    expect(scales.curve(() => 0.5)).toMatch(/^44\.0,[\d.]+ [\d.]+,/);
  });
});

describe("words on a drawing keep clear of each other", () => {
  test("beside, over and under are clear; on each other is not, from either side", () => {
    const label = words("now 22.0 °C", 100, 100);
    for (const clear of [words("beside", 200, 100), words("over", 100, 80), words("under", 100, 118), words("before", 96, 100, "end")])
      expect([overlaps(label, clear), overlaps(clear, label)]).toEqual([false, false]);
    for (const on of [words("on it", 120, 104), words("across", 102, 96, "middle"), words("from the right", 130, 100, "end")])
      expect([overlaps(label, on), overlaps(on, label)]).toEqual([true, true]);
  });
  test("a point under the words is covered, one beside them is not", () => {
    expect(covers(words("Slackwater", 100, 100), [120, 95])).toBe(true);
    expect(covers(words("Slackwater", 100, 100), [90, 95])).toBe(false);
    expect(covers(words("Slackwater", 100, 100, "end"), [90, 95])).toBe(true);
  });
});

describe("which moments of the trail are named", () => {
  test("up to three, far from each other and from now", () => {
    const long = Array.from({ length: 100 }, (_, i) => at(i, 15 + i * 0.15, 0.7 - i * 0.004));
    const marks = trailMarks(scales, long, scales.place(long.at(-1)!), clock);
    expect(marks.map(({ name }) => name.words)).toEqual(["00:00", "00:32", "01:05"]);
    const still = Array.from({ length: 100 }, (_, i) => at(i, 21, 0.45));
    expect(trailMarks(scales, still, scales.place(still[0]!), clock)).toEqual([]);
    expect(trailMarks(scales, still, null, clock)).toHaveLength(1);
    expect(trailMarks(scales, [], null, clock)).toEqual([]);
  });
});

describe("the name of a machine's way", () => {
  const way = (machine: MachineWay["machine"], relativeHumidity: number): MachineWay => ({
    machine,
    points: [at(0, 20, 0.5), at(90, 20, relativeHumidity)],
  });
  test("stands over the end of one that rises, under the end of one that falls", () => {
    const [wetter, drier] = wayNames(scales, [way("humidifier", 0.6), way("dehumidifier", 0.4)], 90);
    expect(wetter).toMatchObject({ words: "humidifier, 90 min", anchor: "middle", y: scales.y(0.6) - 7 });
    expect(drier!.y).toBeGreaterThan(scales.y(0.4));
  });
  test("stands beside the end that reaches the plane's upper edge: over it there is no room", () => {
    const [name] = wayNames(scales, [way("humidifier", 0.95)], 90);
    expect(name!.anchor).toBe("start");
    expect(name!.y - name!.size).toBeGreaterThan(0);
  });
});

describe("a window's name", () => {
  const window = (name: string, low: number, high: number): PlaneWindow => ({
    id: name,
    name,
    humidityLow: low,
    humidityHigh: high,
    temperatureLowC: 18,
    temperatureHighC: 27,
  });
  test("stands in the lower right corner, and moves where words or the trail stand there", () => {
    const one = [window("Slackwater", 0.35, 0.6)];
    const [usual] = windowNames(scales, one, [], []);
    expect(usual!.anchor).toBe("end");
    const [moved] = windowNames(scales, one, [words("now 26.5 °C, 37 %", usual!.x - 60, usual!.y)], []);
    expect([moved!.anchor, moved!.y < usual!.y]).toEqual(["start", true]);
    const [clear] = windowNames(scales, one, [], [[usual!.x - 20, usual!.y - 4]]);
    expect(clear!.y).toBeLessThan(usual!.y);
  });
  test("two of the same place are not written over each other", () => {
    const [a, b] = windowNames(scales, [window("Slackwater", 0.35, 0.6), window("Quickfoam", 0.35, 0.6)], [], []);
    expect(overlaps(a!, b!)).toBe(false);
  });
  test("with every corner taken it still stands somewhere", () => {
    const everywhere = [0, 1, 2, 3].map((i) => words("x".repeat(200), 0, 60 + i * 100));
    expect(windowNames(scales, [window("Slackwater", 0.35, 0.6)], everywhere, [])).toHaveLength(1);
  });
});
