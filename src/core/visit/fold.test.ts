import fc from "fast-check";
import { eventAt } from "../../../tests/support/visitEvents";
import { AREAS } from "../eye";
import { defaultPolicy } from "../policy";
import { processSteps, shippedProtocols } from "../protocol";
import {
  EMPTY_VISIT,
  haveSameClocks,
  readEvent,
  readKeptEvents,
  readRows,
  readState,
  VisitFold,
  visitClocks,
  visitState,
  writeState,
  type EventType,
  type KeptEvent,
} from ".";
import { EVENT_KINDS } from "./events";

const T0 = Date.parse("2026-11-27T10:00:00.000Z");
const SECOND = 1000;
const BOTTLE = "00000000-0000-4000-8000-00000000000b";
const air = { temperatureC: 22, relativeHumidity: 0.5 };
const protocol = shippedProtocols.liftTint(defaultPolicy);
const plan = {
  protocol,
  protocolId: null,
  revision: 1,
  areas: ["lashRight" as const, "lashLeft" as const],
  seconds: Object.fromEntries(processSteps(protocol).map(({ id, defaultS }) => [id, defaultS])),
  pace: { hair: "medium" as const, processed: false, filmCover: false },
  density: "usual" as const,
  wish: { lift: null, lashDepth: 2, browDepth: null },
  from: { lashDepth: 5, browDepth: 5 },
  shield: null,
  recipes: {},
};
const steps = processSteps(protocol).map(({ id }) => id);

const spot = {
  side: fc.constantFrom("right", "left"),
  layer: fc.nat({ max: 1 }),
  zone: fc.integer({ min: 1, max: 3 }),
  piece: fc.nat({ max: 1 }),
};

