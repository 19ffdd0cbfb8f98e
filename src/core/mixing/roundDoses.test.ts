import { roundDoses } from "./roundDoses";

const drops = (...amounts: number[]) => amounts.map((amount) => ({ amount, unit: "drops" as const }));
const dosed = (...amounts: number[]) => roundDoses(drops(...amounts))!.map(({ amount }) => amount);

// A model of this product: shares within 5 % of each other are as true as a hand gets them; beyond it a little more is mixed.
test("shares four in a hundred apart are left as they are, though half as much again would be truer", () =>
  expect(dosed(10.4, 5)).toEqual([10, 5]));
test("shares seven in a hundred apart are not: more of everything is mixed", () => expect(dosed(3.2, 2)).toEqual([5, 3]));
test("nothing is rounded to none, and what is not allowed is never returned", () => {
  expect(dosed(0.2, 0.2)).toEqual([1, 1]);
  expect(roundDoses(drops(3.2, 2), () => false)).toBeNull();
  expect(roundDoses(drops(3.2, 2), ([first]) => first!.amount <= 4)!.map(({ amount }) => amount)).toEqual([3, 2]);
});
