import { PROTOCOL_SERVICES, type ServiceKind } from "../service";
import Ajv2020 from "ajv/dist/2020";
import fc from "fast-check";
import { defaultPolicy } from "../policy";
import {
  bringsBack,
  checkProtocol,
  isProcess,
  placeWords,
  plannedSeconds,
  processSteps,
  protocolFileJsonSchema,
  readProtocolFile,
  shippedProtocols,
  writeProtocolFile,
  type HairFactors,
  type ProcessStep,
  type Protocol,
  type Schools,
} from ".";

const services = PROTOCOL_SERVICES;
const schools: Schools[] = (["rootToMiddle", "rootOnly"] as const).flatMap((lotion) =>
  (["afterRelease", "onTheShield"] as const).flatMap((tintAndLift) =>
    (["browsOffFirst", "lashesThenBrows"] as const).map((tintOrder) => ({ lotion, tintAndLift, tintOrder })),
  ),
);
const shipped = (service: ServiceKind, school: Schools = defaultPolicy) => shippedProtocols[service](school);
const withStep = (protocol: Protocol, id: string, change: Partial<ProcessStep>): Protocol => ({
  ...protocol,
  steps: protocol.steps.map((step) => (isProcess(step) && step.id === id ? { ...step, ...change } : step)),
});
const placesOf = (protocol: Protocol) => checkProtocol(protocol).map(({ path, why }) => `${placeWords(protocol, path)}: ${why}`);

describe("shipped protocols", () => {
  test.each(services)("%s is possible in every school, and survives its file", (service) => {
    for (const school of schools) {
      const protocol = shipped(service, school);
      expect(checkProtocol(protocol)).toEqual([]);
      expect(readProtocolFile(writeProtocolFile(protocol))).toEqual({ ok: true, protocol });
    }
  });
  test("tint on the shield comes before the release, or after it with new pads, by school", () => {
    const ids = (school: Schools) => shipped("liftTint", school).steps.map(({ id }) => id);
    const onShield = ids({ ...schools[0]!, tintAndLift: "onTheShield" });
    const after = ids({ ...schools[0]!, tintAndLift: "afterRelease" });
    expect(onShield.indexOf("tint-lashes")).toBeLessThan(onShield.indexOf("release"));
    expect(after.indexOf("release")).toBeLessThan(after.indexOf("new-pads"));
    expect(after.indexOf("new-pads")).toBeLessThan(after.indexOf("tint-lashes"));
  });
  test("brows come off first, or wait for the lashes, by school", () => {
    const tint = (tintOrder: Schools["tintOrder"]) => processSteps(shipped("lashBrowTint", { ...schools[0]!, tintOrder }));
    expect(tint("browsOffFirst").find(({ on }) => on === "lashes")!.offAfter).toEqual(["tint-brows"]);
    expect(tint("lashesThenBrows").find(({ on }) => on === "brows")!.waitsFor).toEqual(["tint-lashes"]);
  });
  // Common practice, from the trade's handbook: step 1 six minutes, step 2 five, lash tint ten, five after a lift.
  test("usual times", () => {
    const usual = (service: ServiceKind) =>
      Object.fromEntries(processSteps(shipped(service)).map(({ id, defaultS }) => [id, defaultS / 60]));
    expect(usual("liftTint")).toEqual({ "step-1": 6, "step-2": 5, "tint-lashes": 5 });
    expect(usual("lashTint")).toEqual({ "tint-lashes": 10 });
    expect(processSteps(shipped("lightening")).find(({ id }) => id === "lighten")).toMatchObject({
      mostS: 900,
      lookEveryS: 120,
      on: "brows",
    });
  });
  test("nothing is ever lightened on lashes", () => {
    for (const service of services)
      for (const step of processSteps(shipped(service))) if (step.product === "lightener") expect(step.on).toBe("brows");
  });
});

