import { defaultPolicy } from "../policy";
import { LOAD_REFERENCE, loadIndex } from "../load";
import { grownMm } from "../growth";
import { stopsAtMm } from "./stopsAt";

const reference = { ...LOAD_REFERENCE.fibre };
const MEDIUM = LOAD_REFERENCE.naturalDiameterMm;
const policy = { ...defaultPolicy, attachmentOffsetMm: 1, loadRed: 1.6 };

test("the ordinary classic lash: 1.39 times at 14 days, 1.58 at 21 (handbook of the trade, 0.13 mm a day)", () => {
  expect(loadIndex(reference, MEDIUM, 1 + grownMm(14, 9))).toBeCloseTo(1.39, 2);
  expect(loadIndex(reference, MEDIUM, 1 + grownMm(21, 9))).toBeCloseTo(1.58, 2);
});
test("moved out so far it carries what one stops at, red and a third: there, no sooner, no later", () => {
  const at = stopsAtMm(reference, MEDIUM, 9, policy)!;
  expect(loadIndex(reference, MEDIUM, 1 + at)).toBeCloseTo(1.6 * 1.35, 9);
  // 1 + s·a with s = 0.58 / 2.73 a millimetre: 1.16 / 0.2125. Derived.
  expect(at).toBeCloseTo(5.46, 1);
  expect(stopsAtMm(reference, MEDIUM, at - 0.01, policy)).toBeNull();
});
test("too heavy at rest, and just under it", () => {
  const heavy = { ...reference, diameterMm: 0.2, lengthMm: 14 };
  // 2.27 on a medium lash (handbook of the trade).
  expect(stopsAtMm(heavy, MEDIUM, 3, policy)).toBe(0);
  expect(stopsAtMm(heavy, MEDIUM, 3, { ...policy, loadRed: 2.4 })).toBeGreaterThan(1);
});
test("a fan is judged by the most fibres it is opened to", () => {
  const fan = { lengthMm: 12, diameterMm: 0.05, shape: "round", count: 3, countTo: 6 } as const;
  const most = { lengthMm: 12, diameterMm: 0.05, shape: "round", count: 6 } as const;
  expect(stopsAtMm(fan, 0.065, 9, policy)).toBe(stopsAtMm(most, 0.065, 9, policy));
});
