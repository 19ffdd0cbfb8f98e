import { SERVICES, type ServiceKind } from "../service";
import fc from "fast-check";
import { defaultPolicy } from "../policy";
import { checkProtocol, processSteps, shippedProtocols, type Step } from "../protocol";
import { eventAt } from "../../../tests/support/visitEvents";
import { readEvent, visitClocks, visitState, type EventPayload, type EventType, type KeptEvent } from "../visit";
import { AREAS, partOf, type Area } from "../eye";
import {
  isRunDone,
  lainS,
  lanesOf,
  mayCoat,
  longer,
  mayExtendS,
  offOrder,
  mayWipe,
  nextTap,
  overrunS,
  plannedS,
  runMistakes,
  runPlanSchema,
  type RunPlan,
} from ".";

const PRODUCT = "11111111-1111-4111-8111-111111111111";
const BATCH = "22222222-2222-4222-8222-222222222222";
const T0 = Date.parse("2026-11-25T10:00:00.000Z");

const planOf = (service: ServiceKind, areas: Area[], schools = defaultPolicy, seconds: Record<string, number> = {}): RunPlan => {
  const protocol = shippedProtocols[service](schools);
  return {
    protocol,
    protocolId: null,
    revision: 1,
    areas,
    seconds: { ...Object.fromEntries(processSteps(protocol).map(({ id, defaultS }) => [id, defaultS])), ...seconds },
    pace: { hair: "medium", processed: false, filmCover: false, roomC: 22 },
    density: "usual",
    wish: { lift: null, lashDepth: 2, browDepth: null },
    from: { lashDepth: 5, browDepth: 5 },
    shield: null,
    recipes: {},
  };
};

/** A visit told tap by tap, at minutes and seconds from ten o'clock. */
function told(plan: RunPlan) {
  const events: KeptEvent[] = [];
  const tap = <Type extends EventType>(atS: number, type: Type, payload: EventPayload<Type>) => {
    const event = eventAt(T0 + atS * 1000, type, payload);
    expect(readEvent(event)).not.toBeNull();
    events.push(event);
    return event.id;
  };
  const run = () => visitState(events).run;
  const now = (atS: number) => T0 + atS * 1000;
  tap(-60, "started", { bottleId: null, air: null });
  tap(-50, "runPlanned", { plan, air: null });
  return {
    tap,
    run,
    now,
    events,
    ready: (atS: number, ...tasks: string[]) => {
      for (const stepId of tasks) tap(atS, "taskDone", { stepId });
      for (const { id, mix } of processSteps(plan.protocol))
        if (!mix) tap(atS, "batchTaken", { stepId: id, productId: PRODUCT, batchId: BATCH });
    },
    mix: (atS: number, stepId: string) =>
      tap(atS, "pasteMixed", {
        stepId,
        lines: [{ productId: PRODUCT, batchId: BATCH, amount: 2, unit: "cm", grams: 0.39 }],
        peroxide: { low: 0.015, mid: 0.017, high: 0.019, known: false },
        lifeS: 300,
        leftoverG: 0,
        cost: null,
      }),
    clocks: (atS: number) => visitClocks(visitState(events), now(atS)),
  };
}
const BOTH: Area[] = ["lashRight", "lashLeft"];
const lift = () => {
  const chair = told(planOf("lift", BOTH));
  chair.ready(-30, "cleanse", "shield");
  return chair;
};

