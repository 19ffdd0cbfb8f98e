import { defaultPolicy } from "../policy";
import { processSteps, shippedProtocols } from "../protocol";
import { eventAt, runOf } from "../../../tests/support/visitEvents";
import type { KeptEvent } from "../visit";
import { coursesOf, EMPTY_RUN, judgeable, keptReadingsOf, proposePlan, type PastRun, type RunPlan } from ".";

const protocol = shippedProtocols.liftTint(defaultPolicy);
const steps = processSteps(protocol);
const MINUTE = 60_000;
const pace = { hair: "medium", processed: false, filmCover: false } as const;
const wish = { wish: { lift: "open", lashDepth: 2, browDepth: null }, from: { lashDepth: 5, browDepth: 5 } } as const;

/** A lift and tint of the past: how long each step lay, how it turned out. */
function past(
  over: {
    step1?: number;
    tint?: number;
    seenDeg?: number;
    lashDepth?: number;
    comfort?: "well" | "tickled" | "stung";
    pace?: Partial<RunPlan["pace"]>;
    atMs?: number;
  } = {},
): PastRun {
  const atMs = over.atMs ?? 0;
  const plan: RunPlan = {
    protocol,
    protocolId: null,
    revision: 1,
    areas: ["lashRight", "lashLeft"],
    seconds: Object.fromEntries(steps.map(({ id, defaultS }) => [id, defaultS])),
    pace: { ...pace, ...over.pace },
    density: "usual",
    ...wish,
    shield: { shieldId: "11111111-1111-4111-8111-111111111111", name: "s", radiusMm: 4, rawDeg: 120, keptDeg: 84 },
    recipes: {},
  };
  const lay: Record<string, number> = { "step-1": over.step1 ?? 6, "step-2": 5, "tint-lashes": over.tint ?? 5 };
  let now = atMs;
  const events: KeptEvent[] = [eventAt(atMs, "runPlanned", { plan, air: null })];
  for (const { id } of steps) {
    for (const area of ["lashRight", "lashLeft"] as const) {
      events.push(eventAt(now, "coated", { stepId: id, area }));
      events.push(eventAt(now + lay[id]! * MINUTE, "wiped", { stepId: id, area }));
    }
    now += lay[id]! * MINUTE + MINUTE;
  }
  events.push(
    eventAt(now, "resultJudged", {
      turn: { seenDeg: over.seenDeg ?? 95, by: "card" },
      lashDepth: over.lashDepth ?? 2,
      browDepth: null,
      even: true,
      comfort: over.comfort ?? "well",
    }),
  );
  return { visitId: `${atMs}`, endedAtMs: now, run: runOf(events) };
}
const seconds = (runs: readonly PastRun[], now: Partial<RunPlan["pace"]> = {}) =>
  Object.fromEntries(proposePlan(protocol, runs, wish, { ...pace, ...now }).map(({ stepId, seconds: s }) => [stepId, s]));

test("nothing known: the usual times, and what speeds or slows them", () => {
  expect(seconds([])).toEqual({ "step-1": 360, "step-2": 300, "tint-lashes": 300 });
  expect(seconds([], { hair: "fine" })).toEqual({ "step-1": 300, "step-2": 255, "tint-lashes": 255 });
});

test("what worked is done again; what fell short gets half a minute more; what stung never more", () => {
  expect(seconds([past({ step1: 6.5 })])["step-1"]).toBe(390);
  expect(seconds([past({ step1: 6.5, seenDeg: 60 })])["step-1"]).toBe(420);
  expect(seconds([past({ step1: 6.5, seenDeg: 60, comfort: "stung" })])["step-1"]).toBe(390);
  expect(seconds([past({ step1: 8, seenDeg: 60 })])["step-1"]).toBe(480);
});

test("the newest lift speaks, whatever the order they come in", () => {
  const [old, fresh] = [past({ step1: 5.5, atMs: 0 }), past({ step1: 7, atMs: 1e9 })];
  expect(seconds([fresh, old])["step-1"]).toBe(420);
  expect(seconds([old, fresh])["step-1"]).toBe(420);
});

