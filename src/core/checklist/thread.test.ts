import { defaultPolicy } from "../policy";
import { SERVICE_IDS, serviceOf } from "../service";
import { visitState, type EventPayload, type EventType } from "../visit";
import { liftPlan } from "../../../tests/support/runs";
import { eventAt } from "../../../tests/support/visitEvents";
import { checklistSchema } from "./schema";
import { openSteps, partsOf, recordedOf, shippedChecklist, threadOf, type BesideEvents, type Checklist } from ".";

const T0 = Date.parse("2026-03-02T10:00:00.000Z");
const at = <Type extends EventType>(minute: number, type: Type, payload: EventPayload<Type>) =>
  eventAt(T0 + minute * 60_000, type, payload);
const BOTTLE = "00000000-0000-4000-8000-00000000000b";
const NOTHING: BesideEvents = { consultation: false, survey: false, map: false, photoBefore: false, photoAfter: false, nextVisit: false };
const air = { temperatureC: 22, relativeHumidity: 0.5 };
const started = at(0, "started", { bottleId: BOTTLE, air: null });
const bead = (minute: number) => at(minute, "beadPlaced", { lifeS: 900, air, bottleId: BOTTLE });
const set = shippedChecklist("newSet", defaultPolicy);
const follow = (events: Parameters<typeof visitState>[0], beside: Partial<BesideEvents> = {}, list: Checklist = set) => {
  const state = visitState(events);
  return threadOf(list.service, list, state, recordedOf(state, { ...NOTHING, ...beside }));
};
const stands = (thread: ReturnType<typeof follow>) => Object.fromEntries(thread.map(({ part, state }) => [part, state]));
const stepIn = (thread: ReturnType<typeof follow>, id: string) => thread.flatMap(({ steps }) => steps).find(({ step }) => step.id === id)!;

describe("steps as they come", () => {
  test.each(SERVICE_IDS)("%s: a lawful list in the order of its parts, every step with its reason", (service) => {
    const list = shippedChecklist(service, defaultPolicy);
    expect(checklistSchema.parse(list)).toEqual(list);
    expect([...new Set(list.steps.map(({ part }) => part))]).toEqual(partsOf(service));
    expect(list.steps.filter(({ why }) => why.length < 8)).toEqual([]);
    // Nobody is asked to consult a mannequin head; every visit is tidied up after.
    expect(list.steps.some(({ id }) => id === "consultation")).toBe(serviceOf(service).onClient);
    expect(list.steps.map(({ id }) => id)).toEqual(expect.arrayContaining(["single-use", "linen", "surfaces", "soak", "closed", "lots"]));
  });
  test("a set is prepared as the trade does: hands, cleansing above and below, rinsed, pads, lower lashes, closed eyes, asked twice", () => {
    const prepare = (change: Partial<typeof defaultPolicy> = {}) =>
      shippedChecklist("newSet", { ...defaultPolicy, ...change }).steps.filter(({ part }) => part === "prepare");
    const ids = prepare().map(({ id }) => id);
    const inOrder = [
      "hands",
      "cleanse-lashes",
      "cleanse-below",
      "rinse",
      "pads",
      "lower-lashes",
      "in-the-eye",
      "eyes-closed",
      "primer",
      "in-the-eye-again",
    ];
    expect(ids.filter((id) => inOrder.includes(id))).toEqual(inOrder);
    // By the other school pads go on first.
    const padsFirst = prepare({ padsWhen: "beforeCleansing" }).map(({ id }) => id);
    expect(padsFirst.indexOf("lower-lashes")).toBeLessThan(padsFirst.indexOf("cleanse-lashes"));
    const when = (policy: Partial<typeof defaultPolicy>, id: string) => prepare(policy).find((step) => step.id === id)!.when;
    expect((["always", "balancer", "oilyOnly", "none"] as const).map((primer) => when({ primer }, "primer"))).toEqual([
      "always",
      "always",
      "whenAsked",
      "never",
    ]);
    expect((["always", "newLooks", "never"] as const).map((mapOnPad) => when({ mapOnPad }, "map-on-pads"))).toEqual([
      "always",
      "whenAsked",
      "never",
    ]);
    const stickies = shippedChecklist("newSet", { ...defaultPolicy, stickyCheckMinutes: 9 }).steps.find(({ id }) => id === "stickies")!;
    expect(stickies.minutes).toBe(9);
    expect(prepare({ padDistance: "close" }).find(({ id }) => id === "pads")!.name).toMatch(/as close as/);
  });
  test("a studio's own list may not say a thing twice, name a part there is not, or put a part before an earlier one", () => {
    const wrong = (steps: Checklist["steps"]) =>
      checklistSchema.safeParse({ ...set, steps }).error?.issues.map(({ path, message }) => `${path.join(".")}: ${message}`) ?? [];
    const [first, second] = set.steps;
    expect(wrong([first!, first!])).toEqual(["steps.1.id: Two steps cannot be the same one."]);
    expect(wrong([{ ...first!, part: "judge" }])).toEqual(["steps.0.part: A visit of this service has no such part."]);
    expect(wrong([second!, first!])).toEqual(["steps.1.part: It stands after a part that comes later."]);
    expect(wrong([{ ...first!, name: " " }])).toEqual(["steps.0.name: Say it in words."]);
    expect(wrong(set.steps)).toEqual([]);
  });
});

