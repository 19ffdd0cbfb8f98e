import { EMPTY_RUN, type Coat, type RunPlan } from "../processing";
import type { ServiceId } from "../service";
import { EMPTY_VISIT, outcomeOf, pastService, type Bead, type VisitState } from ".";

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
const visit = ({
  finishedAtMs = null,
  beads = [],
  run = EMPTY_RUN,
}: { finishedAtMs?: number | null; beads?: Bead[]; run?: VisitState["run"] } = {}): VisitState => ({
  ...EMPTY_VISIT,
  head: { ...EMPTY_VISIT.head, finishedAtMs },
  set: { ...EMPTY_VISIT.set, beads },
  run,
});
const past = (service: ServiceId, state: VisitState) => pastService(service, outcomeOf(service, state));
const ran = (coats: Coat[], finishedAtMs: number | null) => visit({ finishedAtMs, run: { ...EMPTY_RUN, plan: {} as RunPlan, coats } });

test("a set counts from its end; one that nobody finished, from its last bead", () => {
  expect(past("fill", visit({ beads: [bead(1000)], finishedAtMs: 9000 }))).toEqual({
    label: "fill",
    treated: [{ treatment: "extensions", part: "lashes" }],
    atMs: 9000,
    stopped: null,
    known: "here",
  });
  expect(past("newSet", visit({ beads: [bead(1000), bead(5000)] }))).toMatchObject({ label: "new set", atMs: 5000 });
  expect(past("practice", visit({ beads: [bead(1000)], finishedAtMs: 9000 }))).toBeNull();
});
test("where nothing was put on there was no service", () => {
  expect(past("fill", visit({ finishedAtMs: 9000 }))).toBeNull();
  expect(past("lift", visit())).toBeNull();
  expect(past("lift", ran([], null))).toBeNull();
  expect(past("lift", ran([], 9000))).toBeNull();
});
test("a run counts from its end; one that nobody finished, from the last touch or wipe", () => {
  expect(past("liftTint", ran([coat(1000, 4000)], 9000))).toMatchObject({
    treated: [{ treatment: "lift" }, { treatment: "tint" }],
    atMs: 9000,
  });
  expect(past("browTint", ran([coat(1000, 4000), coat(2000, 3000)], null))).toMatchObject({
    treated: [{ treatment: "tint", part: "brows" }],
    atMs: 4000,
  });
  expect(past("lamination", ran([coat(1000, 4000), coat(6000, null)], null))).toMatchObject({
    treated: [{ treatment: "lift", part: "brows" }],
    atMs: 6000,
  });
});
test("a run that was broken off says why", () => {
  const broken = ran([coat(1000, 4000)], 9000);
  const stop = { kind: "gluedLids" as const, atMs: 3000, rinseS: 900, endedAtMs: 4000, endedEarly: null };
  expect(past("lift", { ...broken, run: { ...broken.run, stop } })!.stopped).toBe("lids stuck");
  expect(past("lift", broken)!.stopped).toBeNull();
});
test("older visits, and extensions taken off by hand, were kept without a run", () => {
  expect(past("removal", visit({ finishedAtMs: 9000 }))).toMatchObject({
    treated: [{ treatment: "removal", part: "lashes" }],
    atMs: 9000,
    stopped: null,
  });
});