/** A payload of each kind, as varied as it may be. A kind that is added wants a line here: the compiler asks for it. */
const PAYLOADS: { readonly [Type in EventType]: fc.Arbitrary<object> } = {
  started: fc.record({ bottleId: fc.constantFrom(null, BOTTLE), air: fc.constantFrom(null, air) }),
  bottleTaken: fc.record({ bottleId: fc.uuid(), fromStart: fc.boolean() }),
  shakeStarted: fc.record({ durationS: fc.integer({ min: 5, max: 120 }) }),
  beadPlaced: fc.record({
    lifeS: fc.integer({ min: 60, max: 1200 }),
    air: fc.constantFrom(null, air),
    bottleId: fc.constantFrom(null, BOTTLE),
  }),
  beadWiped: fc.constant({}),
  leftCounted: fc.record({
    side: spot.side,
    layer: spot.layer,
    zone: spot.zone,
    setVisitId: fc.constantFrom(null, BOTTLE),
    role: fc.constantFrom("base", "accent"),
    from: fc.constantFrom(0, 0.25),
    to: fc.constantFrom(0.5, 1),
    left: fc.constantFrom(null, 7, 12),
    twisted: fc.constantFrom(null, 0),
    outgrown: fc.constantFrom(null, 0),
    by: fc.constantFrom("pads", "picture"),
  }),
  sinceLastTold: fc.oneof(
    fc.record({ of: fc.constant("washesAWeek"), is: fc.constantFrom(null, 0, 5) }),
    fc.record({ of: fc.constant("sleepsOn"), is: fc.constantFrom(null, "left", "either") }),
    fc.record({ of: fc.constantFrom("oil", "steam", "cried"), is: fc.constantFrom(null, true, false) }),
  ),
  takenOff: fc.record({ side: spot.side, layer: spot.layer, zone: spot.zone, n: fc.integer({ min: 1, max: 4 }), hurt: fc.boolean() }),
  zonePlaced: fc.record({ side: fc.constantFrom("right", "left"), layer: fc.nat({ max: 1 }), zone: fc.integer({ min: 1, max: 3 }) }),
  lashPlaced: fc.record({ ...spot, n: fc.integer({ min: 1, max: 9 }) }),
  lashRedone: fc.record({ ...spot, n: fc.constant(1), why: fc.constantFrom("leaned", "sticky") }),
  paused: fc.record({ why: fc.constantFrom("talks", "leftBed", null) }),
  resumed: fc.constant({}),
  talkMarked: fc.record({ on: fc.boolean() }),
  taped: fc.record({ what: fc.constantFrom("lidLifted", "innerDrawn"), side: fc.constantFrom("right", "left"), on: fc.boolean() }),
  replanned: fc.constantFrom(
    { minutes: null, targets: [] },
    { minutes: 30, targets: [{ side: "right", layer: 0, zone: 2, piece: 0, planned: 4 }] },
  ),
  faultFound: fc.record({ ...spot, n: fc.constant(1), why: fc.constantFrom("twisted", "cameOff") }),
  inspected: fc.constantFrom(
    { what: "mirror", side: null, found: 2 },
    { what: "stickies", side: "left", found: 3 },
    { what: "stickies", side: "right", found: 0 },
  ),
  workedWith: fc.constantFrom(
    { of: "primer", is: "balancer", batchId: BOTTLE },
    { of: "dip", is: "oneMm" },
    { of: "mask", is: true },
    { of: "attachedAll", is: "top" },
    { of: "attached", is: "under", side: "right", layer: 0, zone: 2 },
  ),
  stepDone: fc.record({ stepId: fc.constantFrom("pads", "hands") }),
  soakStarted: fc.record({ contactS: fc.constantFrom(600, 900), batchId: fc.constantFrom(null, BOTTLE) }),
  soakEnded: fc.constant({}),
  checked: fc.constantFrom({ off: null, of: null }, { off: 0, of: 12 }, { off: 3, of: 20 }),
  finishApplied: fc.record({ method: fc.constantFrom("fan", "mist") }),
  setTested: fc.record({ seconds: fc.double({ min: 0.2, max: 9, noNaN: true }), air: fc.constant(air), bottleId: fc.constant(BOTTLE) }),
  runPlanned: fc.record({ plan: fc.constant(plan), air: fc.constantFrom(null, air) }),
  taskDone: fc.record({ stepId: fc.constantFrom("cleanse", "shield") }),
  batchTaken: fc.record({ stepId: fc.constantFrom(...steps), productId: fc.uuid(), batchId: fc.uuid() }),
  pasteMixed: fc.record({
    stepId: fc.constantFrom(...steps),
    lines: fc.constant([{ productId: BOTTLE, batchId: BOTTLE, amount: 2, unit: "cm", grams: 0.4 }]),
    peroxide: fc.constant({ low: 0.01, mid: 0.015, high: 0.02, known: false }),
    lifeS: fc.constant(300),
    leftoverG: fc.constant(0),
    cost: fc.constantFrom(null, 1.5),
  }),
  coated: fc.record({ stepId: fc.constantFrom(...steps), area: fc.constantFrom(...AREAS.slice(0, 2)) }),
  wiped: fc.record({ stepId: fc.constantFrom(...steps), area: fc.constantFrom(...AREAS.slice(0, 2)) }),
  extended: fc.record({ stepId: fc.constantFrom(...steps), area: fc.constantFrom(...AREAS.slice(0, 2)), byS: fc.constant(30) }),
  looked: fc.record({
    stepId: fc.constantFrom(...steps),
    area: fc.constantFrom(...AREAS.slice(0, 2)),
    depth: fc.integer({ min: 1, max: 9 }),
  }),
  runStopped: fc.record({ kind: fc.constantFrom("splash", "gluedLids"), rinseS: fc.constant(900) }),
  rinseEnded: fc.record({ why: fc.constantFrom(null, "lidsOpen") }),
  stopTakenBack: fc.record({ why: fc.constant("nothingHappened") }),
  resultJudged: fc.constant({ turn: { seenDeg: 95, by: "card" }, lashDepth: 3, browDepth: null, even: null, comfort: null }),
  finished: fc.constant({}),
  corrected: fc.oneof(
    fc.record({ what: fc.constant("bottle"), bottleId: fc.uuid(), instead: fc.constantFrom(null, BOTTLE), why: fc.constant("forgotten") }),
    fc.record({
      what: fc.constantFrom("begun", "finished"),
      at: fc.constantFrom("2026-11-02T08:00:00.000Z", "2026-11-02T12:00:00.000Z"),
      instead: fc.constant(null),
      why: fc.constant("forgotten"),
    }),
    fc.record({ what: fc.constant("map"), map: fc.constant(null), instead: fc.constant(null), why: fc.constant("another") }),
    fc.record({ what: fc.constant("client"), clientId: fc.uuid(), instead: fc.uuid(), why: fc.constant("another") }),
  ),
  undone: fc.constant({}),
};