describe("two eyes, two clocks", () => {
  test("each counts from its own first touch, and comes off in the order it went on", () => {
    const chair = lift();
    expect(nextTap(chair.run(), chair.now(0))).toEqual({ kind: "coat", stepId: "step-1", area: "lashRight" });
    chair.tap(0, "coated", { stepId: "step-1", area: "lashRight" });
    expect(nextTap(chair.run(), chair.now(5))).toEqual({ kind: "coat", stepId: "step-1", area: "lashLeft" });
    chair.tap(40, "coated", { stepId: "step-1", area: "lashLeft" });
    const clocks = chair.clocks(100);
    expect(clocks.map(({ label, leftS }) => [label, leftS])).toEqual([
      ["step 1, right", 260],
      ["step 1, left", 300],
    ]);
    expect(nextTap(chair.run(), chair.now(100))).toMatchObject({ kind: "wait", area: "lashRight", leftS: 260 });
    expect(nextTap(chair.run(), chair.now(361))).toMatchObject({ kind: "wipe", area: "lashRight" });
    chair.tap(361, "wiped", { stepId: "step-1", area: "lashRight" });
    // Step 2 on the right waits for the left, which is due in 39 s.
    expect(nextTap(chair.run(), chair.now(362))).toMatchObject({ kind: "wait", area: "lashLeft" });
    expect(nextTap(chair.run(), chair.now(401))).toMatchObject({ kind: "wipe", area: "lashLeft" });
    chair.tap(402, "wiped", { stepId: "step-1", area: "lashLeft" });
    expect(nextTap(chair.run(), chair.now(403))).toEqual({ kind: "coat", stepId: "step-2", area: "lashRight" });
  });
  test("begun on the left, the left stays first", () => {
    const chair = lift();
    chair.tap(0, "coated", { stepId: "step-1", area: "lashLeft" });
    chair.tap(30, "coated", { stepId: "step-1", area: "lashRight" });
    chair.tap(360, "wiped", { stepId: "step-1", area: "lashLeft" });
    chair.tap(390, "wiped", { stepId: "step-1", area: "lashRight" });
    expect(nextTap(chair.run(), chair.now(400))).toEqual({ kind: "coat", stepId: "step-2", area: "lashLeft" });
  });
  test("given longer, both sides are, and the first on stays the first off", () => {
    const chair = lift();
    chair.tap(0, "coated", { stepId: "step-1", area: "lashRight" });
    chair.tap(5, "coated", { stepId: "step-1", area: "lashLeft" });
    expect(longer(chair.run(), "step-1", chair.now(100))).toEqual({ byS: 30, areas: ["lashRight", "lashLeft"] });
    // Another tablet, or an older record, gave only one side longer: the order holds all the same.
    chair.tap(100, "extended", { stepId: "step-1", area: "lashRight", byS: 30 });
    expect(offOrder(chair.run()).map(({ area }) => area)).toEqual(["lashRight", "lashLeft"]);
    expect(nextTap(chair.run(), chair.now(370))).toMatchObject({ kind: "wait", area: "lashRight", leftS: 20 });
    // Past the leaflet's end nothing waits for its turn.
    expect(nextTap(chair.run(), chair.now(486))).toMatchObject({ kind: "wipe", area: "lashRight" });
    // What is left to the leaflet's end is all that can be given, and a few seconds are not worth a tap.
    chair.tap(110, "extended", { stepId: "step-1", area: "lashRight", byS: 80 });
    expect(longer(chair.run(), "step-1", chair.now(120))).toBeNull();
    expect(longer(chair.run(), "step-2", chair.now(120))).toBeNull();
  });
  test("the next step's clock starts only when the last is wiped off", () => {
    const chair = lift();
    chair.tap(0, "coated", { stepId: "step-1", area: "lashRight" });
    expect(mayCoat(chair.run(), "step-2", "lashRight", chair.now(400))).toMatchObject({ rule: "lastStillOn", hard: true });
    expect(mayCoat(chair.run(), "step-2", "lashLeft", chair.now(400))).toMatchObject({ rule: "lastStillOn", hard: true });
    chair.tap(400, "coated", { stepId: "step-2", area: "lashRight" });
    // Tapped all the same by another tablet: the record keeps the first, and no clock is lost.
    expect(chair.run().coats).toHaveLength(1);
  });
});