describe("impossible protocols are refused with the place and the reason", () => {
  const lift = shipped("liftTint");
  test.each<[string, Protocol, RegExp]>([
    [
      "range reversed",
      withStep(lift, "step-1", { leastS: 600, mostS: 300, defaultS: 400 }),
      /^step 3, “step 1”: shortest: The range is reversed/,
    ],
    ["zero time", withStep(lift, "step-2", { leastS: 0, defaultS: 0 }), /^step 4, “step 2”: usual time: A time of zero is no step/],
    ["outside the range", withStep(lift, "step-2", { defaultS: 1000 }), /usual time: The usual time lies outside/],
    ["missing product", withStep(lift, "tint-lashes", { product: null }), /“lash tint”: product: No product/],
    ["developer alone", withStep(lift, "tint-lashes", { product: "developer" }), /developer is never put on alone/],
    [
      "step after rinse",
      { ...lift, steps: [...lift.steps, { ...processSteps(lift)[2]!, id: "again" }] },
      /place in the order: “lash tint” comes after the rinse/,
    ],
    ["lightener on lashes", withStep(lift, "tint-lashes", { product: "lightener" }), /Lash lightening is not offered/],
    ["tips", withStep(lift, "step-1", { where: "wholeLength" }), /where: Lift lotion on the tips makes them frizz/],
    ["past the ceiling", withStep(shipped("lightening"), "lighten", { mostS: 1200 }), /15 minutes is the ceiling/],
    ["never looked at", withStep(shipped("lightening"), "lighten", { lookEveryS: null }), /Lightener is looked at/],
    ["no mix", withStep(lift, "tint-lashes", { mix: null }), /Tint is mixed with a developer/],
    ["waits for nothing", withStep(lift, "tint-lashes", { waitsFor: ["nowhere"] }), /There is no timed step “nowhere”/],
    ["waits for itself", withStep(lift, "step-1", { waitsFor: ["tint-lashes"] }), /which comes later/],
    ["same name", { ...lift, steps: [...lift.steps.slice(0, 3), lift.steps[2]!, ...lift.steps.slice(3)] }, /Two steps are called/],
    ["no lifting", { ...lift, steps: lift.steps.filter(({ id }) => id !== "step-1") }, /setting lotion follows a lifting lotion/],
    ["never set", { ...lift, steps: lift.steps.filter(({ id }) => id !== "step-2") }, /must be set by a setting lotion/],
    ["nothing put on", { ...lift, steps: lift.steps.filter(({ kind }) => kind !== "process") }, /Nothing is put on/],
    ["wrong part", withStep(lift, "tint-lashes", { on: "brows" }), /lash lift and tint has no brows/],
  ])("%s", (_, protocol, why) => expect(placesOf(protocol)).toEqual(expect.arrayContaining([expect.stringMatching(why)])));

  test("each waiting for the other", () => {
    const both = shipped("lashBrowTint");
    expect(placesOf(withStep(both, "tint-brows", { offAfter: ["tint-lashes"] }))).toEqual(
      expect.arrayContaining([expect.stringMatching(/Each would wait/)]),
    );
  });
  test("a file that is no file, or has a word too many, says where", () => {
    expect(readProtocolFile("{")).toEqual({ ok: false, problems: [{ path: "", why: expect.stringMatching(/not JSON/) }] });
    const odd = JSON.parse(writeProtocolFile(lift)) as { protocol: { steps: { defaultS: unknown }[] } };
    odd.protocol.steps[2]!.defaultS = "six";
    expect(readProtocolFile(JSON.stringify(odd))).toMatchObject({ ok: false, problems: [{ path: "steps.2.defaultS" }] });
  });
  test("the published schema takes what is written and refuses what is not (ajv 8.20.0)", () => {
    const valid = new Ajv2020({ strict: false, formats: { uuid: true } }).compile(protocolFileJsonSchema());
    for (const service of services) expect(valid(JSON.parse(writeProtocolFile(shipped(service))))).toBe(true);
    expect(valid({ format: "ivy-thread.protocol", protocol: { ...lift, version: 7 } })).toBe(false);
  });
});

