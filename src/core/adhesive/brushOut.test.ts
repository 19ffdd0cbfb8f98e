import { baseRate, brushVerdict } from ".";

describe("the brush-out meter", () => {
  test("6 of 22 where two in a hundred are usual condemns the bead or the air", () => {
    expect(brushVerdict([{ off: 6, of: 22 }], 0.02)).toMatchObject({ word: "bad", off: 6, of: 22 });
    expect(
      brushVerdict(
        [
          { off: 2, of: 10 },
          { off: 4, of: 12 },
        ],
        0.02,
      ),
    ).toMatchObject({ word: "bad", off: 6, of: 22 });
  });
  test("none of forty is as usual, one of eight is not told yet", () => {
    expect(brushVerdict([{ off: 0, of: 40 }], 0.02).word).toBe("as usual");
    expect(brushVerdict([{ off: 1, of: 8 }], 0.02).word).toBe("not told yet");
  });
  test("a hand's own rate is learned, and a rougher one is not blamed for its usual", () => {
    expect(baseRate([])).toEqual({ rate: 0.02, isOwn: false });
    expect(baseRate([{ off: 80, of: 900 }]).rate).toBeCloseTo(0.082, 3);
    // A hand's own only once more is counted than supposed.
    expect([99, 100].map((of) => baseRate([{ off: 0, of }]).isOwn)).toEqual([false, true]);
    expect(brushVerdict([{ off: 2, of: 22 }], 0.082).word).not.toBe("bad");
  });
  test("it seldom cries wolf, by drawing ten thousand brushes at the usual rate", () => {
    let seed = 7;
    const random = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
    const bad = Array.from({ length: 10_000 }, () => ({
      of: 25,
      off: Array.from({ length: 25 }, random).filter((r) => r < 0.02).length,
    })).filter((brush) => brushVerdict([brush], 0.02).word === "bad").length;
    expect(bad).toBeLessThan(100);
  });
});