test("the same hair took that time: only what is new today changes it", () => {
  expect(seconds([past({ step1: 7, pace: { hair: "fine" } })], { hair: "fine" })["step-1"]).toBe(420);
  // Derived: 7 min under film now, not then: 420 · 0.75 = 315.
  expect(seconds([past({ step1: 7 })], { filmCover: true })["step-1"]).toBe(315);
  expect(seconds([past({ step1: 7, pace: { filmCover: true } })], { filmCover: true })["step-1"]).toBe(420);
  // Derived: 5.25 min under film then, none now: 315 / 0.75 = 420, and 7 min of it is past no leaflet's end at 8.
  expect(seconds([past({ step1: 5.25, pace: { filmCover: true } })])["step-1"]).toBe(420);
  expect(seconds([past({ step1: 7, pace: { filmCover: true } })])["step-1"]).toBe(480);
});

test("colour learns from how it came out: a slow taker is given longer, a quick one shorter", () => {
  const slow = Array.from({ length: 4 }, (_, i) => past({ tint: 7, lashDepth: 4, atMs: i * 1e9 }));
  const quick = Array.from({ length: 4 }, (_, i) => past({ tint: 5, lashDepth: 1, atMs: i * 1e9 }));
  expect(seconds(slow)["tint-lashes"]).toBe(480);
  expect(seconds(quick)["tint-lashes"]).toBeLessThan(300);
  expect(coursesOf(slow, "tint", "lashes")[0]).toEqual({
    looks: [
      { minutes: 0, depth: 5 },
      { minutes: 7, depth: 4 },
    ],
  });
  expect(coursesOf(slow, "tint", "brows")).toEqual([]);
  expect(keptReadingsOf(slow)).toHaveLength(4);
});

test("a run that was broken off teaches nothing of the lift, and what never lay on is not judged", () => {
  const sound = past({ step1: 7, atMs: 0 });
  const broken = past({ step1: 1, seenDeg: 40, comfort: "stung", atMs: 1e9 });
  const stop = { kind: "splash" as const, atMs: 1e9, rinseS: 900, endedAtMs: 1e9 + 1, endedEarly: null };
  const stopped = { ...broken, run: { ...broken.run, stop } };
  const lift = (runs: readonly PastRun[]) => [seconds(runs)["step-1"], seconds(runs)["step-2"]];
  expect(lift([sound, stopped])).toEqual(lift([sound]));
  expect(lift([sound, broken])).not.toEqual(lift([sound]));
  expect(keptReadingsOf([sound, stopped])).toEqual(keptReadingsOf([sound]));
  expect(judgeable(sound.run)).toEqual({ turn: true, lashDepth: true, browDepth: false });
  const early = { ...sound.run, coats: sound.run.coats.filter(({ stepId }) => stepId === "step-1") };
  expect(judgeable(early)).toEqual({ turn: true, lashDepth: false, browDepth: false });
  expect(judgeable(EMPTY_RUN)).toEqual({ turn: false, lashDepth: false, browDepth: false });
});

test("how long a step lay is learned from where it was said to have gone well, or to have tickled", () => {
  const step2 = (comfort: "well" | "tickled" | "stung") => {
    const { run, ...rest } = past({ comfort });
    const coats = run.coats.map((coat) => (coat.stepId === "step-2" ? { ...coat, offAtMs: coat.onAtMs + 6 * MINUTE } : coat));
    return seconds([{ ...rest, run: { ...run, coats } }])["step-2"];
  };
  expect([step2("well"), step2("tickled"), step2("stung")]).toEqual([360, 360, 300]);
});

test("what nobody judged is not learned from", () => {
  const sound = past({ step1: 7, atMs: 0 });
  const unjudged = past({ step1: 5.5, atMs: 1e9 });
  const result = { turn: null, lashDepth: null, browDepth: null, even: null, comfort: null, atMs: 1e9 };
  const silent: PastRun = { ...unjudged, run: { ...unjudged.run, result } };
  expect(coursesOf([silent], "tint", "lashes")).toEqual([]);
  expect(keptReadingsOf([silent])).toEqual([]);
  expect(seconds([silent])).toEqual(seconds([]));
  expect(keptReadingsOf([sound, silent])).toEqual(keptReadingsOf([sound]));
  // A turn alone is learned from; evenness and comfort nobody spoke of hold nothing back.
  const turnOnly: PastRun = { ...unjudged, run: { ...unjudged.run, result: { ...result, turn: { seenDeg: 60, by: "card" } } } };
  expect(seconds([turnOnly])["step-1"]).toBe(360);
  const uneven: PastRun = {
    ...unjudged,
    run: { ...unjudged.run, result: { ...result, turn: { seenDeg: 60, by: "card" }, even: false } },
  };
  expect(seconds([uneven])["step-1"]).toBe(330);
});
