import { firstSurvey } from "../eye";
import { defaultPolicy } from "../policy";
import { lengthsFrom, trayOf } from "../../../tests/support/surveys";
import { baseLayer, mapFacts, mapFindings, planMap, practiceOnly, setZone, setZoneLength, traysFor, type LashMap } from ".";

// Common practice, no source: 25 mm fibres are fine on a mannequin head, nothing past 18 mm goes on a client.
const trays = [trayOf([...lengthsFrom(6, 18), 20, 22, 24, 25])];
const client = firstSurvey(false, 1);
const head = firstSurvey(true, 1);
const policy = defaultPolicy;
const wish = {
  title: "drill",
  look: "natural" as const,
  school: { id: "equal" as const, zones: 5 },
  fibre: { curl: "C" as const, diameterMm: 0.15, shape: "round" as const, count: 1 },
  longestMm: null,
  coupling: "mirrored" as const,
};
const planned = (survey: typeof head): LashMap => planMap(survey, wish, policy, trays)!.map;
const with25 = (map: LashMap) => setZoneLength(map, "right", 2, 25);

describe("lengths for practice", () => {
  test("a map past 18 mm is for a mannequin head only, by whatever lash of a zone wears it", () => {
    const map = planned(head);
    expect(practiceOnly(map)).toBeNull();
    expect(practiceOnly(setZoneLength(map, "left", 2, 18))).toBeNull();
    expect(practiceOnly(setZoneLength(map, "left", 2, 19))).toMatch(/wears a 19: past 18 mm .* never for a client/);
    const zone = baseLayer(map, "right").zones[1]!;
    expect(practiceOnly(setZone(map, "right", 1, { ...zone, classes: [{ upToMm: 9, lengthMm: 22 }] }))).toMatch(/wears a 22/);
    expect(practiceOnly(setZone(map, "right", 1, { ...zone, support: { lengthMm: 21, every: 4 } }))).toMatch(/wears a 21/);
  });

  test("a client's shelf ends at 18, a mannequin head's at 25; the same shelf gives the same trays", () => {
    expect(traysFor(trays, head)).toBe(trays);
    expect(traysFor(trays, client)[0]!.lengthsMm).toEqual(lengthsFrom(6, 18));
    expect(traysFor(trays, client)).toBe(traysFor(trays, client));
    // A tray of nothing else is none of a client's; one that has run out still is a kind of the studio's.
    expect(traysFor([...trays, trayOf([20, 25], { curl: "J" }), trayOf([], { curl: "L" })], client).map(({ curl }) => curl)).toEqual([
      "C",
      "L",
    ]);
    const worn = [trayOf(lengthsFrom(6, 18))];
    expect(traysFor(worn, client)).toBe(worn);
  });

  test("no plan for a client wears one, though the studio's own limits would let it; a mannequin head's may", () => {
    const longest = (map: LashMap) => Math.max(...baseLayer(map, "right").zones.map((zone) => zone?.lengthMm ?? 0));
    const wild = { ...policy, corners: "graded" as const, overLengthMm: 16, loadAmber: 90, loadRed: 99 };
    const plan = (survey: typeof head) => planMap(survey, { ...wish, school: { id: "equal", zones: 19 }, longestMm: 25 }, wild, trays)!.map;
    expect(longest(plan(client))).toBe(18);
    expect(longest(plan(head))).toBe(25);
  });

  test("a practice tray, or a practice length wished, is planned with on a mannequin head, whatever its lashes carry", () => {
    const only = [trayOf([20, 22, 25])];
    const lengths = (survey: typeof head, shelf: typeof only, longestMm: number | null) =>
      (planMap(survey, { ...wish, longestMm }, policy, shelf)?.map ?? null) &&
      baseLayer(planMap(survey, { ...wish, longestMm }, policy, shelf)!.map, "right").zones.map((zone) => zone?.lengthMm ?? null);
    for (const mm of lengths(head, only, null)!) expect([20, 22]).toContain(mm);
    expect(Math.max(...lengths(head, trays, 22)!.map(Number))).toBeGreaterThan(13);
    // A length that clients wear is planned as for one, so that what is learned holds.
    expect(Math.max(...lengths(head, trays, 18)!.map(Number))).toBeLessThanOrEqual(13);
    expect(Math.max(...lengths(head, trays, null)!.map(Number))).toBeLessThanOrEqual(13);
    expect(lengths(client, only, null) ?? []).not.toContain(20);
    const fan = { ...wish, fibre: { ...wish.fibre, count: 5 }, longestMm: 22 };
    expect(planMap(head, fan, policy, trays)!.breaches).toEqual([]);
  });

  test("on a client it is a stop; on a mannequin head what guards a lash is told, and no more", () => {
    const found = (map: LashMap, survey: typeof head) =>
      mapFindings(mapFacts(map, { survey, policy, trays })).map(({ rule, severity }) => `${severity} ${rule}`);
    const onClient = found(with25(planned(client)), client);
    expect(onClient).toEqual(expect.arrayContaining(["stop practiceLength", "stop overExtended", "stop loadOverLimit", "stop notInStock"]));
    const onHead = found(with25(planned(head)), head);
    expect(onHead).toEqual(expect.arrayContaining(["note overExtended", "note loadOverLimit"]));
    expect(onHead.filter((one) => /practiceLength|notInStock|notMeasured/.test(one))).toEqual([]);
    expect(onHead.filter((one) => one.startsWith("stop"))).toEqual([]);
    // A line that is stepped or lengths that are not there are as wrong on a head as on a client.
    expect(onHead).toContain("look steppedLine");
    expect(found(setZoneLength(planned(head), "right", 2, 23), head)).toContain("stop notInStock");
  });

  test("a note says what it would be on a client", () => {
    const [finding] = mapFindings(mapFacts(with25(planned(head)), { survey: head, policy, trays })).filter(
      ({ rule }) => rule === "overExtended",
    );
    expect(finding!.why).toMatch(/^On a client: /);
  });
});