describe("safety, one by one", () => {
  test("overrun: the clock goes on counting past the leaflet, loud, and the overrun is on record", () => {
    const chair = lift();
    chair.tap(0, "coated", { stepId: "step-1", area: "lashRight" });
    expect(chair.clocks(341)[0]).toMatchObject({ state: "soon" });
    expect(chair.clocks(370)[0]).toMatchObject({ state: "over", leftS: -10 });
    expect(chair.clocks(515)[0]).toMatchObject({ state: "past", leftS: -35, label: "step 1, right, past the leaflet" });
    chair.tap(530, "wiped", { stepId: "step-1", area: "lashRight" });
    const { coats } = chair.run();
    expect(overrunS(chair.run(), coats[0]!, chair.now(9999))).toBe(50);
    expect(runMistakes(chair.run(), chair.now(9999))).toContainEqual({
      rule: "overrun",
      severity: "stop",
      words: "Step 1, right lashes: 0:50 past the leaflet’s end.".replace("Step", "step"),
    });
  });
  test("no hand extends past the leaflet", () => {
    const chair = lift();
    chair.tap(0, "coated", { stepId: "step-1", area: "lashRight" });
    for (let i = 0; i < 9; i++) chair.tap(10 + i, "extended", { stepId: "step-1", area: "lashRight", byS: 60 });
    const [coat] = chair.run().coats;
    expect(plannedS(chair.run(), coat!)).toBe(480);
    expect(mayExtendS(chair.run(), coat!, chair.now(60))).toBe(0);
    expect(runPlanSchema.safeParse(planOf("lift", BOTH, defaultPolicy, { "step-1": 481 })).error?.issues[0]).toMatchObject({
      path: ["seconds", "step-1"],
      message: "The leaflet ends “step 1” at 8 min; nothing plans past it.",
    });
    const least = processSteps(planOf("lift", BOTH).protocol)[0]!.leastS;
    expect(runPlanSchema.safeParse(planOf("lift", BOTH, defaultPolicy, { "step-1": least })).success).toBe(true);
    expect(runPlanSchema.safeParse(planOf("lift", BOTH, defaultPolicy, { "step-1": least - 1 })).error?.issues[0]).toMatchObject({
      path: ["seconds", "step-1"],
      message: expect.stringContaining("The leaflet begins “step 1”"),
    });
  });
  test("wrong eye off first is asked about, and stays on record", () => {
    const chair = lift();
    chair.tap(0, "coated", { stepId: "step-1", area: "lashRight" });
    chair.tap(40, "coated", { stepId: "step-1", area: "lashLeft" });
    const left = chair.run().coats[1]!;
    expect(mayWipe(chair.run(), left, chair.now(405))).toMatchObject({ rule: "wrongEyeOff", hard: false });
    chair.tap(405, "wiped", { stepId: "step-1", area: "lashLeft" });
    expect(runMistakes(chair.run(), chair.now(500)).map(({ rule }) => rule)).toContain("wrongEyeOff");
  });
  test("the second eye is not forgotten", () => {
    const chair = lift();
    chair.tap(0, "coated", { stepId: "step-1", area: "lashRight" });
    expect(runMistakes(chair.run(), chair.now(170))).toEqual([]);
    expect(runMistakes(chair.run(), chair.now(190)).map(({ rule }) => rule)).toEqual(["secondEyeForgotten"]);
  });
  test("stop: a rinse clock, and every exposure counts on until that area is wiped", () => {
    const chair = lift();
    chair.tap(0, "coated", { stepId: "step-1", area: "lashRight" });
    chair.tap(40, "coated", { stepId: "step-1", area: "lashLeft" });
    chair.tap(100, "runStopped", { kind: "splash", rinseS: 900 });
    const clocks = chair.clocks(160);
    expect(clocks.map(({ kind, label }) => [kind, label])).toEqual([
      ["rinse", "rinse"],
      ["coat", "still on, right"],
      ["coat", "still on, left"],
    ]);
    expect(clocks.map(({ leftS }) => leftS)).toEqual([840, -160, -120]);
    expect(mayCoat(chair.run(), "step-2", "lashRight", chair.now(160))).toMatchObject({ rule: "stopped", hard: true });
    // Whatever comes off first now is right.
    expect(mayWipe(chair.run(), chair.run().coats[1]!, chair.now(160))).toBeNull();
    chair.tap(170, "wiped", { stepId: "step-1", area: "lashLeft" });
    expect(chair.clocks(180).map(({ label }) => label)).toEqual(["rinse", "still on, right"]);
    chair.tap(190, "wiped", { stepId: "step-1", area: "lashRight" });
    expect(isRunDone(chair.run())).toBe(false);
    chair.tap(1001, "rinseEnded", { why: null });
    expect(isRunDone(chair.run())).toBe(true);
    expect(mayCoat(chair.run(), "step-2", "lashRight", chair.now(2000))).toMatchObject({ rule: "stopped", hard: true });
    expect(runMistakes(chair.run(), chair.now(2000))).toEqual([]);
  });
  test("stopped again as something else, the rinse goes on from its beginning", () => {
    const chair = lift();
    chair.tap(0, "coated", { stepId: "step-1", area: "lashRight" });
    chair.tap(100, "runStopped", { kind: "splash", rinseS: 900 });
    chair.tap(130, "runStopped", { kind: "gluedLids", rinseS: 900 });
    expect(chair.run().stop).toMatchObject({ kind: "gluedLids", atMs: chair.now(100) });
  });
  test("a stop is no mistaken bead: taking back the last tap leaves it, and the rinse goes on", () => {
    const chair = lift();
    chair.tap(0, "coated", { stepId: "step-1", area: "lashRight" });
    const stopped = chair.tap(100, "runStopped", { kind: "splash", rinseS: 900 });
    chair.tap(101, "undone", { eventId: stopped });
    expect(chair.run().stop).toMatchObject({ kind: "splash", atMs: chair.now(100), endedAtMs: null });
    const ended = chair.tap(400, "rinseEnded", { why: "handedOver" });
    chair.tap(401, "undone", { eventId: ended });
    expect(chair.run().stop).toMatchObject({ endedAtMs: chair.now(400), endedEarly: "handedOver" });
    // A tap of another kind is taken back as ever.
    const other = lift();
    const on = other.tap(0, "coated", { stepId: "step-1", area: "lashRight" });
    other.tap(1, "undone", { eventId: on });
    expect(other.run().coats).toEqual([]);
  });
  test("taken back in somebody's name, a stop stays on the record and the work goes on", () => {
    const chair = lift();
    chair.tap(0, "coated", { stepId: "step-1", area: "lashRight" });
    chair.tap(100, "runStopped", { kind: "gluedLids", rinseS: 900 });
    const back = chair.tap(110, "stopTakenBack", { why: "mistakenTap" });
    chair.tap(111, "undone", { eventId: back });
    expect(chair.run().stop).toBeNull();
    expect(chair.run().stopsTakenBack).toEqual([
      {
        kind: "gluedLids",
        atMs: chair.now(100),
        rinseS: 900,
        endedAtMs: null,
        endedEarly: null,
        takenBackAtMs: chair.now(110),
        why: "mistakenTap",
      },
    ]);
    expect(mayCoat(chair.run(), "step-1", "lashLeft", chair.now(120))).toBeNull();
    expect(chair.clocks(120).map(({ kind }) => kind)).toEqual(["coat"]);
    // Nothing to take back changes nothing; stopped again, the rinse counts from the new moment.
    chair.tap(130, "stopTakenBack", { why: "nothingHappened" });
    expect(chair.run().stopsTakenBack).toHaveLength(1);
    chair.tap(140, "runStopped", { kind: "splash", rinseS: 900 });
    expect(chair.run().stop).toMatchObject({ kind: "splash", atMs: chair.now(140) });
  });
  test("a rinse that is ended with no word of why, by an older tablet, is kept so", () => {
    const chair = lift();
    chair.tap(0, "runStopped", { kind: "splash", rinseS: 900 });
    chair.events.push({ ...eventAt(chair.now(30), "rinseEnded", { why: null }), version: 1, payload: {} });
    expect(chair.run().stop).toMatchObject({ endedAtMs: chair.now(30), endedEarly: null });
  });
  test("glue left before tint, paste missing, paste stood", () => {
    const chair = told(planOf("liftTint", BOTH));
    chair.ready(-30, "cleanse", "shield");
    for (const [i, stepId] of ["step-1", "step-2"].entries()) {
      for (const [j, area] of BOTH.entries()) chair.tap(i * 600 + j * 30, "coated", { stepId, area });
      for (const [j, area] of BOTH.entries()) chair.tap(i * 600 + 330 + j * 30, "wiped", { stepId, area });
    }
    const tint = (atS: number, area: Area = "lashRight") => mayCoat(chair.run(), "tint-lashes", area, chair.now(atS));
    expect(tint(1000)).toMatchObject({ rule: "taskOpen", hard: true, why: expect.stringMatching(/glue left on lashes keeps tint out/) });
    chair.tap(1100, "taskDone", { stepId: "release" });
    chair.tap(1110, "taskDone", { stepId: "new-pads" });
    expect(tint(1120)).toMatchObject({ rule: "noPaste" });
    expect(nextTap(chair.run(), chair.now(1120))).toEqual({ kind: "mix", stepId: "tint-lashes" });
    chair.mix(1130, "tint-lashes");
    expect(tint(1140)).toBeNull();
    chair.tap(1140, "coated", { stepId: "tint-lashes", area: "lashRight" });
    expect(tint(1431, "lashLeft")).toMatchObject({ rule: "pasteStood", hard: true });
    expect(chair.clocks(1431).find(({ kind }) => kind === "paste")).toMatchObject({ state: "over", label: "paste stood too long" });
    // At its last second it is over already.
    const { totalS, leftS } = chair.clocks(1431).find(({ kind }) => kind === "paste")!;
    const itsEnd = 1431 + leftS;
    expect(totalS).toBeGreaterThan(0);
    expect(chair.clocks(itsEnd).find(({ kind }) => kind === "paste")).toMatchObject({
      leftS: 0,
      state: "over",
      label: "paste stood too long",
    });
    expect(chair.clocks(itsEnd - 60).find(({ kind }) => kind === "paste")).toMatchObject({ state: "soon" });
    expect(chair.clocks(itsEnd - 61).find(({ kind }) => kind === "paste")).toMatchObject({ state: "running" });
    expect(chair.clocks(itsEnd - 1).find(({ kind }) => kind === "paste")).toMatchObject({ leftS: 1, state: "soon", label: "paste" });
    // Tapped all the same: on record.
    chair.tap(1440, "coated", { stepId: "tint-lashes", area: "lashLeft" });
    expect(runMistakes(chair.run(), chair.now(1500)).map(({ rule }) => rule)).toContain("pasteStood");
  });
  test("no batch, no first touch", () => {
    const chair = told(planOf("lift", BOTH));
    for (const stepId of ["cleanse", "shield"]) chair.tap(-20, "taskDone", { stepId });
    expect(mayCoat(chair.run(), "step-1", "lashRight", chair.now(0))).toMatchObject({ rule: "noBatch", hard: true });
  });
  test("a plan is not changed under a running clock", () => {
    const chair = lift();
    chair.tap(0, "coated", { stepId: "step-1", area: "lashRight" });
    chair.tap(10, "runPlanned", { plan: planOf("lift", BOTH, defaultPolicy, { "step-1": 300 }), air: null });
    expect(chair.run().plan!.seconds["step-1"]).toBe(360);
  });
  test("planned anew before anything lay on, all is to be done anew: tasks, batches, pastes", () => {
    const chair = told(planOf("liftTint", BOTH));
    chair.ready(-40, "cleanse", "shield");
    chair.mix(-30, "tint");
    const first = chair.run();
    expect([first.tasks.size, first.batches.length, first.pastes.length].every((count) => count > 0)).toBe(true);
    chair.tap(-20, "runPlanned", { plan: planOf("liftTint", BOTH, defaultPolicy, { "step-1": 300 }), air: null });
    const { plan, tasks, batches, pastes } = chair.run();
    expect([plan!.seconds["step-1"], tasks.size, batches, pastes]).toEqual([300, 0, [], []]);
  });
});

