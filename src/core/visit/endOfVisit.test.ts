import { eventAt } from "../../../tests/support/visitEvents";
import { shakeSecondsFor } from "../adhesive";
import { nextFillDays } from "../growth";
import { defaultPolicy } from "../policy";
import { againDays } from "../protocol";
import { nextService } from "../service";
import {
  hasClocks,
  interruptionsOf,
  isLaterBead,
  isSoaking,
  outcomeOf,
  photoMoment,
  readState,
  readTaps,
  writeState,
  visitClocks,
  visitState,
  type EventPayload,
  type EventType,
  type KeptEvent,
} from ".";

const T0 = Date.parse("2026-03-02T10:00:00.000Z");
const MINUTE = 60_000;
const A = "00000000-0000-4000-8000-00000000000a";
const B = "00000000-0000-4000-8000-00000000000b";
const event = <Type extends EventType>(minute: number, type: Type, payload: EventPayload<Type>): KeptEvent =>
  eventAt(T0 + minute * MINUTE, type, payload);
const started = event(0, "started", { bottleId: null, air: null });
const bead = (minute: number, bottleId: string | null = null) => event(minute, "beadPlaced", { lifeS: 900, air: null, bottleId });
const end = [started, bead(1), event(90, "beadWiped", {}), event(100, "finished", {})];

describe("the disinfectant's clock", () => {
  const soak = event(105, "soakStarted", { contactS: 600, batchId: B });
  const clocks = (events: KeptEvent[], minute: number) => visitClocks(visitState(events), T0 + minute * MINUTE);
  test("runs after the visit is over, says when its time is up, and hangs until they are out", () => {
    expect(clocks(end, 101)).toEqual([]);
    expect(clocks([...end, soak], 110)).toMatchObject([{ kind: "soak", label: "disinfectant", totalS: 600, leftS: 300, state: "running" }]);
    expect(clocks([...end, soak], 116)).toMatchObject([{ label: "take out of the disinfectant", state: "done", leftS: -60 }]);
    const out = event(117, "soakEnded", {});
    expect(clocks([...end, soak, out], 118)).toEqual([]);
    expect([end, [...end, soak], [...end, soak, out]].map((events) => hasClocks(visitState(events)))).toEqual([false, true, false]);
    expect(isSoaking(visitState([...end, soak, out, event(120, "soakStarted", { contactS: 600, batchId: null })]))).toBe(true);
  });
  test("taken out twice, or never in, changes nothing; taken back they were never in", () => {
    const out = event(117, "soakEnded", {});
    expect(visitState([...end, soak, out, event(130, "soakEnded", {})]).steps.soak!.endedAtMs).toBe(T0 + 117 * MINUTE);
    expect(visitState([...end, event(130, "soakEnded", {})]).steps.soak).toBeNull();
    expect(visitState([...end, soak, event(106, "undone", { eventId: soak.id })]).steps.soak).toBeNull();
  });
  test("while a visit is under way it hangs beside the bead", () =>
    expect(clocks([started, bead(1), event(2, "soakStarted", { contactS: 600, batchId: null })], 3).map(({ kind }) => kind)).toEqual([
      "soak",
      "bead",
    ]));
});

describe("what a set hangs on", () => {
  test("the last word counts, of each thing by itself; everywhere takes the zones along", () => {
    const said = (...all: EventPayload<"workedWith">[]) =>
      visitState([started, ...all.map((one, i) => event(i + 1, "workedWith", one))]).set.with;
    expect(said()).toEqual({ primer: null, dip: null, mask: null, fan: null, attachedAll: null, attached: [] });
    expect(
      said(
        { of: "primer", is: "primer", batchId: B },
        { of: "primer", is: "none", batchId: null },
        { of: "mask", is: true },
        { of: "mask", is: false },
      ),
    ).toMatchObject({ primer: { is: "none", batchId: null }, mask: false, fan: null });
    const zone = { side: "left", layer: 0, zone: 3 } as const;
    const under = said({ of: "attachedAll", is: "top" }, { of: "attached", is: "side", ...zone }, { of: "attached", is: "under", ...zone });
    expect([under.attachedAll, under.attached]).toEqual(["top", [{ ...zone, is: "under" }]]);
    expect(said({ of: "attached", is: "under", ...zone }, { of: "attachedAll", is: "side" })).toMatchObject({
      attachedAll: "side",
      attached: [],
    });
  });
  test("a bottle forgotten and written down is that of the beads before; one taken from now on is not", () => {
    const taken = (fromStart: boolean) =>
      visitState([started, bead(1), bead(15), event(20, "bottleTaken", { bottleId: A, fromStart }), bead(30, A)]).set;
    expect(taken(true).beads.map(({ bottleId }) => bottleId)).toEqual([A, A, A]);
    expect(taken(false).beads.map(({ bottleId }) => bottleId)).toEqual([null, null, A]);
    // What an older tablet sent says nothing of the start.
    const older = { ...event(20, "bottleTaken", { bottleId: A, fromStart: false }), version: 1, payload: { bottleId: A } };
    expect(visitState([started, bead(1), older]).set).toMatchObject({ bottleId: A, beads: [{ bottleId: null }] });
  });
  test("lots of primer and disinfectant are of the visit, as the bottle is", () => {
    const lots = outcomeOf(
      "newSet",
      visitState([
        event(0, "started", { bottleId: A, air: null }),
        event(1, "workedWith", { of: "primer", is: "balancer", batchId: B }),
        bead(2, A),
      ]),
    ).lots;
    expect([...lots]).toEqual([
      [A, 1],
      [B, 0],
    ]);
    expect(outcomeOf("newSet", visitState([...end, event(105, "soakStarted", { contactS: 600, batchId: B })])).lots.get(B)).toBe(0);
  });
});