/** A visit as anybody may tap it: any kinds, some at the same moment, some taken back. */
const visit: fc.Arbitrary<KeptEvent[]> = fc
  .array(
    fc
      .constantFrom(...(Object.keys(PAYLOADS) as EventType[]))
      .chain((type) =>
        fc.record({ type: fc.constant(type), payload: PAYLOADS[type], afterS: fc.nat({ max: 40 }), which: fc.nat({ max: 60 }) }),
      ),
    { maxLength: 60 },
  )
  .map((taps) => {
    const events: KeptEvent[] = [];
    let at = T0;
    for (const { type, payload, afterS, which } of taps) {
      at += (afterS > 30 ? 0 : afterS) * SECOND;
      const about = events[which % Math.max(1, events.length)];
      if (type === "undone" && !about) continue;
      events.push(eventAt(at, type as "beadWiped", (type === "undone" ? { eventId: about!.id } : payload) as Record<string, never>));
    }
    return events;
  });
const RUNS = { seed: 13, numRuns: 300 };

test("every kind that is made here is one that is read here", () => {
  fc.assert(
    fc.property(visit, (events) => events.every((event) => readEvent(event) !== null)),
    RUNS,
  );
});

describe.each(["head", "set", "run"] as const)("the part %s", (part) => {
  test("is the same in whatever order events come in, however often, at once or one by one", () => {
    fc.assert(
      fc.property(
        visit.chain((events) =>
          fc.tuple(fc.constant(events), fc.shuffledSubarray([...events, ...events], { minLength: 2 * events.length })),
        ),
        ([events, shuffled]) => {
          const whole = visitState(events)[part];
          expect(visitState(shuffled)[part]).toEqual(whole);
          expect(shuffled.reduce((fold, event) => fold.add([event]), VisitFold.empty).state[part]).toEqual(whole);
        },
      ),
      RUNS,
    );
  });
});

test("what was folded before stays as it was when more is added, and adding what is known makes nothing new", () => {
  fc.assert(
    fc.property(visit, visit, (events, more) => {
      const before = VisitFold.empty.add(events);
      const seen = structuredClone(before.state);
      before.add(more);
      expect(before.state).toEqual(seen);
      expect(before.add(events)).toBe(before);
    }),
    RUNS,
  );
});

test("the server's word for when a tap came in changes nothing but its number, unless the device was ahead of time", () => {
  const tapped = eventAt(T0 + 60 * SECOND, "beadPlaced", { lifeS: 900, air: null, bottleId: null }, { serverTime: null });
  const waiting = VisitFold.empty.add([eventAt(T0, "started", { bottleId: null, air: null }, { seq: 1 }), tapped]);
  expect(waiting.seqWithoutGap).toBe(1);
  const acknowledged = waiting.add([{ ...tapped, serverTime: new Date(T0 + 61 * SECOND).toISOString(), seq: 2 }]);
  expect(acknowledged.state).toEqual(waiting.state);
  expect(acknowledged.seqWithoutGap).toBe(2);
  const ahead = waiting.add([{ ...tapped, serverTime: new Date(T0 + 10 * SECOND).toISOString(), seq: 2 }]);
  expect(ahead.state.set.beads[0]!.placedAtMs).toBe(T0 + 10 * SECOND);
  // Sent once more by a page that does not know it was kept: nothing is forgotten.
  expect(acknowledged.add([tapped])).toBe(acknowledged);
});