test("taps of a tablet whose clock is behind count though they are dated before the plan", () => {
  const chair = told(planOf("lift", BOTH));
  chair.tap(-3700, "taskDone", { stepId: "cleanse" });
  chair.tap(-3600, "coated", { stepId: "step-1", area: "lashRight" });
  expect(chair.run().plan).not.toBeNull();
  expect(chair.run().tasks.has("cleanse")).toBe(true);
  expect(chair.clocks(-3500)[0]).toMatchObject({ label: "step 1, right", leftS: 260 });
});

test("where the factors ask for less than the leaflet's shortest, an early look is asked for and goes by itself", () => {
  const chair = told({ ...planOf("lift", BOTH), lookAtS: { "step-1": 200 } });
  chair.ready(-30, "cleanse", "shield");
  chair.tap(0, "coated", { stepId: "step-1", area: "lashRight" });
  const early = (atS: number) => chair.clocks(atS).filter(({ kind }) => kind === "look");
  expect(early(199)).toEqual([]);
  expect(early(200)).toHaveLength(1);
  expect(early(201)).toMatchObject([{ label: "look early, right", totalS: 200, leftS: -1, state: "soon" }]);
  expect(early(290)).toHaveLength(1);
  expect(early(291)).toEqual([]);
  chair.tap(250, "runStopped", { kind: "splash", rinseS: 900 });
  expect(early(260)).toEqual([]);
  // No look is asked for where the plan keeps to the leaflet by itself.
  const usual = lift();
  usual.tap(0, "coated", { stepId: "step-1", area: "lashRight" });
  expect(usual.clocks(210).map(({ kind }) => kind)).toEqual(["coat"]);
});

