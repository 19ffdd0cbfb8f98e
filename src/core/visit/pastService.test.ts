import { EMPTY_RUN, type Coat, type RunPlan } from "../processing";
import { pastService, visitState, type Bead, type VisitState } from ".";

const bead = (placedAtMs: number): Bead => ({
  eventId: `${placedAtMs}`,
  number: 1,
  placedAtMs,
  lifeS: 900,
  air: null,
  bottleId: null,
  endedAtMs: null,
});
const coat = (onAtMs: number, offAtMs: number | null): Coat => ({
  eventId: `${onAtMs}`,
  stepId: "step-1",
  area: "lashRight",
  onAtMs,
  offAtMs,
  extraS: 0,
  looks: [],
  pasteEventId: null,
});
const visit = (over: Partial<VisitState> = {}): VisitState => ({ ...visitState([]), ...over });
const ran = (coats: Coat[], finishedAtMs: number | null) => visit({ finishedAtMs, run: { ...EMPTY_RUN, plan: {} as RunPlan, coats } });

test("a set counts from its end; one that nobody finished, from its last bead", () => {
  expect(pastService("fill", visit({ beads: [bead(1000)], finishedAtMs: 9000 }))).toEqual({
    label: "fill",
    treated: [{ treatment: "extensions", part: "lashes" }],
    atMs: 9000,
    stopped: null,
    standing: "here",
  });
  expect(pastService("newSet", visit({ beads: [bead(1000), bead(5000)] }))).toMatchObject({ label: "new set", atMs: 5000 });
  expect(pastService("practice", visit({ beads: [bead(1000)], finishedAtMs: 9000 }))).toBeNull();
});
test("where nothing was put on there was no service", () => {
  expect(pastService("fill", visit({ finishedAtMs: 9000 }))).toBeNull();
  expect(pastService("lift", visit())).toBeNull();
  expect(pastService("lift", ran([], null))).toBeNull();
  expect(pastService("lift", ran([], 9000))).toBeNull();
});
test("a run counts from its end; one that nobody finished, from the last touch or wipe", () => {
  expect(pastService("liftTint", ran([coat(1000, 4000)], 9000))).toMatchObject({
    treated: [{ treatment: "lift" }, { treatment: "tint" }],
    atMs: 9000,
  });
  expect(pastService("browTint", ran([coat(1000, 4000), coat(2000, 3000)], null))).toMatchObject({
    treated: [{ treatment: "tint", part: "brows" }],
    atMs: 4000,
  });
  expect(pastService("lamination", ran([coat(1000, 4000), coat(6000, null)], null))).toMatchObject({
    treated: [{ treatment: "lift", part: "brows" }],
    atMs: 6000,
  });
});
test("a run that was broken off says why", () => {
  const broken = ran([coat(1000, 4000)], 9000);
  const stop = { kind: "gluedLids" as const, atMs: 3000, rinseS: 900, endedAtMs: 4000, endedEarly: null };
  expect(pastService("lift", { ...broken, run: { ...broken.run, stop } })!.stopped).toBe("lids stuck");
  expect(pastService("lift", broken)!.stopped).toBeNull();
});
test("older visits, and extensions taken off by hand, were kept without a run", () => {
  expect(pastService("removal", visit({ finishedAtMs: 9000 }))).toMatchObject({
    treated: [{ treatment: "removal", part: "lashes" }],
    atMs: 9000,
    stopped: null,
  });
});
