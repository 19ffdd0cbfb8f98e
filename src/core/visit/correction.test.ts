import { eventAt } from "../../../tests/support/visitEvents";
import { bottlesNoted, correctionObjection, outcomeOf, readTaps, visitState, type Correction, type KeptEvent } from ".";

const [OWN, OTHER, THIRD] = ["1", "2", "3"].map((n) => `00000000-0000-4000-8000-00000000000${n}`) as [string, string, string];
const NINE = Date.UTC(2026, 10, 2, 9);
const min = (minutes: number) => NINE + minutes * 60_000;
const iso = (minutes: number) => new Date(min(minutes)).toISOString();
/** Begun at nine, beads at ten past and half past, finished at two in the afternoon: the end was forgotten. */
const visit = (first: string | null = null, second: string | null = null) => [
  eventAt(min(0), "started", { bottleId: first, air: null }),
  eventAt(min(10), "beadPlaced", { bottleId: first, lifeS: 900, air: null }),
  eventAt(min(30), "beadPlaced", { bottleId: second, lifeS: 900, air: null }),
  eventAt(min(300), "finished", {}),
];
const after = (events: readonly KeptEvent[], ...corrections: Correction[]) =>
  visitState([...events, ...corrections.map((correction, i) => eventAt(min(600 + i), "corrected", correction))]);
const why = "noted too late";

describe("a forgotten bottle", () => {
  const correction: Correction = { what: "bottle", bottleId: OWN, instead: null, why };
  test("is every bead's that had none, and counts where beads are counted", () => {
    const state = after(visit(), correction);
    expect(state.set.beads.map(({ bottleId }) => bottleId)).toEqual([OWN, OWN]);
    expect(outcomeOf("newSet", state).lots).toEqual(new Map([[OWN, 2]]));
  });
  test("leaves beads of another alone; a wrong one is put right the same way", () => {
    expect(after(visit(null, OTHER), correction).set.beads.map(({ bottleId }) => bottleId)).toEqual([OWN, OTHER]);
    const wrong = after(visit(OTHER, OTHER), { ...correction, bottleId: THIRD, instead: OTHER });
    expect([wrong.set.bottleId, ...wrong.set.beads.map(({ bottleId }) => bottleId)]).toEqual([THIRD, THIRD, THIRD]);
  });
  test("a correction is corrected by another, and cannot be undone", () => {
    const events = [...visit(), eventAt(min(600), "corrected", correction)];
    const undone = [...events, eventAt(min(700), "undone", { eventId: events.at(-1)!.id })];
    expect(visitState(undone).set.bottleId).toBe(OWN);
    expect(after(visit(), correction, { ...correction, bottleId: THIRD, instead: OWN }).set.bottleId).toBe(THIRD);
  });
  test("what is noted, bottle by bottle", () => {
    expect(bottlesNoted(visitState(visit(OTHER, null)))).toEqual([
      { bottleId: OTHER, beads: 1 },
      { bottleId: null, beads: 1 },
    ]);
  });
});

describe("a time entered later", () => {
  test("is when the visit began or ended, for all that is counted from it; no bead was in use after the end", () => {
    const state = after(
      visit(),
      { what: "finished", at: iso(80), instead: iso(300), why },
      { what: "begun", at: iso(-20), instead: iso(0), why },
    );
    expect([state.head.startedAtMs, state.head.finishedAtMs]).toEqual([min(-20), min(80)]);
    expect(state.set.beads.map(({ endedAtMs }) => endedAtMs)).toEqual([min(30), min(80)]);
    expect(outcomeOf("newSet", state)).toMatchObject({ begunAtMs: min(-20), finishedAtMs: min(80), putOnAtMs: min(80) });
  });
  const state = visitState(visit());
  const objection = (what: "begun" | "finished", minutes: number) =>
    correctionObjection(state, { what, at: iso(minutes), instead: null, why }, min(1000));
  test.each([
    ["begun", 10, null],
    ["begun", 11, "Something was put on before that."],
    ["begun", 300, "A visit ends after it begins."],
    ["begun", 300 - 14 * 60, null],
    ["begun", 299 - 14 * 60, "That would be over 14 hours: look at the day."],
    ["finished", 30, null],
    ["finished", 29, "Something was put on, or taken off, after that."],
    ["finished", 0, "A visit ends after it begins."],
    ["finished", 840, null],
    ["finished", 1001, "That time has not come yet."],
  ] as const)("%s at minute %i: %s", (what, minutes, words) => expect(objection(what, minutes)).toBe(words));
  test("a coat counts as something put on, and taken off", () => {
    const tint = visitState([
      eventAt(min(0), "started", { bottleId: null, air: null }),
      eventAt(min(20), "coated", { stepId: "tint", area: "lashRight" }),
      eventAt(min(40), "wiped", { stepId: "tint", area: "lashRight" }),
      eventAt(min(60), "finished", {}),
    ]);
    const at = (what: "begun" | "finished", minutes: number) =>
      correctionObjection(tint, { what, at: iso(minutes), instead: null, why }, min(900));
    expect([at("begun", 21), at("begun", 20), at("finished", 39), at("finished", 40)]).toEqual([
      "Something was put on before that.",
      null,
      "Something was put on, or taken off, after that.",
      null,
    ]);
  });
});

describe("what cannot be corrected", () => {
  const running = visitState(visit().slice(0, 3));
  test("a visit that runs", () =>
    expect(correctionObjection(running, { what: "bottle", bottleId: OWN, instead: null, why }, min(40))).toContain("finished"));
  test("what it says already, and beads that are not noted so", () => {
    const state = visitState(visit(OTHER, OTHER));
    const map = { mapId: OWN, revision: 2 };
    expect(correctionObjection(state, { what: "bottle", bottleId: OTHER, instead: OTHER, why }, min(400))).toContain("already");
    expect(correctionObjection(state, { what: "bottle", bottleId: OWN, instead: null, why }, min(400))).toContain("No bead");
    expect(correctionObjection(state, { what: "bottle", bottleId: OWN, instead: OTHER, why }, min(400))).toBeNull();
    expect(correctionObjection(state, { what: "client", clientId: OWN, instead: OWN, why }, min(400))).toContain("already");
    expect(correctionObjection(state, { what: "client", clientId: OWN, instead: OTHER, why }, min(400))).toBeNull();
    expect(correctionObjection(state, { what: "map", map, instead: map, why }, min(400))).toContain("already");
    expect(correctionObjection(state, { what: "map", map: null, instead: null, why }, min(400))).toContain("already");
    for (const instead of [null, { ...map, revision: 1 }, { ...map, mapId: OTHER }])
      expect(correctionObjection(state, { what: "map", map, instead, why }, min(400))).toBeNull();
  });
  test("by a tap from a tablet, which the server's own door would not have asked", () => {
    const payload = { what: "bottle", bottleId: OWN, instead: null, why };
    const read = readTaps({ events: [{ id: OWN, visitId: OTHER, at: iso(0), clock: "checked", type: "corrected", version: 1, payload }] });
    expect([read!.taps.length, read!.refused.length]).toEqual([0, 1]);
  });
});