test("lightener is looked at every two minutes, each look in one tap", () => {
  const chair = told(planOf("lightening", ["browRight", "browLeft"]));
  chair.ready(-30, "cleanse");
  chair.mix(-20, "lighten");
  chair.tap(0, "coated", { stepId: "lighten", area: "browRight" });
  expect(chair.clocks(119).some(({ kind }) => kind === "look")).toBe(false);
  expect(chair.clocks(121).find(({ kind }) => kind === "look")).toMatchObject({ label: "look, right brow", state: "soon" });
  chair.tap(125, "looked", { stepId: "lighten", area: "browRight", depth: 5 });
  expect(chair.clocks(130).some(({ kind }) => kind === "look")).toBe(false);
  expect(chair.clocks(246).some(({ kind }) => kind === "look")).toBe(true);
  chair.tap(600, "wiped", { stepId: "lighten", area: "browRight" });
  expect(runMistakes(chair.run(), chair.now(700)).map(({ rule }) => rule)).toContain("looksMissed");
});

test.each([
  [179, 0, false],
  [180, 0, true],
  [180, 1, false],
  [359, 1, false],
  [360, 1, true],
])(
  "looked at every two minutes: off after %d s with %d looks is a miss: %s (once and a half the interval, a model of this product)",
  (s, looks, isMissed) => {
    const chair = told(planOf("lightening", ["browRight"], defaultPolicy));
    chair.ready(-60, "lighten");
    chair.mix(-30, "lighten");
    chair.tap(0, "coated", { stepId: "lighten", area: "browRight" });
    for (let i = 0; i < looks; i++) chair.tap(100 + i, "looked", { stepId: "lighten", area: "browRight", depth: 6 });
    chair.tap(s, "wiped", { stepId: "lighten", area: "browRight" });
    expect(runMistakes(chair.run(), chair.now(s + 10)).some(({ rule }) => rule === "looksMissed")).toBe(isMissed);
  },
);

