import { mulberry32 } from "../units";
import { survivalCurve, type CountedFill } from "./survivalCurve";

const fill = (clientId: string, days: number, left: number, worn = 100): CountedFill => ({ clientId, days, left, worn });

test("falling steps by day, a day's fills together, weighed by lashes", () => {
  const curve = survivalCurve([fill("a", 21, 60), fill("b", 14, 70), fill("c", 21, 120, 200), fill("d", 28, 62)], mulberry32(1));
  // 21 days: 180 of 300; 28 days holds more, so the two are one step: 242 of 400.
  expect(curve.map(({ days, share, fills }) => [days, share, fills])).toEqual([
    [14, 0.7, 1],
    [21, 0.605, 2],
    [28, 0.605, 1],
  ]);
  // Four clients say nothing of others.
  expect(curve.every(({ low, high }) => low === null && high === null)).toBe(true);
});

test("the band holds the curve, is the same for the same numbers, and is as wide as clients differ", () => {
  const clients = Array.from({ length: 30 }, (_, i) => i);
  const made = (spread: number) =>
    clients.flatMap((i) => [14, 21].map((days) => fill(`c${i}`, days, Math.round(86 - days + spread * ((i % 5) - 2)))));
  const [alike, apart] = [made(0), made(8)].map((fills) => survivalCurve(fills, mulberry32(7)));
  for (const point of apart!) {
    expect(point.low!).toBeLessThan(point.share);
    expect(point.high!).toBeGreaterThan(point.share);
    // Means of 30 whose standard deviation is 8 × √2 = 11.3: 1.96 × 11.3 / √30 = 4.0 either way. Derived.
    expect((point.high! - point.low!) / 2).toBeGreaterThan(0.033);
    expect((point.high! - point.low!) / 2).toBeLessThan(0.048);
  }
  for (const point of alike!) expect(point.high! - point.low!).toBeLessThan(1e-9);
  expect(survivalCurve(made(8), mulberry32(7))).toEqual(apart);
  expect(survivalCurve([], mulberry32(7))).toEqual([]);
});

test("with every client seen on a single day, drawn ones that miss it keep the day before", () => {
  const curve = survivalCurve([fill("early", 10, 90), ...Array.from({ length: 9 }, (_, i) => fill(`c${i}`, 20, 60))], mulberry32(3));
  expect(curve[0]!.high).toBe(1);
  expect(curve[0]!.low).toBe(0.9);
  expect([curve[1]!.low, curve[1]!.high]).toEqual([0.6, 0.6]);
});
