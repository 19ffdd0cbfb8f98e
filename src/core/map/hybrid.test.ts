import fc from "fast-check";
import { fibreMassMg } from "../lash";
import { defaultPolicy } from "../policy";
import { lengthsFrom, surveyArbitrary, surveyOf, trayOf } from "../../../tests/support/surveys";
import {
  baseLayer,
  judgeLoad,
  lashMapSchema,
  mapFacts,
  mapFindings,
  mapTotals,
  pickList,
  placements,
  planMap,
  setZone,
  zonePieces,
  changePiece,
  type Hybrid,
  type LashMap,
  type MapWish,
  type Placement,
} from ".";

const single = { curl: "C" as const, diameterMm: 0.15, shape: "round" as const, count: 1 };
const fan = { curl: "C" as const, diameterMm: 0.05, shape: "round" as const, count: 6 };
const trays = [trayOf(lengthsFrom(6, 14)), trayOf(lengthsFrom(6, 14), { diameterMm: 0.05 })];
const survey = surveyOf([7.2, 10.2, 9.2], { babyShare: 0 });
const wishing = (hybrid: Omit<Hybrid, "fibre">): MapWish => ({
  title: "hybrid",
  look: "squirrel",
  school: { id: "browPeak" },
  fibre: single,
  longestMm: null,
  coupling: "mirrored",
  hybrid: { ...hybrid, fibre: fan },
});
const planned = (hybrid: Omit<Hybrid, "fibre">, s = survey) => planMap(s, wishing(hybrid), defaultPolicy, trays)!.map;
const worn = (map: LashMap) => placements(map, survey, "right").filter((p): p is Placement & { worn: object } => p.worn !== null);
const isFan = ({ worn: { fibre } }: { worn: { fibre: { count: number } } }) => fibre.count > 1;

describe("singles and fans mixed", () => {
  test.each([0.25, 0.5, 0.75])("in turn, %d of the lashes wear the fan, to a lash in each zone", (share) => {
    const lashes = worn(planned({ share, pattern: "alternate" }));
    const zones = new Set(lashes.map((p) => p.worn!.zone));
    expect(Math.abs(lashes.filter((p) => isFan(p as never)).length - share * lashes.length)).toBeLessThanOrEqual(zones.size);
  });
  test("scattered, the share holds over the eye and neighbours come in no fixed turn", () => {
    const fans = worn(planned({ share: 0.5, pattern: "scattered" })).map((p) => isFan(p as never));
    expect(Math.abs(fans.filter(Boolean).length / fans.length - 0.5)).toBeLessThan(0.12);
    const repeats = fans.slice(1).filter((one, i) => one === fans[i]).length;
    expect(repeats).toBeGreaterThan(fans.length * 0.25);
  });
  test("on the lower row, only its lashes wear the second fibre where there are rows", () => {
    const lashes = worn(planned({ share: 0.5, pattern: "lowerRow" }));
    expect(lashes.filter((p) => isFan(p as never)).length).toBeGreaterThan(20);
    for (const p of lashes) if (p.lash.rows > 1) expect(isFan(p as never)).toBe(p.lash.row === p.lash.rows - 1);
  });
  test("where a single row stands there is no lower one: its lashes take the second fibre by their share", () => {
    const alone = worn(planned({ share: 0.5, pattern: "lowerRow" })).filter((p) => p.lash.rows === 1);
    const zones = new Set(alone.map((p) => p.worn!.zone));
    expect(alone.length).toBeGreaterThan(4);
    expect(Math.abs(alone.filter((p) => isFan(p as never)).length - 0.5 * alone.length)).toBeLessThanOrEqual(zones.size);
  });
  test("both are on the pick list and in the totals, fibre by fibre", () => {
    const map = planned({ share: 0.5, pattern: "alternate" });
    const facts = mapFacts(map, { survey, policy: defaultPolicy, trays });
    const kinds = new Set(pickList(facts).map((pick) => `${pick.kind.diameterMm}`));
    expect([...kinds].sort()).toEqual(["0.05", "0.15"]);
    const lashes = (["right", "left"] as const).flatMap((side) => placements(map, survey, side)).filter((p) => p.worn);
    expect(mapTotals(facts, { secondsPerSingle: 1, secondsPerFan: 1 }).fibres).toBe(
      lashes.reduce((sum, p) => sum + p.worn!.fibre.count, 0),
    );
  });
  test("the mixed fibre never stands longer than the first, nor is it past the stop (property)", () => {
    fc.assert(
      fc.property(surveyArbitrary, fc.constantFrom("alternate", "scattered", "lowerRow"), (someSurvey, pattern) => {
        const map = planned({ share: 0.4, pattern }, someSurvey);
        expect(lashMapSchema.safeParse(map).success).toBe(true);
        for (const zones of Object.values(mapFacts(map, { survey: someSurvey, policy: defaultPolicy, trays }).zones))
          for (const zone of zones) {
            const mixed = zone.fibre?.hybrid?.fibre;
            if (!mixed) continue;
            expect(mixed.lengthMm).toBeLessThanOrEqual(zone.fibre!.lengthMm);
            expect(judgeLoad(zone.limit.loadOf(mixed), mixed.count, defaultPolicy)).not.toBe("stop");
          }
      }),
      { numRuns: 40, seed: 31 },
    );
  });
  // Handbook 17: singles of 0.15 or finer in a hybrid, or they show. Common practice.
  test("a single of 0.18 in a hybrid is found, and the fix takes it away without a graver one", () => {
    const hybrid = { share: 0.5, pattern: "alternate" as const, fibre: { ...fan, lengthMm: 9 } };
    const thick = setZone(planned({ share: 0.5, pattern: "alternate" }), "right", 4, { ...single, diameterMm: 0.18, lengthMm: 9, hybrid });
    const stock = [...trays, trayOf(lengthsFrom(6, 14), { diameterMm: 0.18 })];
    const findingsOf = (map: LashMap) => mapFindings(mapFacts(map, { survey, policy: defaultPolicy, trays: stock }));
    const finding = findingsOf(thick).find(({ rule }) => rule === "thickSingleInHybrid")!;
    expect(finding.where).toMatchObject({ side: "right", zones: [4] });
    const after = findingsOf(finding.fix!.apply(thick));
    expect(after.some(({ rule }) => rule === "thickSingleInHybrid")).toBe(false);
    expect(after.filter(({ severity }) => severity === "stop").length).toBeLessThanOrEqual(
      findingsOf(thick).filter(({ severity }) => severity === "stop").length,
    );
  });
});