test.each([
  [480, false],
  [481, true],
])("off at %d s, the leaflet ends at 480: an overrun is noted from its first second: %s", (s, isOver) => {
  const chair = told(planOf("lift", ["lashRight"]));
  chair.tap(0, "coated", { stepId: "step-1", area: "lashRight" });
  chair.tap(s, "wiped", { stepId: "step-1", area: "lashRight" });
  expect(runMistakes(chair.run(), chair.now(600)).some(({ rule }) => rule === "overrun")).toBe(isOver);
});

test("both on, brows off first: the pedal takes the brows off though the lashes are due, and says when it was otherwise", () => {
  const chair = told(
    planOf("lashBrowTint", ["lashRight", "lashLeft", "browRight", "browLeft"], defaultPolicy, { "tint-lashes": 300, "tint-brows": 300 }),
  );
  chair.ready(-30, "cleanse");
  chair.mix(-10, "tint-lashes");
  chair.mix(-5, "tint-brows");
  (["lashRight", "lashLeft", "browRight", "browLeft"] as const).forEach((area, i) =>
    chair.tap(i * 20, "coated", { stepId: area.startsWith("lash") ? "tint-lashes" : "tint-brows", area }),
  );
  expect(nextTap(chair.run(), chair.now(310))).toMatchObject({ kind: "wait", area: "browRight" });
  expect(mayWipe(chair.run(), chair.run().coats[0]!, chair.now(310))).toMatchObject({ rule: "offFirst" });
  expect(nextTap(chair.run(), chair.now(341))).toMatchObject({ kind: "wipe", area: "browRight" });
});

test("past the leaflet's end nothing waits for an order: lashes come off though brows are to be off first", () => {
  const chair = told(planOf("lashBrowTint", [...BOTH, "browRight"]));
  const [lashes, brows] = ["tint-lashes", "tint-brows"].map((id) =>
    processSteps(chair.run().plan!.protocol).find((step) => step.id === id)!,
  );
  chair.tap(-20, "taskDone", { stepId: "cleanse" });
  for (const stepId of ["tint-lashes", "tint-brows"]) chair.mix(-10, stepId);
  for (const area of BOTH) chair.tap(0, "coated", { stepId: "tint-lashes", area });
  const lateS = lashes!.mostS - 30;
  chair.mix(lateS - 5, "tint-brows");
  chair.tap(lateS, "coated", { stepId: "tint-brows", area: "browRight" });
  expect(brows!.leastS).toBeGreaterThan(60);
  expect(nextTap(chair.run(), chair.now(lateS + 20))).toMatchObject({ kind: "wait", area: "browRight" });
  const over = chair.now(lashes!.mostS + 1);
  expect(nextTap(chair.run(), over)).toEqual({ kind: "wipe", stepId: "tint-lashes", area: "lashRight" });
  for (const coat of chair.run().coats.filter(({ stepId }) => stepId === "tint-lashes"))
    expect([coat.area, mayWipe(chair.run(), coat, over)?.rule]).toEqual([coat.area, undefined]);
});

describe("lanes", () => {
  test("both sides keep their stagger to the end, and the paste is mixed just before", () => {
    const chair = told(planOf("liftTint", BOTH));
    chair.ready(-30, "cleanse", "shield");
    chair.tap(0, "coated", { stepId: "step-1", area: "lashRight" });
    chair.tap(55, "coated", { stepId: "step-1", area: "lashLeft" });
    const { lanes, pastes, staggerS } = lanesOf(chair.run(), chair.now(100));
    expect(staggerS).toBe(55);
    const [right, left] = lanes.map(({ phases }) => phases);
    right!.forEach((phase, i) => expect((left![i]!.fromMs - phase.fromMs) / 1000).toBeGreaterThanOrEqual(55));
    expect(right!.map(({ state }) => state)).toEqual(["on", "ahead", "ahead"]);
    expect(right![0]!.wallMs).toBe(chair.now(480));
    expect(pastes).toEqual([
      { stepId: "tint-lashes", state: "ahead", fromMs: right![2]!.fromMs - 60_000, toMs: right![2]!.fromMs - 60_000 + 300_000 },
    ]);
  });
});

