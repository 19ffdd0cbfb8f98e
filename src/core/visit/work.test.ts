import { defaultPolicy, cureSettings } from "../policy";
import { eventAt } from "../../../tests/support/visitEvents";
import {
  lastBrushes,
  placedLashesOf,
  readTaps,
  visitClocks,
  visitState,
  visitWaterFromMs,
  type EventPayload,
  type EventType,
  type KeptEvent,
} from ".";

const T0 = Date.parse("2026-03-02T10:00:00.000Z");
const MINUTE = 60_000;
const BOTTLE = "00000000-0000-4000-8000-00000000000b";
const event = <Type extends EventType>(minute: number, type: Type, payload: EventPayload<Type>): KeptEvent =>
  eventAt(T0 + minute * MINUTE, type, payload);
const air = { temperatureC: 22, relativeHumidity: 0.5 };
const bead = (minute: number) => event(minute, "beadPlaced", { lifeS: 900, air, bottleId: BOTTLE });
const started = () => event(0, "started", { bottleId: BOTTLE, air });
const counted = (minute: number, off: number, of: number) => event(minute, "checked", { off, of });

describe("brush through and look at the eyes at each change of the bead", () => {
  test("the first bead owes nothing, the second does: amber at once, red after three minutes, until it is said", () => {
    const before = visitState([started(), bead(1)]);
    expect(visitClocks(before, T0 + 2 * MINUTE).map(({ kind }) => kind)).toEqual(["bead"]);
    const owed = visitState([started(), bead(1), bead(15)]);
    const stateAt = (minute: number) => visitClocks(owed, T0 + minute * MINUTE).find(({ kind }) => kind === "check")?.state;
    expect([stateAt(15.1), stateAt(17.9), stateAt(18.1)]).toEqual(["soon", "soon", "over"]);
    const said = visitState([started(), bead(1), bead(15), event(16, "checked", { off: null, of: null })]);
    expect(visitClocks(said, T0 + 20 * MINUTE).map(({ kind }) => kind)).toEqual(["bead"]);
    // A third bead before the second was looked at: still owed since the second.
    expect(visitState([started(), bead(1), bead(15), bead(29)]).set.checkDueSinceMs).toBe(T0 + 15 * MINUTE);
  });
  test("what is brushed at a change came from the bead before; in between, from the one in use", () => {
    const atChange = visitState([started(), bead(1), bead(15), counted(16, 3, 20)]);
    expect(lastBrushes(atChange)).toMatchObject({ beadNumber: 1, brushes: [{ off: 3, of: 20 }] });
    const between = visitState([started(), bead(1), bead(15), counted(16, 3, 20), counted(20, 1, 10), counted(22, 0, 8)]);
    expect(lastBrushes(between)).toMatchObject({
      beadNumber: 2,
      brushes: [
        { off: 1, of: 10 },
        { off: 0, of: 8 },
      ],
    });
    expect(lastBrushes(visitState([started(), bead(1)]))).toBeNull();
  });
});

describe("was the bottle shaken", () => {
  const shakenMinute = (shakeS: number, beadAfterS: number) => {
    const shake = event(5, "shakeStarted", { durationS: shakeS });
    const { shakenAtMs } = visitState([started(), shake, bead(5 + beadAfterS / 60)]).set;
    return shakenAtMs === null ? null : (shakenAtMs - T0) / 1000 - 300;
  };
  test.each([
    [60, 90, 60],
    [60, 20, 20],
    [60, 15, 15],
    [60, 3, null],
    [10, 12, 10],
    [10, 4, null],
  ])("a shake of %d s with the bead after %d s ended at %p (common practice: 15 s at least)", (shakeS, beadAfterS, ended) =>
    expect(shakenMinute(shakeS, beadAfterS)).toEqual(ended === null ? null : expect.closeTo(ended, 3)),
  );
  test("one hardly begun leaves the last whole one standing", () => {
    const whole = event(5, "shakeStarted", { durationS: 60 });
    const slip = event(20, "shakeStarted", { durationS: 60 });
    expect(visitState([started(), whole, bead(7), slip, bead(20.05)]).set.shakenAtMs).toBe(T0 + 6 * MINUTE);
  });
});

describe("the eyes, once placing is over", () => {
  const wiped = (minute: number) => event(minute, "beadWiped", {});
  const eyes = (events: KeptEvent[], minute: number, mayMinute: number | null = 40) =>
    visitClocks(visitState(events), T0 + minute * MINUTE, mayMinute === null ? null : T0 + mayMinute * MINUTE).find(
      ({ kind }) => kind === "eyes",
    );
  test("their clock hangs from the last lash until they may open, and says so then", () => {
    const drying = [started(), bead(1), wiped(36)];
    expect(eyes(drying, 37)).toMatchObject({ label: "eyes shut", state: "running", leftS: 180, totalS: 240 });
    expect(eyes(drying, 40)).toMatchObject({ label: "eyes may open", state: "done", leftS: 0 });
    expect(eyes(drying, 55)).toMatchObject({ state: "done", leftS: -900 });
  });
  test("never while a bead is out, before the first, after the visit, or where nobody has reckoned it", () => {
    expect(eyes([started(), bead(1)], 37)).toBeUndefined();
    expect(eyes([started()], 37)).toBeUndefined();
    expect(eyes([started(), bead(1), wiped(36), bead(38)], 39)).toBeUndefined();
    expect(eyes([started(), bead(1), wiped(36), event(41, "finished", {})], 42)).toBeUndefined();
    expect(eyes([started(), bead(1), wiped(36)], 37, null)).toBeUndefined();
  });
});

