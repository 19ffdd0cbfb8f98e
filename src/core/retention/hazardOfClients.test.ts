import { simulatedFills } from "../../../tests/support/simulatedStudio";
import { hazardOfClients } from "./hazardOfClients";
import { USUAL_CLIENTS } from "./ownHazard";

const supposed = { cycle: { mean: 90, sd: 5 }, bareBelowSd: 4 };
const fills = simulatedFills({ fills: 300, clients: 60, effects: {}, clientSd: 0.35, visitSd: 0.1, cycleDays: 90, seed: 3 });

test("a studio of known truth: 0.0105 a day in the middle, clients 0.35 apart", () => {
  const { perDay, spread } = hazardOfClients(fills, supposed);
  // Within three standard errors of sixty clients: 0.35 / √60.
  expect(Math.abs(Math.log(perDay / 0.0105))).toBeLessThan(0.14);
  expect(spread).toBeGreaterThan(0.26);
  expect(spread).toBeLessThan(0.46);
});
test("who loses twice as much stands in the middle of a studio that does", () => {
  const worse = fills.map((fill) => ({ ...fill, left: Math.round(fill.left * Math.exp(-0.0105 * fill.days)) }));
  expect(hazardOfClients(worse, supposed).perDay / hazardOfClients(fills, supposed).perDay).toBeCloseTo(2, 0);
});
test("below 30 fills or 10 clients, and of counts that bear nothing, the usual ones", () => {
  const ofClients = (n: number) => fills.map((fill, i) => ({ ...fill, clientId: `c${i % n}` }));
  expect(hazardOfClients(fills.slice(0, 29), supposed)).toBe(USUAL_CLIENTS);
  expect(hazardOfClients(fills.slice(0, 30), supposed)).not.toBe(USUAL_CLIENTS);
  expect(hazardOfClients(ofClients(9), supposed)).toBe(USUAL_CLIENTS);
  expect(hazardOfClients(ofClients(10), supposed)).not.toBe(USUAL_CLIENTS);
  expect(hazardOfClients([], supposed)).toBe(USUAL_CLIENTS);
  // Counted the day after, or half a year later, says nothing of bonds.
  expect(
    hazardOfClients(
      fills.map((fill) => ({ ...fill, days: 1 })),
      supposed,
    ),
  ).toBe(USUAL_CLIENTS);
  // Everything on, nothing on.
  for (const left of [0, 1])
    expect(
      hazardOfClients(
        fills.map((fill) => ({ ...fill, left: left * fill.worn })),
        supposed,
      ),
    ).toBe(USUAL_CLIENTS);
});
test("the order in which fills come says nothing", () => {
  const { perDay, spread } = hazardOfClients([...fills].reverse(), supposed);
  const asTheyCame = hazardOfClients(fills, supposed);
  expect(perDay).toBeCloseTo(asTheyCame.perDay, 4);
  expect(spread).toBeCloseTo(asTheyCame.spread, 2);
});