test("whatever is tapped in whatever order, clocks stay exact, plans stay inside the leaflet, an area has one coat on", () => {
  const taps = fc.array(
    fc.record({
      type: fc.constantFrom("coated", "wiped", "extended", "looked", "runStopped", "rinseEnded", "undone") as fc.Arbitrary<
        KeptEvent["type"]
      >,
      stepId: fc.constantFrom("step-1", "step-2", "tint-lashes"),
      area: fc.constantFrom<Area>("lashRight", "lashLeft"),
      afterS: fc.integer({ min: 0, max: 400 }),
      which: fc.nat({ max: 30 }),
    }),
    { maxLength: 25 },
  );
  fc.assert(
    fc.property(taps, (list) => {
      const chair = told(planOf("liftTint", BOTH));
      let atS = 0;
      for (const { type, stepId, area, afterS, which } of list) {
        atS += afterS;
        if (type === "undone") {
          if (chair.events[which]) chair.tap(atS, "undone", { eventId: chair.events[which]!.id });
        } else if (type === "extended") chair.tap(atS, type, { stepId, area, byS: 60 });
        else if (type === "looked") chair.tap(atS, type, { stepId, area, depth: 4 });
        else if (type === "runStopped") chair.tap(atS, type, { kind: "splash", rinseS: 900 });
        else if (type === "rinseEnded") chair.tap(atS, type, { why: null });
        else chair.tap(atS, type as "coated" | "wiped", { stepId, area });
      }
      const run = chair.run();
      const now = chair.now(atS + 5);
      for (const area of BOTH)
        expect(run.coats.filter((coat) => coat.area === area && coat.offAtMs === null).length).toBeLessThanOrEqual(1);
      for (const coat of run.coats) {
        expect(plannedS(run, coat)).toBeLessThanOrEqual(processSteps(run.plan!.protocol).find(({ id }) => id === coat.stepId)!.mostS);
        expect(lainS(coat, now)).toBeGreaterThanOrEqual(0);
      }
      // Every coat that lies on has its clock, stopped or not.
      expect(chair.clocks(atS + 5).filter(({ kind }) => kind === "coat")).toHaveLength(
        run.coats.filter(({ offAtMs }) => offAtMs === null).length,
      );
      // In any order and twice, the same run.
      const shuffled = [...chair.events].reverse().concat(chair.events);
      expect(visitState(shuffled).run).toEqual(run);
      expect(() => nextTap(run, now)).not.toThrow();
      expect(() => lanesOf(run, now)).not.toThrow();
    }),
    { seed: 99, numRuns: 400 },
  );
});

/** Presses the pedal every so many seconds and does what it asks, until all is done or it was pressed too often. */
function pedal(plan: RunPlan, everyS = 20) {
  const chair = told(plan);
  let atS = 0;
  for (let press = 0; press < 800 && !isRunDone(chair.run()); press++, atS += everyS) {
    const next = nextTap(chair.run(), chair.now(atS));
    // Past its leaflet's end a coat comes off before all order, and nothing is asked about it.
    const past = chair.run().coats.filter((coat) => coat.offAtMs === null && overrunS(chair.run(), coat, chair.now(atS)) > 0);
    if (past.length > 0) {
      expect(next).toMatchObject({ kind: "wipe" });
      expect(past.map(({ stepId, area }) => ({ kind: "wipe", stepId, area }))).toContainEqual(next);
      for (const coat of past) expect(mayWipe(chair.run(), coat, chair.now(atS))).toBeNull();
    }
    for (const clock of chair.clocks(atS))
      if (clock.kind === "look") {
        const coat = chair.run().coats.find(({ eventId }) => clock.id.includes(eventId))!;
        chair.tap(atS, "looked", { stepId: coat.stepId, area: coat.area, depth: 4 });
      }
    if (next.kind === "coat") chair.tap(atS, "coated", { stepId: next.stepId, area: next.area });
    else if (next.kind === "wipe") chair.tap(atS, "wiped", { stepId: next.stepId, area: next.area });
    else if (next.kind === "task") chair.tap(atS, "taskDone", { stepId: next.stepId });
    else if (next.kind === "batch") chair.tap(atS, "batchTaken", { stepId: next.stepId, productId: PRODUCT, batchId: BATCH });
    else if (next.kind === "mix") chair.mix(atS, next.stepId);
  }
  return { run: chair.run(), mistakes: runMistakes(chair.run(), chair.now(atS)) };
}
const areasOf = (service: ServiceKind): Area[] => AREAS.filter((area) => SERVICES[service].parts.some((part) => part === partOf(area)));

test("a pedal alone, pressed whenever it is asked, finishes every protocol without a mistake", () => {
  for (const service of Object.keys(shippedProtocols) as ServiceKind[]) {
    const { run, mistakes } = pedal(planOf(service, areasOf(service)));
    expect([service, isRunDone(run), mistakes]).toEqual([service, true, []]);
  }
});