describe("the pieces of a zone", () => {
  const zone = {
    ...single,
    lengthMm: 12,
    classes: [
      { upToMm: 7, lengthMm: 8 },
      { upToMm: 9, lengthMm: 10 },
    ],
    hybrid: { share: 0.5, pattern: "alternate" as const, fibre: { ...fan, lengthMm: 9 } },
  };
  test("classes lie one behind the other without a gap, the zone's own fibre past the last, what is mixed in on all", () => {
    const pieces = zonePieces(zone);
    expect(pieces.map(({ ref, fromMm, toMm }) => [ref, fromMm, toMm])).toEqual([
      ["main", 9, Infinity],
      [0, 0, 7],
      [1, 7, 9],
      ["hybrid", 0, Infinity],
    ]);
    expect(pieces.map(({ fibre }) => fibre.lengthMm)).toEqual([12, 8, 10, 9]);
    for (const { fibre } of pieces) expect(fibreMassMg(fibre)).toBeGreaterThan(0);
  });
  test("a change to one leaves the others", () => {
    expect(zonePieces(changePiece(zone, 1, { lengthMm: 11 })).map(({ fibre }) => fibre.lengthMm)).toEqual([12, 8, 11, 9]);
    expect(zonePieces(changePiece(zone, "hybrid", { lengthMm: 7, count: 3 }))[3]!.fibre).toMatchObject({ lengthMm: 7, count: 3 });
    expect(zonePieces(changePiece(zone, "main", { lengthMm: 13 })).map(({ fibre }) => fibre.lengthMm)).toEqual([13, 8, 10, 9]);
    // A class is the zone's own fibre, only shorter: another curl for it is another curl for the zone.
    expect(zonePieces(changePiece(zone, 0, { curl: "D", lengthMm: 7 })).map(({ fibre }) => fibre.curl)).toEqual(["D", "D", "D", "C"]);
    const { hybrid: _, ...plain } = zone;
    expect(changePiece(plain, "hybrid", { lengthMm: 7 })).toEqual(plain);
  });
});

describe("a map that cannot be", () => {
  const map = planned({ share: 0.5, pattern: "alternate" });
  const zones = baseLayer(map, "right").zones;
  const withZone = (zone: unknown) => ({
    ...map,
    eyes: { ...map.eyes, right: { layers: [{ ...map.eyes.right.layers[0], zones: [zone, ...zones.slice(1)] }] } },
  });
  const accents = { offsetMm: 3, sections: 5, placing: { every: 4, cluster: 1, innerEvery: 2 }, fibre: fan };
  test.each<[string, unknown, RegExp]>([
    ["a mixed share of nothing", withZone({ ...zones[0], hybrid: { ...zones[0]!.hybrid, share: 0 } }), /leave it out/],
    ["classes from long to short", withZone({ ...zones[0], classes: [9, 7].map((mm) => ({ upToMm: mm, lengthMm: 8 })) }), /short to long/],
    ["accents 9 mm over", { ...map, accents: { ...accents, offsetMm: 9 } }, /1 to 5 mm/],
    ["a cluster that leaves no lash between", { ...map, accents: { ...accents, placing: { ...accents.placing, cluster: 4 } } }, /between/],
    ["an accent to every lash", { ...map, accents: { ...accents, placing: { ...accents.placing, every: 1 } } }, /every 2nd/],
    ["two zones", { ...map, school: { id: "equal", zones: 2 } }, /Three zones/],
    ["handles of a look crossed", { ...map, bend: [0.6, 0.4].map((at) => ({ at, dropMm: 1 })) }, /inner corner outwards/],
    ["landmarks crossed", { ...map, landmarks: landmarksWith({ pupil: 0.2 }) }, /inner iris edge, pupil/],
    ["a brow peak inside the pupil", { ...map, landmarks: landmarksWith({ browPeak: 0.3 }) }, /brow peak/],
    ["no title", { ...map, title: "  " }, /title/],
    ["an edge missing", { ...map, eyes: { ...map.eyes, left: edgesOf((edges) => edges.slice(1)) } }, /one more zone edge/],
    ["a zone of no width", { ...map, eyes: { ...map.eyes, left: edgesOf(([a, b, , ...rest]) => [a!, b!, b!, ...rest]) } }, /some width/],
  ])("%s is refused in words", (_, document, words) => {
    const parsed = lashMapSchema.safeParse(document);
    expect(parsed.success).toBe(false);
    expect(parsed.error!.issues.map(({ message }) => message).join(" ")).toMatch(words);
  });
  function landmarksWith(change: object) {
    const marks = { ...survey.eyes.right.landmarks, ...change };
    return { right: marks, left: survey.eyes.left.landmarks };
  }
  function edgesOf(change: (edges: readonly number[]) => readonly number[]) {
    const layer = map.eyes.left.layers[0]!;
    return { layers: [{ ...layer, boundaries: change(layer.boundaries) }] };
  }
});
