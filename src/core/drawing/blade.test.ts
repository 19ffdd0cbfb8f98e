import { bladeOutline, thinTone } from ".";

describe("a blade", () => {
  const blade = {
    points: [0, 1, 2, 3, 4, 5, 6].map((y) => [0, y] as const),
    widthMm: 0.6,
    taperFrom: 1 / 3,
    tone: 1,
  };
  test("keeps its width for a third and is drawn out to a tenth of it at the tip", () => {
    const outline = bladeOutline(blade, 10);
    const widths = Array.from({ length: 7 }, (_, i) => Math.abs(outline[2 * i]! - outline[outline.length - 2 - 2 * i]!));
    expect(widths.slice(0, 3)).toEqual([6, 6, 6].map((w) => expect.closeTo(w, 4)));
    expect(widths[6]).toBeCloseTo(0.6, 4);
    for (let i = 3; i < 7; i++) expect(widths[i]).toBeLessThan(widths[i - 1]!);
    expect(outline[13]).toBeCloseTo(60, 4);
  });
  test("is never so thin that a screen drops it", () => {
    const outline = bladeOutline({ ...blade, widthMm: 0.01 }, 1, 0.6);
    expect(Math.abs(outline[0]! - outline[outline.length - 2]!)).toBeCloseTo(0.6, 5);
  });
});

test("what is drawn wider than it is keeps its darkness, nearly, and never fades away", () => {
  expect(thinTone(0.6, 0.6)).toBe(1);
  expect(thinTone(2, 0.6)).toBe(1);
  const half = thinTone(0.3, 0.6);
  expect(half).toBeGreaterThan(0.5);
  expect(half).toBeLessThan(0.65);
  expect(thinTone(0.001, 0.6)).toBeGreaterThanOrEqual(0.2);
});