describe("along the thread", () => {
  test("before anything happened it stands at the consultation; what the record knows is tied, and nothing else", () => {
    const thread = follow([], { survey: true, map: true });
    expect(stands(thread)).toMatchObject({ consult: "here", survey: "tied", map: "tied", room: "ahead", tidy: "ahead" });
    expect(stepIn(thread, "hands").state).toBe("ahead");
    expect(openSteps(thread)).toEqual([]);
  });
  test("a step that was passed stays open and is written so; one that is only done when wanted does not", () => {
    const thread = follow([started, bead(10)], { consultation: true, survey: true, map: true });
    expect(stands(thread)).toMatchObject({ consult: "tied", room: "tied", prepare: "open", place: "here", check: "ahead" });
    expect(stepIn(thread, "air").state).toBe("tied");
    expect(stepIn(thread, "aired").state).toBe("open");
    expect(stepIn(thread, "tape").state).toBe("whenAsked");
    expect(openSteps(thread).map(({ id }) => id)).toEqual(expect.arrayContaining(["aired", "hands", "eyes-closed"]));
    expect(openSteps(thread).map(({ id }) => id)).not.toContain("tape");
  });
  test("a tap ties a step with its time, taken back it is open again; a step of never is not shown unless it was done", () => {
    const tap = at(3, "stepDone", { stepId: "hands" });
    expect(stepIn(follow([started, tap]), "hands")).toMatchObject({ state: "tied", tap: { eventId: tap.id, atMs: T0 + 180_000 } });
    expect(stepIn(follow([started, tap, at(4, "undone", { eventId: tap.id })]), "hands")).toMatchObject({ state: "ahead", tap: null });
    const none = shippedChecklist("newSet", { ...defaultPolicy, primer: "none" });
    expect(stepIn(follow([started], {}, none), "primer")).toBeUndefined();
    expect(stepIn(follow([started, at(2, "stepDone", { stepId: "primer" })], {}, none), "primer").state).toBe("tied");
  });
  test("looks of each eye tie their step once both eyes were looked at, whatever was found", () => {
    const end = [started, bead(1), at(90, "beadWiped", {})];
    const stickies = (minute: number, side: "right" | "left", found: number) => at(minute, "inspected", { what: "stickies", side, found });
    const tied = (events: Parameters<typeof visitState>[0]) => recordedOf(visitState(events), NOTHING).has("stickies");
    expect(tied([...end, stickies(91, "right", 2)])).toBe(false);
    expect(tied([...end, stickies(91, "right", 2), stickies(92, "right", 0)])).toBe(false);
    expect(tied([...end, stickies(91, "right", 2), stickies(92, "left", 0)])).toBe(true);
    expect(recordedOf(visitState([...end, at(93, "inspected", { what: "sting", side: null, found: 1 })]), NOTHING).has("sting")).toBe(true);
  });
  test("it goes on to the checks when the last lash is placed, to drying with the finish, to aftercare at the end", () => {
    const placed = [started, bead(1), at(90, "beadWiped", {})];
    const here = (events: Parameters<typeof visitState>[0]) => follow(events).find(({ state }) => state === "here")?.part;
    expect(here([started])).toBe("room");
    expect(here([started, bead(1)])).toBe("place");
    expect(here(placed)).toBe("check");
    expect(here([...placed, at(91, "finishApplied", { method: "fan" })])).toBe("dry");
    const over = follow([...placed, at(96, "finished", {})], { nextVisit: true });
    expect(stands(over)).toMatchObject({ dry: "open", aftercare: "here", tidy: "ahead" });
    const told = follow([...placed, at(96, "finished", {}), at(97, "stepDone", { stepId: "card" })], { nextVisit: true });
    expect(stands(told)).toMatchObject({ aftercare: "tied", tidy: "here" });
    // A bottle that nobody wrote down leaves its lot open.
    const noBottle = visitState([
      at(0, "started", { bottleId: null, air: null }),
      at(1, "beadPlaced", { lifeS: 900, air, bottleId: null }),
    ]);
    expect(recordedOf(noBottle, NOTHING).has("lots")).toBe(false);
    expect(recordedOf(visitState(placed), NOTHING).has("lots")).toBe(true);
    expect(recordedOf(visitState([started]), NOTHING).has("lots")).toBe(false);
  });
  test("once its day is over, what was not done after it is open too; a visit that is not over waits for nothing", () => {
    const end = [started, bead(1), at(90, "beadWiped", {}), at(96, "finished", {}), at(97, "stepDone", { stepId: "card" })];
    const past = (events: Parameters<typeof visitState>[0]) => {
      const state = visitState(events);
      return threadOf("newSet", set, state, recordedOf(state, NOTHING), true);
    };
    expect(stands(past(end))).toMatchObject({ aftercare: "open", tidy: "open" });
    expect(openSteps(past(end)).map(({ id }) => id)).toEqual(expect.arrayContaining(["next-visit", "single-use"]));
    expect(openSteps(past(end)).map(({ id }) => id)).not.toContain("card");
    expect(openSteps(follow(end)).map(({ id }) => id)).not.toContain("single-use");
    expect(stands(past([started]))).toMatchObject({ aftercare: "ahead", tidy: "ahead" });
  });
  test("a part of which nothing is asked is never waited at", () => {
    const bare = { ...set, steps: set.steps.filter(({ part }) => part !== "survey") };
    expect(stands(follow([], { consultation: true }, bare))).toMatchObject({ consult: "tied", survey: "ahead", map: "here" });
    expect(stands(follow([started], { consultation: true, map: true }, bare))).toMatchObject({ survey: "tied" });
  });
  test("a colour visit stands at its run until everything is off and seen done, then to be judged", () => {
    const plan = liftPlan();
    const steps = plan.protocol.steps;
    const planned = at(1, "runPlanned", { plan, air: null });
    const taps = steps.flatMap((step, i) =>
      step.kind === "process"
        ? plan.areas.flatMap((area, j) => [
            at(10 + 10 * i + j, "coated", { stepId: step.id, area }),
            at(16 + 10 * i + j, "wiped", { stepId: step.id, area }),
          ])
        : [at(10 + 10 * i, "taskDone", { stepId: step.id })],
    );
    const lift = shippedChecklist("lift", defaultPolicy);
    const here = (events: Parameters<typeof visitState>[0]) =>
      follow(events, { consultation: true }, lift).find(({ state }) => state === "here")?.part;
    expect([here([]), here([planned]), here([planned, ...taps.slice(0, -1)]), here([planned, ...taps])]).toEqual([
      "plan",
      "run",
      "run",
      "judge",
    ]);
    expect(recordedOf(visitState([planned]), NOTHING).has("processed")).toBe(false);
    expect(recordedOf(visitState([planned, ...taps]), NOTHING).has("processed")).toBe(true);
    const judged = at(200, "resultJudged", { turn: null, lashDepth: null, browDepth: null, even: null, comfort: null });
    expect(recordedOf(visitState([planned, ...taps, judged]), NOTHING).has("judged")).toBe(true);
  });
  test("colour keeps its own steps in one, and shares the rest", () => {
    const tint = shippedChecklist("lashTint", defaultPolicy);
    expect(tint.steps.filter(({ part }) => part === "run").map(({ recordedAs }) => recordedAs)).toEqual(["processed"]);
    expect(stands(follow([], { consultation: true }, tint))).toEqual({
      consult: "tied",
      plan: "here",
      run: "ahead",
      judge: "ahead",
      aftercare: "ahead",
      tidy: "ahead",
    });
  });
});