describe("what the cure ledger counts", () => {
  test("zones at their moment, beads at their last lash; a zone done again counts from then", () => {
    const zone = (minute: number, n: number) => event(minute, "zonePlaced", { side: "right", layer: 0, zone: n });
    const state = visitState([started(), bead(1), zone(5, 1), zone(9, 2), bead(15), zone(17, 1)]);
    const at = Object.fromEntries(placedLashesOf(state, T0 + 20 * MINUTE).map(({ key, atMs }) => [key, (atMs - T0) / MINUTE]));
    expect(at).toEqual({ "zone right 0 1": 17, "zone right 0 2": 9, "bead 1": 15, "bead 2": 20 });
  });
  test("a finish ends the last bead's work; more work undoes the finish", () => {
    const finish = event(30, "finishApplied", { method: "mist" });
    const done = visitState([started(), bead(1), finish]);
    expect(placedLashesOf(done, T0 + 40 * MINUTE)).toEqual([{ key: "bead 1", atMs: T0 + 30 * MINUTE, talked: false }]);
    expect(visitState([started(), bead(1), finish, bead(33)]).set.finish).toBeNull();
    expect(visitState([started(), bead(1), finish, event(31, "zonePlaced", { side: "left", layer: 0, zone: 2 })]).set.finish).toBeNull();
  });
  test("zones are counted from their last lash or the one set anew; what was placed or cured while the client talked is marked", () => {
    const lash = (minute: number, zone: number) => event(minute, "lashPlaced", { side: "left", layer: 0, zone, piece: 0, n: 1 });
    const talk = (minute: number, on: boolean) => event(minute, "talkMarked", { on });
    const state = visitState([
      started(),
      bead(1),
      lash(2, 4),
      lash(3, 4),
      event(9, "lashRedone", { side: "left", layer: 0, zone: 4, piece: 0, n: 1, why: "leaned" }),
      talk(10, true),
      talk(12, false),
      lash(11, 5),
      lash(13, 6),
    ]);
    expect(placedLashesOf(state, T0 + 20 * MINUTE)).toEqual([
      { key: "zone left 0 4", atMs: T0 + 9 * MINUTE, talked: true },
      { key: "zone left 0 5", atMs: T0 + 11 * MINUTE, talked: true },
      { key: "zone left 0 6", atMs: T0 + 13 * MINUTE, talked: false },
      { key: "bead 1", atMs: T0 + 20 * MINUTE, talked: false },
    ]);
    // Talking still, everything is.
    expect(placedLashesOf(visitState([started(), bead(1), talk(3, true)]), T0 + 20 * MINUTE)).toMatchObject([{ talked: true }]);
  });
  test("water waits a day by policy from the last lash, or as the adhesive or the finish says", () => {
    const settings = cureSettings(defaultPolicy);
    const end = [event(30, "beadWiped", {}), event(36, "finished", {})];
    const hours = (state: ReturnType<typeof visitState>, policy = settings, adhesive?: number) =>
      (visitWaterFromMs(state, policy, adhesive)! - (T0 + 30 * MINUTE)) / 3_600_000;
    expect(hours(visitState([started(), bead(1), ...end]))).toBe(24);
    expect(hours(visitState([started(), bead(1), ...end]), settings, 12)).toBe(12);
    const quick = cureSettings({ ...defaultPolicy, bonderWaterHours: 2 });
    expect(hours(visitState([started(), bead(1), ...end, event(34, "finishApplied", { method: "bonder" })]), quick, 12)).toBe(2);
    expect(visitWaterFromMs(visitState([started(), event(3, "finished", {})]), settings)).toBeNull();
  });
  test("when the bead was stirred: the end of the shake, or the bead that broke it off", () => {
    const shake = event(0.5, "shakeStarted", { durationS: 60 });
    expect(visitState([started(), shake, bead(1)]).set.shakenAtMs).toBe(T0 + 1 * MINUTE);
    expect(visitState([started(), shake, bead(9)]).set.shakenAtMs).toBe(T0 + 1.5 * MINUTE);
    expect(visitState([started(), bead(1)]).set.shakenAtMs).toBeNull();
  });
  test("a test timed at the chair stands in the visit with its air; taken back it does not", () => {
    const test = event(4, "setTested", { seconds: 1.4, air, bottleId: BOTTLE });
    expect(visitState([started(), test]).set.tests).toMatchObject([{ seconds: 1.4, air, bottleId: BOTTLE, atMs: T0 + 4 * MINUTE }]);
    expect(visitState([started(), test, event(5, "undone", { eventId: test.id })]).set.tests).toEqual([]);
  });
});

test.each<[string, EventType, unknown]>([
  ["more off than placed", "checked", { off: 9, of: 4 }],
  ["a count without its whole", "checked", { off: 2, of: null }],
  ["a zone of no eye", "zonePlaced", { side: "middle", layer: 0, zone: 1 }],
  ["zone nought", "zonePlaced", { side: "right", layer: 0, zone: 0 }],
  ["a finish nobody sells", "finishApplied", { method: "hairdryer" }],
  ["a test of a minute and more", "setTested", { seconds: 90, air, bottleId: BOTTLE }],
  ["a test in no air", "setTested", { seconds: 1, air: null, bottleId: BOTTLE }],
  ["words with a check", "checked", { off: 0, of: 10, note: "sore" }],
])("%s is refused", (_, type, payload) => {
  const { id, visitId, at, clock } = event(1, "beadWiped", {});
  const sent = (more: object) => readTaps({ events: [{ id, visitId, at, clock, ...more }] })!;
  expect(sent({ type: "beadWiped", payload: {} }).refused).toEqual([]);
  expect(sent({ type, payload }).refused).toHaveLength(1);
});
