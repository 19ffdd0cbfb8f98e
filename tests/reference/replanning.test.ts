import highsLoader from "highs";
import { planMap, type MapWish } from "@/core/map";
import { placementPlan, replan, weightsOf, type ToPlace } from "@/core/placing";
import { defaultPolicy } from "@/core/policy";
import { mulberry32 } from "@/core/units";
import { classicWish, WIDE_SHELF } from "../support/planShares";
import { randomSurveys } from "../support/randomSurveys";
import { replanAsProgram } from "../support/replanAsProgram";

const accents: NonNullable<MapWish["accents"]> = {
  offsetMm: 3,
  placing: { every: 4, cluster: 1, innerEvery: 2 },
  fibre: { curl: "C", diameterMm: 0.07, shape: "round", count: 3, opening: "closed" },
};

/** Real sets on their way: maps of clients as they come, some of each zone placed, evenly or not quite. */
function setsUnderWay(count: number): { all: ToPlace[]; budgetS: number }[] {
  const random = mulberry32(16);
  return Array.from({ length: count }, (_, i) => {
    const survey = randomSurveys(1, i + 1)[0]!;
    const { map } = planMap(survey, classicWish(i % 2 ? "doll" : "cat", i % 3 ? { accents } : {}), defaultPolicy, WIDE_SHELF)!;
    const plan = placementPlan(map, survey);
    const weights = weightsOf(plan, { map, survey, trays: WIDE_SHELF, policy: defaultPolicy });
    const done = random() * 0.6;
    const paceS = 18 + random() * 20;
    const all = plan.spots.map((spot, k) => ({
      spot,
      weight: weights[k]!,
      // Corners and accents come later; a zone may be a lash behind.
      placed: spot.role === "base" && !spot.isCorner ? Math.max(0, Math.floor(spot.planned * done) - (random() < 0.2 ? 1 : 0)) : 0,
      seconds: Number((paceS * (spot.side === "left" ? 1.21 : 1) * (spot.isFan ? 1.9 : 1)).toFixed(3)),
    }));
    return { all, budgetS: Math.round(random() * 3600) };
  });
}

test("real sets show as much as a general solver (highs 1.15.3, mixed-integer) finds in the time, to a hundred-thousandth", async () => {
  const highs = await highsLoader();
  for (const { all, budgetS } of setsUnderWay(16)) {
    const ours = replan(all, budgetS);
    const solved = highs.solve(replanAsProgram(all, budgetS), { mip_rel_gap: 1e-7, time_limit: 60 });
    const shows = (u: number) => 2 * u - u * u;
    const now = all.reduce((sum, { spot, placed, weight }) => sum + weight * shows(placed / spot.planned), 0);
    expect(solved.Status).toBe("Optimal");
    expect(ours.unevenLashes).toBe(0);
    expect(ours.seconds).toBeLessThanOrEqual(budgetS + 1e-6);
    expect(Math.abs(ours.look - now - solved.ObjectiveValue)).toBeLessThan(1e-5);
  }
}, 240_000);
