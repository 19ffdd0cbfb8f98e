import { lossRatio, type PairedCounts } from "./sides";

const pair = (lost: number, worn: number, otherLost: number, otherWorn: number): PairedCounts => ({
  one: { left: worn - lost, worn },
  other: { left: otherWorn - otherLost, worn: otherWorn },
});

test("within each fill, as Mantel and Haenszel: derived by hand in R 4.2.2 from their sums", () => {
  const found = lossRatio([pair(20, 100, 10, 100), pair(15, 90, 9, 95), pair(30, 110, 14, 105)])!;
  // R = Σ a·n₀/N, S = Σ b·n₁/N; R/S 1.95596003; Greenland and Robins' sd of the log 0.19717543; qt(0.975, 2).
  expect(found.ratio).toBeCloseTo(1.95596003, 8);
  expect(found.low).toBeCloseTo(0.83736411, 6);
  expect(found.high).toBeCloseTo(4.56883639, 5);
  expect(found.fills).toBe(3);
  // 2 · pt(−log(R/S)/sd, 2): 0.0766.
  expect(found.chance).toBeCloseTo(0.0766, 3);
});
test("the other way round is the other way up", () => {
  const fills = [pair(20, 100, 10, 100), pair(15, 90, 9, 95), pair(30, 110, 14, 105)];
  const [there, back] = [lossRatio(fills)!, lossRatio(fills.map(({ one, other }) => ({ one: other, other: one })))!];
  expect(back.ratio).toBeCloseTo(1 / there.ratio, 9);
  expect(back.low).toBeCloseTo(1 / there.high, 6);
  expect(back.chance).toBeCloseTo(there.chance, 6);
});
test("fills that disagree say less than fills that agree", () => {
  const width = (fills: PairedCounts[]) => {
    const { low, high } = lossRatio(fills)!;
    return Math.log(high / low);
  };
  const agree = [pair(30, 100, 15, 100), pair(30, 100, 15, 100), pair(30, 100, 15, 100), pair(30, 100, 15, 100)];
  const apart = [pair(45, 100, 10, 100), pair(15, 100, 20, 100), pair(45, 100, 10, 100), pair(15, 100, 20, 100)];
  expect(width(apart)).toBeGreaterThan(1.8 * width(agree));
});
test("one fill, nothing lost in one place, nothing worn: no ratio", () => {
  expect(lossRatio([pair(20, 100, 10, 100)])).toBeNull();
  expect(lossRatio([pair(0, 100, 10, 100), pair(0, 90, 9, 95)])).toBeNull();
  expect(lossRatio([pair(5, 100, 0, 100), pair(7, 90, 0, 95)])).toBeNull();
  expect(lossRatio([pair(20, 100, 10, 100), pair(0, 0, 9, 95)])).toBeNull();
  expect(lossRatio([])).toBeNull();
});