test("a look answered again stands once; what each eye is asked is not asked of both, nor the other way round", () => {
  const look = (minute: number, found: number) => event(minute, "inspected", { what: "stickies", side: "left", found });
  expect(visitState([started, look(1, 3), look(2, 0)]).set.inspections).toMatchObject([
    { what: "stickies", side: "left", found: 0, atMs: T0 + 2 * MINUTE },
  ]);
  const tap = (payload: object) =>
    readTaps({
      events: [
        { id: crypto.randomUUID(), visitId: A, at: new Date(T0).toISOString(), clock: "checked", type: "inspected", version: 1, payload },
      ],
    })?.taps.length;
  expect(tap({ what: "stickies", side: "left", found: 2 })).toBe(1);
  expect(tap({ what: "stickies", side: null, found: 2 })).toBe(0);
  expect(tap({ what: "mirror", side: "right", found: 2 })).toBe(0);
  expect(tap({ what: "sting", side: null, found: 2 })).toBe(0);
  expect(tap({ what: "mirror", side: null, found: 201 })).toBe(0);
  expect(
    interruptionsOf(visitState([started, bead(1), event(5, "checked", { off: null, of: null }), look(7, 0)]).set).map(
      (ms) => (ms - T0) / MINUTE,
    ),
  ).toEqual([1, 5, 7]);
});

test("a picture is of before until the first bead or coat, of after from the last lash on, of neither in between", () => {
  const at = (events: KeptEvent[], minute: number) => photoMoment(visitState(events), T0 + minute * MINUTE);
  expect([at(end, 0.5), at(end, 1), at(end, 60), at(end, 90), at(end, 101)]).toEqual(["before", null, null, "after", "after"]);
  expect(at([started], 30)).toBe("before");
  expect(at([started, bead(1)], 30)).toBeNull();
  const coat = (minute: number, type: "coated" | "wiped") => event(minute, type, { stepId: "tint", area: "lashRight" });
  expect([at([coat(5, "coated")], 4), at([coat(5, "coated")], 6), at([coat(5, "coated"), coat(15, "wiped")], 15)]).toEqual([
    "before",
    null,
    "after",
  ]);
});

test("shaken whole before a bottle's first bead, short before a later one; a machine is quicker; a leaflet speaks for a hand", () => {
  const by = (shakeBy: "hand" | "machine", leaflet?: number, later = false) =>
    shakeSecondsFor({ ...defaultPolicy, shakeBy }, leaflet, later);
  expect([by("hand"), by("hand", 90), by("machine"), by("machine", 90)]).toEqual([60, 90, 30, 30]);
  // Common practice: 15 to 20 s before a later bead.
  expect([by("hand", 90, true), by("machine", 90, true), by("hand", 10, true)]).toEqual([18, 18, 10]);
  const state = (events: KeptEvent[]) => isLaterBead(visitState(events).set);
  expect(state([event(0, "started", { bottleId: A, air: null })])).toBe(false);
  expect(state([event(0, "started", { bottleId: A, air: null }), bead(1, A)])).toBe(true);
  // Another bottle was not shaken yet.
  expect(
    state([event(0, "started", { bottleId: A, air: null }), bead(1, A), event(2, "bottleTaken", { bottleId: B, fromStart: false })]),
  ).toBe(false);
});

test("the next fill: two weeks where nothing is known, or as the studio's school says", () =>
  expect((["computed", "twoWeeks", "threeWeeks"] as const).map((fill) => nextFillDays({ fill }))).toEqual([14, 14, 21]));

test("a bead asks for attention two minutes before its end, not sooner; states that were kept before looks and steps are folded anew", () => {
  const at = (minute: number) => visitClocks(visitState([started, bead(1)]), T0 + minute * MINUTE)[0]!.state;
  expect([at(13.9), at(14), at(15.9), at(16)]).toEqual(["running", "soon", "soon", "over"]);
  const kept = writeState(visitState(end));
  expect(kept.version).toBe(4);
  expect(readState(kept)).toEqual(visitState(end));
  expect(readState({ ...kept, version: 3 })).toBeNull();
});
test("what a client comes back for, and when colour is done again where its protocol does not say", () => {
  expect([nextService("newSet"), nextService("fill"), nextService("lift")]).toEqual(["fill", "fill", "lift"]);
  expect([againDays({ againAfterDays: 28 }), againDays({ againAfterDays: 0 }), againDays(null)]).toEqual([28, 42, 42]);
});
