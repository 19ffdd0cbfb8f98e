import { defaultPolicy, type Policy } from "../policy";
import { lengthsFrom, surveyOf, trayOf } from "../../../tests/support/surveys";
import { mapFacts, placements, planMap, setZoneLength, type LashMap, type MapWish } from "../map";
import { formatHours } from "../units";
import { trolleyBrief, zoneRows } from ".";

const single = { curl: "C" as const, diameterMm: 0.15, shape: "round" as const, count: 1 };
const spike = { curl: "C" as const, diameterMm: 0.05, shape: "round" as const, count: 4, opening: "closed" as const };
const wish: MapWish = {
  title: "=SUM(A1)",
  look: "squirrel",
  school: { id: "browPeak" },
  fibre: single,
  longestMm: null,
  coupling: "mirrored",
  accents: { offsetMm: 3, sections: 5, placing: { every: 4, cluster: 1, innerEvery: 2 }, fibre: spike },
};
const trays = [trayOf(lengthsFrom(6, 15)), trayOf(lengthsFrom(6, 15), { diameterMm: 0.05 })];
const survey = surveyOf([7.2, 10.2, 9.2]);
const { map } = planMap(survey, wish, defaultPolicy, trays)!;
const pace = { secondsPerSingle: 30, secondsPerFan: 60 };
const brief = (m: LashMap = map, change: { policy?: Policy; survey?: typeof survey } = {}) =>
  trolleyBrief(mapFacts(m, { survey: change.survey ?? survey, policy: change.policy ?? defaultPolicy, trays }), pace);

describe("the brief for the trolley", () => {
  test("names every layer, inner corner first: once where both eyes wear the same, else an eye a line", () => {
    const written = (m: LashMap, side: "right" | "left") =>
      m.eyes[side].layers.map(({ zones }) => zones.map((zone) => (zone ? String(zone.lengthMm) : "–")));
    const read = (m: LashMap) => brief(m).layers.map(({ lengths }) => lengths.split(/\s+/));
    expect(read(map)).toEqual(written(map, "right"));
    expect(brief().layers.every(({ side }) => side === "both eyes")).toBe(true);
    const apart = setZoneLength(map, "left", 3, null);
    expect(read(apart)).toEqual([...written(apart, "right"), ...written(apart, "left")]);
    expect(brief(apart).layers.map(({ side }) => side)).toContain("client's left");
  });
  test("counts the lashes of the placements, and takes as long as the pace says", () => {
    const placed = (["right", "left"] as const).map((side) => placements(map, survey, side).filter(({ worn }) => worn));
    const { lashes } = brief();
    expect(lashes).toContain(`${placed[0]!.length} lashes on the client's right, ${placed[1]!.length} on the left`);
    const seconds = placed.flat().reduce((sum, { worn }) => sum + (worn!.fibre.count > 1 ? 60 : 30), 0);
    expect(lashes).toContain(`about ${formatHours(seconds)} of placing`);
  });
  test("says the studio's own order of work, and says it otherwise where the policy does", () => {
    const usual = brief().order.join(" ");
    const other = brief(map, { policy: { ...defaultPolicy, layerOrder: "accentsFirst", attachmentOffsetMm: 0.5 } as Policy }).order.join(
      " ",
    );
    expect(usual).toContain("1 mm from the lid");
    expect(other).toContain("0.5 mm from the lid");
    expect(other).not.toEqual(usual);
    expect(usual).not.toMatch(/undefined|null|\[object/);
  });
  test("keeps the usual cautions whatever a map deserves, and tells all of that apart", () => {
    const clean = brief();
    expect(clean.cautions.join(" ")).toMatch(/medical help/);
    let wild: LashMap = { ...map, coupling: "each", differsOnPurpose: true };
    for (const side of ["right", "left"] as const)
      for (let zone = 0; zone < 9; zone++) wild = setZoneLength(wild, side, zone, zone % 2 ? 15 : 6);
    const { cautions, findings } = brief(wild);
    expect(cautions).toEqual(clean.cautions);
    expect(clean.findings).toEqual([]);
    expect(findings.length).toBeGreaterThan(3);
    expect(findings[0]).toMatch(/zone \d+.*: .*mm/);
  });
  test("minds oily lids and a serum", () => {
    expect(brief(map, { survey: { ...survey, oilyLids: true } }).order.join(" ")).toMatch(/cleanse twice/);
    expect(brief(map, { survey: { ...survey, serum: true } }).cautions.join(" ")).toMatch(/serum/);
  });
});

describe("zones as a table", () => {
  const rows = zoneRows(map);
  test("a row a zone of every layer, edges that meet", () => {
    expect(rows).toHaveLength(2 * map.eyes.right.layers.reduce((sum, { zones }) => sum + zones.length, 0));
    for (const [i, row] of rows.entries()) if (row["zone"] !== 1) expect(row["from"]).toBe(rows[i - 1]!["to"]);
    expect(rows.filter(({ zone }) => zone === 1).every(({ from }) => from === "0.0000")).toBe(true);
  });
  test("nothing in it begins like a formula", () => {
    for (const row of rows) for (const cell of Object.values(row)) if (typeof cell === "string") expect(cell).not.toMatch(/^[=+@\t\r]/);
    expect(rows[0]!["map"]).toBe("'=SUM(A1)");
  });
  test("a bare zone has empty cells, never a nought", () => {
    const bare = zoneRows(setZoneLength(map, "left", 2, null)).filter(({ length_mm }) => length_mm === "");
    expect(bare).toHaveLength(1);
    expect(bare[0]).toMatchObject({ eye: "left", zone: 3, curl: "", diameter_mm: "", placed_as: "" });
  });
});
