import highsLoader from "highs";
import { LOOKS, LOOK_IDS, MICRO, planLine, planMap, type LineLimits, type LineZone } from "@/core/map";
import { defaultPolicy } from "@/core/policy";
import { lineAsProgram } from "../tests/support/lineAsProgram";
import { lengthsFrom, surveyOf, trayOf } from "../tests/support/surveys";
import { median, medianMs, ms, printTable, ratioOf } from "./measure";

const limits: LineLimits = { stepMm: 2, outerDropMm: 1 };
/** A whole line of twelve zones with eleven stocked lengths each, for targets that wander. */
const line = (shift: number): LineZone[] =>
  Array.from({ length: 12 }, (_, i) => {
    const target = 8 + 4 * Math.sin(((i + shift) / 11) * Math.PI) + 0.37 * Math.cos(i * 2.1 + shift);
    return { choices: lengthsFrom(5, 15).map((mm) => ({ lengthsMm: [mm], distance: Math.round(MICRO * (mm - target) ** 2) })) };
  });

const highs = await highsLoader();
const problems = Array.from({ length: 12 }, (_, i) => line(i * 0.13));
const solved = problems.map((zones) => {
  const begun = performance.now();
  // Such a line gives nothing up: the solver is asked for its cost alone, with nothing given up.
  const { ObjectiveValue } = highs.solve(lineAsProgram(zones, limits, { drop: 0, step: 0, dip: 0 }, "cost"));
  const took = performance.now() - begun;
  const apart = Math.abs(ObjectiveValue - planLine(zones, limits).objective);
  if (apart > 1e-4) throw new Error(`The planner and the solver differ by ${apart}.`);
  return took;
});
const solver = median(solved);
const ours = medianMs(() => problems.map((zones) => planLine(zones, limits))) / problems.length;
const survey = surveyOf([7.2, 10.2, 9.2]);
const trays = [trayOf(lengthsFrom(6, 13)), trayOf(lengthsFrom(6, 13), { diameterMm: 0.1 })];
const wholeMap =
  medianMs(() =>
    LOOK_IDS.map((look) =>
      planMap(
        survey,
        {
          title: LOOKS[look].label,
          look,
          school: { id: "browPeak" },
          fibre: { curl: "C", diameterMm: 0.15, shape: "round", count: 1 },
          longestMm: null,
          coupling: "each",
        },
        defaultPolicy,
        trays,
      ),
    ),
  ) / LOOK_IDS.length;

printTable("Planner, against a general solver (highs 1.15.3, mixed-integer, same optimum)", [
  { what: "one line: 12 zones, 11 lengths", ours: ms(ours), yardstick: ms(solver), ratio: ratioOf(ours, solver) },
  {
    what: "a map: both eyes, limits and survey reckoned, beside one line by the solver",
    ours: ms(wholeMap),
    yardstick: ms(solver),
    ratio: ratioOf(wholeMap, solver),
  },
]);
