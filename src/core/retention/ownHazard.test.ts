import { USUAL_BOND_HAZARD } from "../growth";
import { hazardFrom, ownHazard, USUAL_CLIENTS, type OwnFill } from "./ownHazard";

const cycle = { mean: 90, sd: 5 };
const fill = (left: number, worn = 200, days = 21): OwnFill => ({ left, worn, days, bareBelowDays: 0 });
const of = (...fills: OwnFill[]) => ownHazard(fills, USUAL_CLIENTS, cycle);

test("without a fill it is what anybody may lose, by the spread of clients", () => {
  const { mid, low, high } = of();
  expect(mid).toBeCloseTo(USUAL_BOND_HAZARD, 4);
  expect(Math.log(high / mid)).toBeCloseTo(1.96 * 0.5, 1);
  expect(Math.log(mid / low)).toBeCloseTo(1.96 * 0.5, 1);
});
test("60 % of very many at 21 days, the cycle known, is 0.0117 a day (handbook of the trade), whatever others lose", () => {
  const sure = (perDay: number) => ownHazard([fill(6000, 10_000)], { perDay, spread: 0.5 }, { mean: 90, sd: 0 });
  expect(sure(0.02).mid).toBeCloseTo(0.0117, 3);
  expect(sure(0.006).mid).toBeCloseTo(0.0117, 3);
});
test("who keeps more loses less; a second fill that says the same narrows it; the cycle's spread widens it", () => {
  expect(of(fill(150)).mid).toBeLessThan(of(fill(120)).mid);
  expect(of(fill(100)).mid).toBeGreaterThan(of(fill(120)).mid);
  const width = ({ low, high }: ReturnType<typeof of>) => Math.log(high / low);
  expect(width(of(fill(120)))).toBeLessThan(width(of()));
  expect(width(of(fill(120), fill(120)))).toBeLessThan(width(of(fill(120))));
  const sure = ownHazard([fill(120)], USUAL_CLIENTS, { mean: 90, sd: 0 });
  expect(width(sure)).toBeLessThan(width(of(fill(120))));
});
test("lashes left bare are nature's part: the same count with them is less bond loss", () => {
  expect(ownHazard([{ ...fill(120), bareBelowDays: 20 }], USUAL_CLIENTS, cycle).mid).toBeLessThan(of(fill(120)).mid);
});
test("more left than nature leaves, nothing left, impossible counts: a figure all the same", () => {
  for (const fills of [[fill(200)], [fill(0)], [fill(300)], [fill(20, 200, 120)], [{ ...fill(120), days: 0 }]]) {
    const { low, mid, high } = of(...fills);
    expect(low).toBeGreaterThan(0);
    expect(mid).toBeGreaterThanOrEqual(low);
    expect(high).toBeGreaterThanOrEqual(mid);
    expect(Number.isFinite(high)).toBe(true);
  }
  expect(of(fill(300))).toEqual(of());
});
test("by what it is known: the client's own fills, else the studio's, else nothing", () => {
  expect(hazardFrom([fill(120)], USUAL_CLIENTS)).toEqual({ of: "client", fills: 1 });
  expect(hazardFrom([], { perDay: 0.02, spread: 0.4 })).toEqual({ of: "studio" });
  expect(hazardFrom([], USUAL_CLIENTS)).toEqual({ of: "usual" });
});