test("an undo that came before what it takes back, and a coat that comes after its plan was taken back, count as in any order", () => {
  const bead = eventAt(T0 + 20 * SECOND, "beadPlaced", { lifeS: 900, air: null, bottleId: null });
  // The other tablet's clock is behind: its undo is dated before the bead.
  const early = VisitFold.empty.add([eventAt(T0, "undone", { eventId: bead.id })]).add([bead]);
  expect(early.state.set.beads).toEqual([]);
  const planned = eventAt(T0, "runPlanned", { plan, air: null });
  const taken = VisitFold.empty.add([planned, eventAt(T0 + SECOND, "undone", { eventId: planned.id })]);
  expect(taken.state.run.plan).toBeNull();
  const coated = taken.add([eventAt(T0 + 2 * SECOND, "coated", { stepId: steps[0]!, area: "lashRight" })]);
  expect(coated.state.run.plan).not.toBeNull();
});

test("events without numbers in between are asked for again from before the gap", () => {
  const numbered = (seq: number) => eventAt(T0 + seq * SECOND, "beadWiped", {}, { seq });
  expect(VisitFold.empty.add([1, 2, 3, 5, 6].map(numbered)).seqWithoutGap).toBe(3);
  expect(VisitFold.empty.add([2, 3].map(numbered)).seqWithoutGap).toBe(0);
  expect(VisitFold.empty.seqWithoutGap).toBe(0);
});

describe("what this page does not know", () => {
  const known = [
    eventAt(T0, "started", { bottleId: BOTTLE, air: null }),
    eventAt(T0 + 60 * SECOND, "beadPlaced", { lifeS: 900, air: null, bottleId: BOTTLE }),
  ];
  const odd = (over: Partial<KeptEvent>) => eventAt(T0 + 90 * SECOND, "beadWiped", {}, over);
  test.each([
    ["a kind nobody here knows", odd({ type: "lashBraided", payload: { zone: 4 } })],
    ["a newer version of a kind", odd({ version: EVENT_KINDS.beadWiped.version + 1, payload: {} })],
    ["a kind named like something every object has", odd({ type: "toString" })],
  ])("%s is kept and passed over, and the visit says so", (_, event) => {
    const fold = VisitFold.empty.add([...known, event]);
    expect(fold.state).toEqual(visitState(known));
    expect(fold.passedOver).toBe(1);
    expect(fold.events).toHaveLength(3);
    const undone = fold.add([eventAt(T0 + 95 * SECOND, "undone", { eventId: event.id })]);
    expect(undone.passedOver).toBe(0);
  });
  test("a row whose payload its kind does not have is marked where it leaves the database, and passed over", () => {
    const bent = odd({ payload: { why: "full" } });
    const [first, , third] = readRows([...known, bent]);
    expect(first).toEqual(known[0]);
    expect(third).toEqual({ ...bent, version: 999 });
    expect(VisitFold.empty.add([...known, third!])).toMatchObject({ passedOver: 1, state: visitState(known) });
    // An older payload comes up to date; a newer one as it is kept.
    expect(readRows([eventAt(T0, "rinseEnded", { why: null }, { version: 1, payload: {} })])[0]).toMatchObject({
      version: 2,
      payload: { why: null },
    });
    const newer = odd({ type: "lashBraided", version: 3, payload: { zone: 4 } });
    expect(readRows([newer])).toEqual([newer]);
  });
  test("an older version is brought up to date where it is read, and stays on record as it was written", () => {
    const older = eventAt(T0, "rinseEnded", { why: null }, { version: 1, payload: {} });
    expect(readEvent(older)).toMatchObject({ version: 2, payload: { why: null } });
    expect(VisitFold.empty.add([older]).events[0]!.payload).toEqual({});
  });
  test("what is no event at all is left out, from whatever memory it comes", () => {
    expect(readKeptEvents([...known, null, 7, { id: "1" }, { ...known[0], at: "noon" }])).toEqual(known);
    expect(readKeptEvents("nothing")).toEqual([]);
  });
});

