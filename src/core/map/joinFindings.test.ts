import { defaultPolicy } from "../policy";
import { lengthsFrom, surveyOf, trayOf } from "../../../tests/support/surveys";
import { joinFindings, mapFacts, mapFindings, planMap, setZoneLength } from ".";

const survey = surveyOf([8, 10, 9], { spreadMm: 0.3 });
const context = { survey, policy: defaultPolicy, trays: [trayOf(lengthsFrom(6, 15))] };
const plan = planMap(
  survey,
  {
    title: "t",
    look: "natural",
    school: { id: "equal", zones: 7 },
    fibre: { curl: "C", diameterMm: 0.15, shape: "round", count: 1 },
    longestMm: null,
    coupling: "mirrored",
  },
  defaultPolicy,
  context.trays,
)!;

test("the same stop on both eyes is told once, and one fix mends both", () => {
  const tall = setZoneLength(setZoneLength(plan.map, "right", 3, 15), "left", 3, 15);
  const told = joinFindings(mapFindings(mapFacts(tall, context))).filter((finding) => finding.rule === "overExtended");
  expect(told).toHaveLength(1);
  expect(told[0]!.title).toBe("Both eyes, zone 4");
  const mended = mapFindings(mapFacts(told[0]!.fix!.apply(tall), context));
  expect(mended.filter((finding) => finding.rule === "overExtended")).toEqual([]);
  expect(mended.filter((finding) => finding.rule === "unintendedAsymmetry")).toEqual([]);
});

test("what only one eye deserves stays that eye's", () => {
  const tall = setZoneLength(plan.map, "left", 3, 15);
  const told = joinFindings(mapFindings(mapFacts(tall, context))).filter((finding) => finding.rule === "overExtended");
  expect(told.map((finding) => finding.where.side)).toEqual(["left"]);
});
