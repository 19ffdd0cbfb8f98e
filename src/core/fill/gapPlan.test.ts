import { classicWish, WIDE_SHELF } from "../../../tests/support/planShares";
import { surveyOf } from "../../../tests/support/surveys";
import { SIDES } from "../eye";
import { planMap, type LashMap, type LookId, type MapWish } from "../map";
import { nextLash, placementPlan, progressOf, schoolsFor, type PlannedSpot } from "../placing";
import { defaultPolicy } from "../policy";
import { gapPlan, type Kept } from ".";

const survey = surveyOf([7, 9.5, 8.5]);
const accents: NonNullable<MapWish["accents"]> = {
  offsetMm: 3,
  placing: { every: 4, cluster: 1, innerEvery: 2 },
  fibre: { curl: "C", diameterMm: 0.07, shape: "round", count: 3, opening: "closed" },
};
const mapOf = (look: LookId = "doll", change: Partial<MapWish> = {}): LashMap =>
  planMap(survey, classicWish(look, change), defaultPolicy, WIDE_SHELF)!.map;
const map = mapOf("doll", { accents });
const whole = placementPlan(map, survey);
/** Two thirds of every spot. */
const kept = whole.spots.map(({ side, role, from, to, planned }): Kept => ({ side, role, from, to, n: Math.floor((planned * 2) / 3) }));
const sum = (spots: readonly PlannedSpot[], of: (spot: PlannedSpot) => number = ({ planned }) => planned) =>
  spots.reduce((total, spot) => total + of(spot), 0);
const keptN = (some: readonly Kept[]) => some.reduce((total, { n }) => total + n, 0);

describe("only the gaps are filled", () => {
  test("nothing kept is the whole plan, everything kept is nothing to do", () => {
    const nothing = gapPlan(map, survey, []);
    expect(nothing.spots).toEqual(whole.spots);
    const all = whole.spots.map(({ side, role, from, to, planned }): Kept => ({ side, role, from, to, n: planned }));
    const done = gapPlan(map, survey, all);
    expect(sum(done.spots)).toBe(0);
    expect(done.kept.right.size + done.kept.left.size).toBe(sum(whole.spots));
  });
  test("kept and to be placed are the plan again, zone by zone and layer by layer, on lashes of their own", () => {
    const gaps = gapPlan(map, survey, kept);
    whole.spots.forEach((spot, i) => expect(gaps.spots[i]!.planned).toBe(spot.planned - Math.floor((spot.planned * 2) / 3)));
    for (const side of SIDES) {
      const places = gaps.spots.filter((spot) => spot.side === side).flatMap(({ slots }) => slots);
      expect(new Set(places).size).toBe(places.length);
      expect(places.some((place) => gaps.kept[side].has(place))).toBe(false);
      expect(places.length + gaps.kept[side].size).toBe(whole.worn[side]);
    }
    for (const { slots, planned } of gaps.spots) expect(slots).toHaveLength(planned);
  });
  test("gaps of a zone lie between what is kept, not all at one end", () => {
    const spot = whole.spots.find(({ planned, role }) => role === "base" && planned >= 9)!;
    const gaps = gapPlan(map, survey, [{ ...spot, n: Math.floor(spot.planned / 2) }]);
    const line = [...spot.slots].sort((a, b) => a - b);
    const isKept = line.map((place) => gaps.kept[spot.side].has(place));
    for (let i = 0; i + 3 < isKept.length; i++) {
      expect(isKept.slice(i, i + 4).some((on) => on)).toBe(true);
      expect(isKept.slice(i, i + 4).some((on) => !on)).toBe(true);
    }
  });
  test("on another map what is kept takes its natural lashes all the same", () => {
    const other = mapOf("cat");
    const gaps = gapPlan(other, survey, kept);
    const all = placementPlan(other, survey);
    expect(sum(gaps.spots)).toBe(sum(all.spots) - keptN(kept));
    expect(gaps.kept.right.size + gaps.kept.left.size).toBe(keptN(kept));
  });
  test("more said to be on than there are lashes takes what there is, and no lash twice", () => {
    const spot = whole.spots[0]!;
    const gaps = gapPlan(map, survey, [
      { ...spot, n: 500 },
      { ...spot, n: 500 },
    ]);
    expect(Math.min(...gaps.spots.map(({ planned }) => planned))).toBe(0);
    expect(gaps.kept[spot.side].size).toBeLessThanOrEqual(whole.worn[spot.side]);
    expect(gapPlan(map, survey, [{ ...spot, n: -3 }]).spots).toEqual(whole.spots);
  });
  test("worked as any plan is: accents first on a fill, to the last gap, and no lash more", () => {
    const gaps = gapPlan(map, survey, kept);
    const schools = schoolsFor("fill", defaultPolicy);
    const lashes: { side: "right" | "left"; layer: number; zone: number; piece: number; n: number; atMs: number }[] = [];
    const roles: string[] = [];
    for (let i = 0; i < 400; i++) {
      const progress = progressOf(gaps, { lashes, redone: [] });
      const next = nextLash(gaps, progress, { schools, inTurn: 1, nowMs: i * 60_000, wetS: 46 });
      if (!next) break;
      const { spot } = next;
      roles.push(spot.role);
      lashes.push({ side: spot.side, layer: spot.layer, zone: spot.zone, piece: spot.piece, n: 1, atMs: i * 60_000 });
    }
    expect(lashes).toHaveLength(sum(gaps.spots));
    expect(roles[0]).toBe("accent");
    expect(roles.lastIndexOf("accent")).toBe(roles.indexOf("base") - 1);
  });
});