test("whatever a studio writes, if it may be kept it can be worked to its end by the pedal alone", () => {
  const generic = shippedProtocols.lashBrowTint(defaultPolicy);
  const steps = processSteps(generic);
  const ids = ["a", "b", "c", "d", "e"];
  const step = (i: number) =>
    fc
      .record({
        base: fc.constantFrom(...steps),
        defaultS: fc.constantFrom(60, 180, 400),
        waitsFor: fc.subarray(ids, { maxLength: 2 }),
        offAfter: fc.subarray(ids, { maxLength: 2 }),
      })
      .map(({ base, ...rest }) => ({ ...base, ...rest, id: ids[i]!, name: ids[i]!, leastS: 30, mostS: 420, lookEveryS: null }));
  const task = (i: number) =>
    fc.record({
      kind: fc.constantFrom("prepare" as const, "release" as const),
      id: fc.constant(`task-${i}`),
      name: fc.constant(`task ${i}`),
      on: fc.constantFrom("lashes" as const, "brows" as const, "both" as const),
      checks: fc.constant<string[]>(["seen"]),
    });
  const protocols = fc
    .tuple(fc.tuple(...ids.map((_, i) => step(i))), fc.tuple(task(0), task(1)), fc.subarray(ids, { minLength: 1 }), fc.nat(5), fc.nat(5))
    .map(([timed, tasks, kept, first, second]) => {
      const all: Step[] = timed.filter(({ id }) => kept.includes(id));
      all.splice(Math.min(first, all.length), 0, tasks[0]);
      all.splice(Math.min(second, all.length), 0, tasks[1]);
      return { ...generic, steps: all };
    });
  let worked = 0;
  fc.assert(
    fc.property(protocols, fc.subarray([...AREAS], { minLength: 1 }), fc.constantFrom(7, 45, 120), (protocol, areas, everyS) => {
      fc.pre(checkProtocol(protocol).length === 0);
      const seconds = Object.fromEntries(processSteps(protocol).map(({ id, defaultS }) => [id, defaultS]));
      const { run } = pedal({ ...planOf("lashBrowTint", areas), protocol, seconds }, everyS);
      expect(isRunDone(run)).toBe(true);
      worked++;
    }),
    { seed: 31, numRuns: 150 },
  );
  expect(worked).toBeGreaterThan(100);
});

describe("where a few seconds decide", () => {
  test("wiped with more than a quarter minute to go is early; with a quarter minute it is not", () => {
    const chair = lift();
    chair.tap(0, "coated", { stepId: "step-1", area: "lashRight" });
    const [coat] = chair.run().coats;
    const endS = plannedS(chair.run(), coat!);
    const rule = (atS: number) => mayWipe(chair.run(), coat!, chair.now(atS))?.rule ?? null;
    expect([rule(endS - 16), rule(endS - 15), rule(endS)]).toEqual(["early", null, null]);
  });
  test("what is off within a minute and a half is waited for; before that another part is begun", () => {
    const chair = told(planOf("lashBrowTint", [...BOTH, "browRight"], defaultPolicy, { "tint-lashes": 300 }));
    chair.ready(-30, "cleanse");
    for (const stepId of ["tint-lashes", "tint-brows"]) chair.mix(-5, stepId);
    for (const area of BOTH) chair.tap(0, "coated", { stepId: "tint-lashes", area });
    const next = (atS: number) => nextTap(chair.run(), chair.now(atS)).kind;
    expect([next(209), next(210), next(211)]).toEqual(["coat", "wait", "wait"]);
  });
  test("what waits for another step begins a wipe and the steps in between after the last of it is off", () => {
    const chair = told(planOf("liftTint", BOTH));
    chair.ready(-30, "cleanse", "shield");
    chair.tap(0, "coated", { stepId: "step-1", area: "lashRight" });
    chair.tap(200, "coated", { stepId: "step-1", area: "lashLeft" });
    const { lanes } = lanesOf(chair.run(), chair.now(210));
    const phase = (side: number, stepId: string) => lanes[side]!.phases.find((one) => one.stepId === stepId)!;
    const { steps } = chair.run().plan!.protocol;
    const at = (id: string) => steps.findIndex((step) => step.id === id);
    const tasks = steps.slice(at("step-2") + 1, at("tint-lashes")).filter(({ kind }) => kind !== "process").length;
    expect(tasks).toBeGreaterThan(0);
    const lastOffMs = Math.max(phase(0, "step-2").toMs, phase(1, "step-2").toMs);
    // Models of this product: 45 s to wipe, two minutes for each untimed step.
    expect((phase(0, "tint-lashes").fromMs - lastOffMs) / 1000).toBe(45 + 120 * tasks);
  });
});
