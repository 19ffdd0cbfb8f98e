import { EMPTY_RUN, type Coat, type RunPlan } from "../processing";
import { defaultPolicy } from "../policy";
import { shippedProtocols, type ServiceKind } from "../protocol";
import { visitState, type Bead, type VisitState } from "../visit";
import { pastService, readiness, type ClientStanding } from ".";

const HOUR = 3_600_000;
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
  expect(pastService(null, visit({ beads: [bead(1000)], finishedAtMs: 9000 }))).toEqual({
    kind: "extensions",
    parts: ["lashes"],
    atMs: 9000,
    stopped: null,
  });
  expect(pastService(null, visit({ beads: [bead(1000), bead(5000)] }))).toMatchObject({ kind: "extensions", atMs: 5000 });
});
test("where nothing was put on there was no service", () => {
  expect(pastService(null, visit({ finishedAtMs: 9000 }))).toBeNull();
  expect(pastService("lift", visit())).toBeNull();
  expect(pastService("lift", ran([], null))).toBeNull();
  expect(pastService("lift", ran([], 9000))).toBeNull();
});
test("a run counts from its end; one that nobody finished, from the last touch or wipe", () => {
  expect(pastService("liftTint", ran([coat(1000, 4000)], 9000))).toMatchObject({ kind: "lift", parts: ["lashes"], atMs: 9000 });
  expect(pastService("browTint", ran([coat(1000, 4000), coat(2000, 3000)], null))).toMatchObject({ kind: "tint", atMs: 4000 });
  expect(pastService("lamination", ran([coat(1000, 4000), coat(6000, null)], null))).toMatchObject({
    kind: "lift",
    parts: ["brows"],
    atMs: 6000,
  });
});
test("a run that was broken off says why", () => {
  const broken = ran([coat(1000, 4000)], 9000);
  const stop = { kind: "gluedLids" as const, atMs: 3000, rinseS: 900, endedAtMs: 4000 };
  expect(pastService("lift", { ...broken, run: { ...broken.run, stop } })!.stopped).toBe("gluedLids");
  expect(pastService("lift", broken)!.stopped).toBeNull();
});
test("older visits, and extensions taken off by hand, were kept without a run", () => {
  expect(pastService("removal", visit({ finishedAtMs: 9000 }))).toEqual({ kind: "removal", parts: ["lashes"], atMs: 9000, stopped: null });
});
test("a set that was never finished still forbids a lift over it", () => {
  const now = 100 * HOUR;
  const client: ClientStanding = {
    bornOn: "1990-01-01",
    tests: [{ family: "lotion", placedOn: "2026-11-01", result: "clear" }],
    consultation: { version: 1, conditions: [], processed: false },
    consentOn: "2026-11-01",
    past: [pastService(null, visit({ beads: [bead(now - 50 * HOUR)] }))!],
  };
  const rules = { patchTestMonths: 6, colourAge: 16, extensionsAfterHours: 24 };
  const found = (service: ServiceKind) =>
    readiness(shippedProtocols[service](defaultPolicy), client, "2026-11-25", now, rules).map(({ rule }) => rule);
  expect(found("lift")).toEqual(["liftOverExtensions"]);
  expect(found("lamination")).toEqual([]);
});
