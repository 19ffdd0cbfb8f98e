import { eventAt } from "../../../tests/support/visitEvents";
import { lashesSinceBrush, nextTap, visitState, type KeptEvent } from ".";

const T0 = Date.parse("2026-11-27T10:00:00.000Z");
const at = (s: number) => T0 + s * 1000;
const bead = (s: number) => eventAt(at(s), "beadPlaced", { lifeS: 900, air: null, bottleId: null });
const shake = eventAt(at(0), "shakeStarted", { durationS: 60 });
const next = (events: KeptEvent[], s: number, over: Partial<Parameters<typeof nextTap>[1]> = {}) =>
  nextTap(visitState(events), { ms: at(s), toTakeOff: 0, isAllPlaced: false, isEnding: false, mayFinish: true, mayOpen: false, ...over });

test("shake, wait for it, bead, lash by lash, and away with the bead once all is placed", () => {
  expect(next([], 0)).toBe("shake");
  expect([next([shake], 59), next([shake], 60)]).toEqual(["waits", "bead"]);
  expect(next([shake, bead(61)], 62)).toBe("lash");
  expect(next([shake, bead(61)], 62, { isAllPlaced: true })).toBe("end");
  // A new one is shaken while the old is in use: lashes go on.
  expect(next([bead(0), eventAt(at(9), "shakeStarted", { durationS: 15 })], 10)).toBe("lash");
  // The last was wiped and yet there is more to place: a bead comes first.
  expect(next([bead(0), eventAt(at(9), "beadWiped", {})], 10)).toBe("bead");
});
test("at a fill what is to come off comes first; whoever shakes or puts a bead out has taken off enough", () => {
  expect(next([], 0, { toTakeOff: 3 })).toBe("takeOff");
  expect(next([shake], 60, { toTakeOff: 3 })).toBe("bead");
  expect(next([bead(0)], 1, { toTakeOff: 3 })).toBe("lash");
  expect(next([bead(0), eventAt(at(9), "beadWiped", {})], 10, { toTakeOff: 3 })).toBe("bead");
  expect(next([bead(0), eventAt(at(9), "beadWiped", {})], 10, { toTakeOff: 3, isEnding: true })).toBe("finish");
});
test("a pause is gone on from before anything else", () => {
  const paused = eventAt(at(5), "paused", { why: "leftBed" });
  expect(next([bead(0), paused], 6)).toBe("resume");
  expect(next([bead(0), paused, eventAt(at(7), "resumed", {})], 8)).toBe("lash");
});
test("at the end the finish, then nothing until the eyes may open, then done", () => {
  const ended = [bead(0), eventAt(at(9), "beadWiped", {})];
  expect(next(ended, 10, { isEnding: true, mayFinish: false })).toBe("waits");
  expect(next(ended, 10, { isEnding: true })).toBe("finish");
  const finish = eventAt(at(12), "finishApplied", { method: "fan" });
  expect([false, true].map((mayOpen) => next([...ended, finish], 13, { isEnding: true, mayOpen }))).toEqual(["waits", "done"]);
});

describe("what the new kinds do to a visit", () => {
  const lash = (s: number, n = 1) => eventAt(at(s), "lashPlaced", { side: "left", layer: 0, zone: 6, piece: 0, n });
  test("a lash ends a pause, and voids a finish: work went on", () => {
    const state = visitState([
      bead(0),
      eventAt(at(3), "finishApplied", { method: "fan" }),
      eventAt(at(4), "paused", { why: null }),
      lash(9, 3),
    ]);
    expect(state.set.finish).toBeNull();
    expect(state.placing.pauses).toEqual([{ why: null, fromMs: at(4), toMs: at(9) }]);
    expect(state.placing.lashes).toEqual([{ side: "left", layer: 0, zone: 6, piece: 0, n: 3, atMs: at(9) }]);
  });
  test("why a pause is is said afterwards; said again it is another", () => {
    const paused = (s: number, why: "talks" | "sneezed" | null) => eventAt(at(s), "paused", { why });
    expect(visitState([paused(1, null), paused(4, "sneezed")]).placing.pauses).toEqual([{ why: "sneezed", fromMs: at(1), toMs: null }]);
    expect(visitState([paused(1, "talks"), paused(4, "sneezed")]).placing.pauses).toEqual([
      { why: "talks", fromMs: at(1), toMs: at(4) },
      { why: "sneezed", fromMs: at(4), toMs: null },
    ]);
  });
  test("tape on and off owes a look at the eyes each time, and only what was on comes off", () => {
    const tape = (s: number, on: boolean, side: "right" | "left" = "right") => eventAt(at(s), "taped", { what: "innerDrawn", side, on });
    const state = visitState([tape(1, true), tape(2, true, "left"), eventAt(at(3), "checked", { off: null, of: null }), tape(9, false)]);
    expect(state.set.checkDueSinceMs).toBe(at(9));
    expect(state.placing.tapes.map(({ side, toMs }) => [side, toMs])).toEqual([
      ["right", at(9)],
      ["left", null],
    ]);
  });
  test("talk is marked for a stretch; the end of the visit ends it", () => {
    const talk = (s: number, on: boolean) => eventAt(at(s), "talkMarked", { on });
    expect(visitState([talk(1, true), talk(5, false), talk(8, true), eventAt(at(9), "finished", {})]).placing.talk).toEqual([
      { fromMs: at(1), toMs: at(5) },
      { fromMs: at(8), toMs: at(9) },
    ]);
  });
  test("what comes off at a brush is of the lashes placed since the last one", () => {
    const check = (s: number) => eventAt(at(s), "checked", { off: null, of: null });
    expect(lashesSinceBrush(visitState([lash(1, 3), lash(2)]))).toBe(4);
    expect(lashesSinceBrush(visitState([lash(1, 3), check(2), lash(3), lash(4, 2)]))).toBe(3);
    expect(lashesSinceBrush(visitState([lash(1, 3), check(2)]))).toBe(0);
  });
  test("a lash tapped after the end is kept, and breaks nothing", () => {
    const state = visitState([bead(0), eventAt(at(9), "finished", {}), lash(20)]);
    expect(state.head.finishedAtMs).toBe(at(9));
    expect(state.placing.lashes).toHaveLength(1);
  });
});