test("taps that a server will never have are as if they had not been", () => {
  const events = [
    eventAt(T0, "started", { bottleId: null, air: null }),
    eventAt(T0 + SECOND, "beadPlaced", { lifeS: 900, air: null, bottleId: null }),
  ];
  const fold = VisitFold.empty.add(events);
  expect(fold.without(new Set([events[1]!.id])).state).toEqual(visitState(events.slice(0, 1)));
  expect(fold.without(new Set(["another"]))).toBe(fold);
});

describe("the state as it is kept", () => {
  test("comes back as it was, through JSON", () => {
    fc.assert(
      fc.property(visit, (events) => {
        const state = visitState(events);
        expect(readState(JSON.parse(JSON.stringify(writeState(state))))).toEqual(state);
      }),
      RUNS,
    );
  });
  test("of another version, or bent, it is not believed", () => {
    const kept = writeState(EMPTY_VISIT);
    expect(readState(kept)).toEqual(EMPTY_VISIT);
    expect(readState({ ...kept, version: 0 })).toBeNull();
    expect(readState({ ...kept, set: { ...kept.set, beads: "many" } })).toBeNull();
    expect(readState(null)).toBeNull();
  });
});

test("states that are said to have the same clocks have them at every moment", () => {
  let same = 0;
  fc.assert(
    fc.property(visit, visit, fc.nat({ max: 4000 }), (events, more, s) => {
      const [a, b] = [visitState(events), VisitFold.empty.add(events).add(more.slice(0, 1)).state];
      if (!haveSameClocks(a, b)) return;
      same += 1;
      expect(visitClocks(b, T0 + s * SECOND, T0 + 999 * SECOND)).toEqual(visitClocks(a, T0 + s * SECOND, T0 + 999 * SECOND));
    }),
    RUNS,
  );
  expect(same).toBeGreaterThan(10);
  const begun = VisitFold.empty.add([
    eventAt(T0, "started", { bottleId: null, air: null }),
    eventAt(T0 + SECOND, "beadPlaced", { lifeS: 900, air: null, bottleId: null }),
  ]);
  const owed = begun.add([eventAt(T0 + 5 * SECOND, "beadPlaced", { lifeS: 900, air: null, bottleId: null })]);
  const seen = owed.add([eventAt(T0 + 6 * SECOND, "checked", { off: null, of: null })]);
  expect(haveSameClocks(owed.state, seen.state)).toBe(false);
  const tapped = (type: "zonePlaced" | "shakeStarted" | "beadWiped") =>
    begun.add([
      type === "zonePlaced"
        ? eventAt(T0 + 9 * SECOND, type, { side: "left", layer: 0, zone: 1 })
        : type === "beadWiped"
          ? eventAt(T0 + 9 * SECOND, type, {})
          : eventAt(T0 + 9 * SECOND, type, { durationS: 60 }),
    ]).state;
  expect([tapped("zonePlaced"), tapped("shakeStarted"), tapped("beadWiped")].map((state) => haveSameClocks(begun.state, state))).toEqual([
    true,
    false,
    false,
  ]);
});

test("with 600 taps behind it one more is folded alone, and one taken back goes on from a state not far before it", () => {
  const taps = Array.from({ length: 600 }, (_, i) =>
    eventAt(T0 + i * SECOND, "zonePlaced", { side: i % 2 ? "right" : "left", layer: 0, zone: 1 + (i % 40) }),
  );
  const folded: string[] = [];
  const fold = EVENT_KINDS.zonePlaced.fold as { set: NonNullable<(typeof EVENT_KINDS.zonePlaced.fold)["set"]> };
  const before = fold.set;
  fold.set = (set, event) => {
    folded.push(event.id);
    return before(set, event);
  };
  try {
    const long = VisitFold.empty.add(taps);
    expect(folded).toHaveLength(600);
    folded.length = 0;
    const one = eventAt(T0 + 700 * SECOND, "zonePlaced", { side: "left", layer: 1, zone: 1 });
    const more = long.add([one]);
    expect(folded).toEqual([one.id]);
    folded.length = 0;
    expect(more.add([eventAt(T0 + 701 * SECOND, "undone", { eventId: one.id })]).state.set).toEqual(long.state.set);
    expect(folded.length).toBeLessThan(16);
  } finally {
    fold.set = before;
  }
});
