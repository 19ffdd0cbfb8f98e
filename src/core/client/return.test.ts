import type { PastService } from "../care";
import { defaultPolicy } from "../policy";
import { serviceOf, type ServiceId } from "../service";
import { returnStanding, type ReturnFacts } from "./return";

const TODAY = "2026-06-15";
const NOW = Date.parse(`${TODAY}T12:00:00Z`);
const on = { nowMs: NOW, today: TODAY, dayOf: (ms: number) => new Date(ms).toISOString().slice(0, 10) };
const daysAgo = (days: number) => NOW - days * 86_400_000;
const day = (days: number) => on.dayOf(daysAgo(-days));
const had = (service: ServiceId, days: number): PastService => ({
  label: serviceOf(service).label,
  treated: serviceOf(service).counts,
  atMs: daysAgo(days),
  stopped: null,
  known: "here",
});
const facts = (past: PastService[], more: Partial<ReturnFacts> = {}): ReturnFacts => ({
  past,
  extensionsSeen: null,
  fillDay: null,
  lastDay: past.length === 0 ? null : on.dayOf(Math.max(...past.map(({ atMs }) => atMs))),
  ...more,
});
const standing = (known: ReturnFacts, policy = defaultPolicy) => returnStanding(known, on, policy);

test("a set is due by the day that is reckoned for it, else by the studio's usual days", () => {
  // 14 days where nothing is known: common practice.
  expect(standing(facts([had("newSet", 16)]))).toEqual({ kind: "due", what: "fill", day: day(-2) });
  expect(standing(facts([had("newSet", 16)]), { ...defaultPolicy, fill: "threeWeeks" })).toEqual({
    kind: "due",
    what: "fill",
    day: day(5),
  });
  expect(standing(facts([had("fill", 16)], { fillDay: day(4) }))).toEqual({ kind: "due", what: "fill", day: day(4) });
});

test("shown from a week ahead, and not sooner", () => {
  expect(standing(facts([had("newSet", 7)]))).toEqual({ kind: "due", what: "fill", day: day(7) });
  expect(standing(facts([had("newSet", 6)]))).toBeNull();
});

test("what is worn is care's own rule: taken off, seen off, or too long ago, no fill is due", () => {
  expect(standing(facts([had("newSet", 16), had("removal", 3)]))).toBeNull();
  expect(standing(facts([had("newSet", 16)], { extensionsSeen: { on: false, atMs: daysAgo(2) } }))).toBeNull();
  expect(standing(facts([had("newSet", 42)]))).toEqual({ kind: "due", what: "fill", day: day(-28) });
  expect(standing(facts([had("newSet", 43)]))).toBeNull();
});

test("a lift is due after six weeks, a lash tint after three: the hours of the spacing table, the studio's own where it has some", () => {
  expect(standing(facts([had("lift", 40)]))).toEqual({ kind: "due", what: "lash lift", day: day(2) });
  expect(standing(facts([had("lift", 30)]))).toBeNull();
  expect(standing(facts([had("lashTint", 20)]))).toEqual({ kind: "due", what: "lash tint", day: day(1) });
  const later = { ...defaultPolicy, spacing: { liftAgain: { stopHours: 24 * 28, askHours: 24 * 56 } } };
  expect(standing(facts([had("lift", 50)]), later)).toEqual({ kind: "due", what: "lash lift", day: day(6) });
  expect(standing(facts([had("lift", 40)]), later)).toBeNull();
});

test("lift and tint in one are done again in one, when the slower may be; brow colour after four weeks", () => {
  expect(standing(facts([had("liftTint", 20)]))).toBeNull();
  expect(standing(facts([had("liftTint", 40)]))).toEqual({ kind: "due", what: "lash lift and tint", day: day(2) });
  expect(standing(facts([had("browTint", 25)]))).toEqual({ kind: "due", what: "brow tint", day: day(3) });
});

test("only what they came for last is due, and the set they still wear: a brow tint of the spring is not asked for ever after", () => {
  expect(standing(facts([had("browTint", 60), had("fill", 5)]))).toBeNull();
  expect(standing(facts([had("fill", 15), had("browTint", 2)]))).toEqual({ kind: "due", what: "fill", day: day(-1) });
});

test("who stayed away longer than the studio says is not due but long not here, by the day they were here for whatever it was", () => {
  expect(standing(facts([had("newSet", 90)]))).toEqual({ kind: "longNotHere", days: 90 });
  expect(standing(facts([had("newSet", 89)]))).toBeNull();
  expect(standing(facts([], { lastDay: day(-200) }))).toEqual({ kind: "longNotHere", days: 200 });
  expect(standing(facts([], { lastDay: day(-40) }))).toBeNull();
  expect(standing(facts([]))).toBeNull();
});