describe("planned seconds", () => {
  const step = processSteps(shipped("lift"))[0]!;
  const even = { hair: "medium", processed: false, filmCover: false } as const;
  test("medium hair takes the usual time; each thing shortens or lengthens as it should", () => {
    expect(plannedSeconds(step, even)).toEqual({ seconds: 360, because: [], held: null, lookAtS: null });
    // Derived: 360 · 0.85 = 306, to the quarter minute 300.
    expect(plannedSeconds(step, { ...even, hair: "fine" }).seconds).toBe(300);
    expect(plannedSeconds(step, { ...even, hair: "coarse" }).seconds).toBe(420);
    // Derived: 360 · 0.75 · 0.8 = 216, to the quarter minute 210, and the leaflet begins at 5 min.
    expect(plannedSeconds(step, { ...even, filmCover: true, processed: true })).toMatchObject({
      seconds: step.leastS,
      held: "least",
      lookAtS: 210,
    });
  });
  test("factors under the leaflet's shortest: an early look at their own time, and what would bring it back", () => {
    const back = (pace: Partial<HairFactors>, of = step) => bringsBack(of, plannedSeconds(of, { ...even, ...pace }));
    expect(back({ filmCover: true, processed: true })).toEqual(["noFilm", "largerShield"]);
    // Derived: 360 · 0.85 · 0.8 = 244.8, to the quarter minute 240: short of 5 min without any film.
    expect(back({ hair: "fine", processed: true })).toEqual(["largerShield"]);
    expect(back({ hair: "fine" })).toEqual([]);
    const setting = processSteps(shipped("lift"))[1]!;
    expect(back({ filmCover: true, processed: true }, setting)).toEqual(["noFilm"]);
    // A base that is short by itself asks for no look: nothing speeds it.
    expect(plannedSeconds(step, even, { seconds: 100, pace: even })).toMatchObject({ held: "least", lookAtS: null });
  });
  test("an older protocol's factor of the room is read, and changes nothing", () => {
    const older = { ...step, speeds: { ...step.speeds, perDegree: 0.9 } };
    expect(plannedSeconds(older, even)).toEqual(plannedSeconds(step, even));
    expect(readProtocolFile(writeProtocolFile(withStep(shipped("lift"), step.id, { speeds: older.speeds }))).ok).toBe(true);
  });
  const anyPace = fc.record({
    hair: fc.constantFrom("fine" as const, "medium" as const, "coarse" as const),
    processed: fc.boolean(),
    filmCover: fc.boolean(),
  });
  test("no factor plans past the leaflet's range, whatever the base and whatever was different then", () => {
    fc.assert(
      fc.property(
        anyPace,
        fc.option(fc.record({ seconds: fc.double({ min: 0, max: 1e5, noNaN: true }), pace: anyPace }), { nil: undefined }),
        fc.constantFrom(...services),
        (pace, worked, service) => {
          for (const one of processSteps(shipped(service))) {
            const { seconds } = plannedSeconds(one, pace, worked);
            expect(seconds).toBeGreaterThanOrEqual(one.leastS);
            expect(seconds).toBeLessThanOrEqual(one.mostS);
          }
        },
      ),
      { seed: 12, numRuns: 300 },
    );
  });
  test("what worked on a day like today is planned again, and going back undoes a change", () => {
    fc.assert(
      fc.property(anyPace, anyPace, (then, now) => {
        expect(plannedSeconds(step, then, { seconds: 390, pace: then })).toEqual({ seconds: 390, because: [], held: null, lookAtS: null });
        const there = plannedSeconds(step, { ...now, processed: then.processed }, { seconds: 390, pace: then }).because;
        const back = plannedSeconds(step, then, { seconds: 390, pace: { ...now, processed: then.processed } }).because;
        expect([...there, ...back].reduce((product, { factor }) => product * factor, 1)).toBeCloseTo(1, 9);
      }),
      { seed: 13 },
    );
  });
});
