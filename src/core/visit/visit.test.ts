import fc from "fast-check";
import { byUrgency, type Clock } from "../clock";
import { EVENT_KINDS, readTaps, trueTime, visitClocks, visitState, type EventType, type KeptEvent } from ".";

const VISIT = "00000000-0000-4000-8000-000000000001";
const T0 = Date.parse("2026-03-02T10:00:00.000Z");
const idOf = (n: number) => `00000000-0000-4000-9000-${String(n).padStart(12, "0")}`;
let made = 0;
const event = (afterS: number, type: EventType, payload: object, serverAfterS: number | null = afterS): KeptEvent => ({
  id: idOf((made += 1)),
  visitId: VISIT,
  at: new Date(T0 + afterS * 1000).toISOString(),
  clock: "checked",
  type,
  version: EVENT_KINDS[type].version,
  payload: payload as KeptEvent["payload"],
  serverTime: serverAfterS === null ? null : new Date(T0 + serverAfterS * 1000).toISOString(),
  seq: null,
});
const started = () => event(0, "started", { bottleId: null, air: null });
const bead = (afterS: number, lifeS = 900) => event(afterS, "beadPlaced", { lifeS, air: null, bottleId: null });

describe("a visit is its events", () => {
  test("shake, bead, new bead, finish", () => {
    const events = [started(), event(60, "shakeStarted", { durationS: 60 }), bead(130), bead(1000, 800), event(1500, "finished", {})];
    const state = visitState(events);
    expect(state.set.beads.map(({ number, endedAtMs }) => [number, (endedAtMs! - T0) / 1000])).toEqual([
      [1, 1000],
      [2, 1500],
    ]);
    expect(state.head.finishedAtMs).toBe(T0 + 1500_000);
    expect(visitClocks(state, T0 + 1600_000)).toEqual([]);
  });

  test("order of arrival and repetition change nothing", () => {
    const events = [started(), event(60, "shakeStarted", { durationS: 60 }), bead(130), bead(1000), bead(1700)];
    const expected = visitState(events);
    fc.assert(
      fc.property(fc.shuffledSubarray([...events, ...events], { minLength: events.length * 2 }), (shuffled) => {
        expect(visitState(shuffled)).toEqual(expected);
      }),
      { seed: 5 },
    );
  });

  test("an undo is an event: the bead before is in use again", () => {
    const second = bead(1000);
    const state = visitState([started(), bead(130), second, event(1010, "undone", { eventId: second.id })]);
    expect(state.set.beads).toHaveLength(1);
    expect(state.set.beads[0]!.endedAtMs).toBeNull();
  });

  test("a device ahead of time cannot date an event after the server received it", () => {
    const state = visitState([started(), event(9999, "beadPlaced", { lifeS: 900, air: null, bottleId: null }, 100)]);
    expect(state.set.beads[0]!.placedAtMs).toBe(T0 + 100_000);
  });

  test("taps are read one by one: what can never be kept is refused in words, and the rest goes on", () => {
    const good = started();
    const asSent = {
      id: good.id,
      visitId: good.visitId,
      at: good.at,
      clock: good.clock,
      type: good.type,
      version: good.version,
      payload: good.payload,
    };
    const bad = [
      [{ ...asSent, payload: { ...(asSent.payload as object), note: "words" } }, /./],
      [{ ...asSent, type: "<script>" }, /no kind of tap/],
      [{ ...asSent, at: "yesterday" }, /./],
      [{ ...asSent, at: "0000-01-01T00:00:00.000Z" }, /between 2000 and 2100/],
      [{ ...asSent, at: "9999-01-01T00:00:00.000Z" }, /between 2000 and 2100/],
      [{ ...asSent, id: "1" }, /UUID/],
      [{ ...asSent, type: "taskDone", payload: { stepId: "a\u0000b" } }, /cannot be kept/],
      [{ ...asSent, type: "taskDone", payload: { stepId: "a\ud800b" } }, /cannot be kept/],
      [{ ...asSent, type: "runPlanned", payload: {} }, /./],
      [null, /./],
      [7, /./],
    ] as const;
    const read = readTaps({ events: [...bad.map(([one]) => one), asSent] })!;
    expect(read.taps).toEqual([asSent]);
    expect(read.refused).toHaveLength(bad.length);
    bad.forEach(([, why], i) => expect(read.refused[i]!.why).toMatch(why));
    expect(read.refused[0]!.id).toBe(asSent.id);
    expect(read.refused[5]!.id).toBeNull();
  });
  test("what is no batch, or too many, is none", () => {
    const one = started();
    for (const body of [{ events: [] }, { events: Array.from({ length: 201 }, () => one) }, "text", null, {}, { events: [one], more: 1 }])
      expect(readTaps(body)).toBeNull();
    expect(readTaps({ events: Array.from({ length: 200 }, () => one) })).not.toBeNull();
  });
});

describe("clocks", () => {
  const state = visitState([started(), bead(100, 900)]);
  test.each([
    [100, "running", 900],
    [879, "running", 121],
    [881, "soon", 119],
    [1000, "over", 0],
    [1010, "over", -10],
  ])("a bead of 15 minutes put out at 100 s, seen at %d s, is %s", (atS, expected, leftS) => {
    const [clock] = visitClocks(state, T0 + atS * 1000);
    expect([clock!.state, clock!.leftS]).toEqual([expected, leftS]);
  });
  test("a shake that is over waits for the bead", () => {
    const shaking = visitState([started(), event(10, "shakeStarted", { durationS: 60 })]);
    expect(visitClocks(shaking, T0 + 30_000)[0]).toMatchObject({ kind: "shake", state: "running", leftS: 40 });
    expect(visitClocks(shaking, T0 + 80_000)[0]).toMatchObject({ kind: "shake", state: "done" });
  });
});

describe("what time it is", () => {
  const anchor = { serverMs: T0, monotonicMs: 5000, deviceMs: T0 + 60_000, load: "a" };
  test("within a page load only the monotonic clock counts, whatever is done to the device's", () => {
    expect(trueTime(anchor, { deviceMs: T0 - 3_600_000, monotonicMs: 65_000, load: "a" })).toEqual({ ms: T0 + 60_000, clock: "checked" });
  });
  test("a device that slept, its monotonic clock standing, shows as unchecked until the server is asked again", () => {
    const slept = { serverMs: 10_000_000, monotonicMs: 500, deviceMs: 9_000_000, load: "a" };
    expect(trueTime(slept, { load: "a", monotonicMs: 1500, deviceMs: 9_601_000 })).toEqual({ ms: 10_001_000, clock: "device" });
  });
  test("after a reload without the server, the device's clock less its known error, and it says so", () => {
    expect(trueTime(anchor, { deviceMs: T0 + 120_000, monotonicMs: 10, load: "b" })).toEqual({ ms: T0 + 60_000, clock: "device" });
  });
  test("with nothing ever seen, the device's clock, and it says so", () => {
    expect(trueTime(null, { deviceMs: T0, monotonicMs: 10, load: "b" })).toEqual({ ms: T0, clock: "device" });
  });
});

test("clocks hang with the loudest first, and of those the one with least left", () => {
  const clock = (id: string, state: Clock["state"], leftS: number): Clock => ({ id, kind: "coat", label: id, totalS: 600, leftS, state });
  const clocks = [
    clock("long", "running", 300),
    clock("done", "done", 0),
    clock("next", "running", 28),
    clock("late", "over", -5),
    clock("soon", "soon", 90),
    clock("later", "over", -40),
    clock("past", "past", -2),
    { ...clock("rinse", "running", 800), kind: "rinse" as const },
  ];
  expect([...clocks].sort(byUrgency).map(({ id }) => id)).toEqual(["rinse", "past", "later", "late", "soon", "next", "long", "done"]);
});
