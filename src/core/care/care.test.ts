import { defaultPolicy } from "../policy";
import { shippedProtocols, type ServiceKind } from "../protocol";
import {
  ageOn,
  careCard,
  careText,
  CONDITIONS,
  CONDITION_IDS,
  consentText,
  extensionsTooSoon,
  NO_LASH_LIGHTENING,
  readiness,
  type ClientStanding,
} from ".";

const TODAY = "2026-11-25";
const NOW = Date.parse("2026-11-25T10:00:00Z");
const DAY = 86_400_000;
const RULES = { patchTestMonths: 6, colourAge: 16, extensionsAfterHours: 24 };
const sound: ClientStanding = {
  bornOn: "1990-03-01",
  tests: (["tint", "lightener", "lotion"] as const).map((family) => ({ family, placedOn: "2026-10-01", result: "clear" as const })),
  consultation: { version: 1, conditions: [], processed: false },
  consentOn: TODAY,
  past: [],
};
const rules = (service: ServiceKind, over: Partial<ClientStanding> = {}) =>
  readiness(shippedProtocols[service](defaultPolicy), { ...sound, ...over }, TODAY, NOW, RULES).map(
    ({ rule, weight }) => `${weight} ${rule}`,
  );

test("somebody whose papers are in order may have anything", () => {
  for (const service of Object.keys(shippedProtocols) as ServiceKind[]) expect([service, rules(service)]).toEqual([service, []]);
});

describe("patch tests, by product family", () => {
  test("none for colour or lightener is a stop that nothing overrides; for a lotion it is asked", () => {
    expect(rules("lashTint", { tests: [] })).toEqual(["stop noPatchTest"]);
    expect(rules("lightening", { tests: sound.tests.filter(({ family }) => family !== "lightener") })).toEqual(["stop noPatchTest"]);
    expect(rules("lift", { tests: [] })).toEqual(["ask noPatchTest"]);
    expect(rules("liftTint", { tests: [] })).toEqual(["stop noPatchTest", "ask noPatchTest"]);
  });
  test("being watched, run out, or of another family does not count", () => {
    expect(rules("lashTint", { tests: [{ family: "tint", placedOn: "2026-11-24", result: "waiting" }] })).toEqual(["stop noPatchTest"]);
    expect(rules("lashTint", { tests: [{ family: "tint", placedOn: "2026-05-24", result: "clear" }] })).toEqual(["stop noPatchTest"]);
    expect(rules("lashTint", { tests: [{ family: "adhesive", placedOn: "2026-11-01", result: "clear" }] })).toEqual(["stop noPatchTest"]);
  });
  test("a reaction stops its own family only", () => {
    const tests = sound.tests.map((test) => (test.family === "lotion" ? { ...test, result: "reaction" as const } : test));
    expect(rules("lift", { tests })).toEqual(["stop reaction"]);
    expect(rules("browTint", { tests })).toEqual([]);
  });
});

describe("age", () => {
  test.each([
    ["2010-11-25", 16],
    ["2010-11-26", 15],
    ["2008-02-29", 18],
  ])("born %s is %i", (born, years) => expect(ageOn(born, TODAY)).toBe(years));
  test("no tint and no lightener under sixteen; a lift is not forbidden by it", () => {
    expect(rules("browTint", { bornOn: "2010-11-26" })).toEqual(["stop underAge"]);
    expect(rules("lightening", { bornOn: "2010-11-26" })).toEqual(["stop underAge"]);
    expect(rules("lift", { bornOn: "2010-11-26" })).toEqual([]);
    expect(rules("lashTint", { bornOn: null })).toEqual(["ask ageUnknown"]);
  });
});

test("each condition stops or asks, where it matters", () => {
  for (const condition of CONDITION_IDS) {
    const found = rules("lightening", { consultation: { version: 1, conditions: [condition], processed: false } });
    expect(found).toEqual([`${CONDITIONS[condition].weight} condition`]);
  }
  expect(rules("lift", { consultation: { version: 1, conditions: ["asthma", "dyeReaction"], processed: false } })).toEqual([]);
  expect(rules("lift", { consultation: null })).toEqual(["ask noConsultation"]);
  expect(rules("lift", { consentOn: null })).toEqual(["ask noConsent"]);
});

describe("spacing", () => {
  const past = (kind: "extensions" | "removal" | "lift" | "tint", daysAgo: number, part: "lashes" | "brows" = "lashes") => ({
    kind,
    parts: [part],
    atMs: NOW - daysAgo * DAY,
    stopped: null,
  });
  test("brows treated yesterday say nothing of lashes", () => {
    expect(rules("lift", { past: [past("lift", 1, "brows")] })).toEqual([]);
    expect(rules("lamination", { past: [past("lift", 1, "brows")] })).toEqual(["ask tooSoon"]);
    expect(rules("lashTint", { past: [past("tint", 1, "brows")] })).toEqual([]);
    expect(extensionsTooSoon([past("tint", 0.5, "brows")], NOW, 24)).toBeNull();
  });
  test("no lift over extensions, until they are off", () => {
    expect(rules("lift", { past: [past("extensions", 10)] })).toEqual(["stop liftOverExtensions"]);
    expect(rules("lift", { past: [past("extensions", 10), past("removal", 1)] })).toEqual([]);
    expect(rules("lift", { past: [past("extensions", 60)] })).toEqual([]);
    expect(rules("lamination", { past: [past("extensions", 1)] })).toEqual([]);
    expect(rules("lashTint", { past: [past("extensions", 0.2)] })).toEqual(["stop sameDay"]);
    expect(rules("removal", { past: [past("extensions", 10)] })).toEqual([]);
  });
  test("a lift again in six weeks, not sooner", () => {
    expect(rules("lift", { past: [past("lift", 41)] })).toEqual(["ask tooSoon"]);
    expect(rules("lift", { past: [past("lift", 42)] })).toEqual([]);
  });
  test("after a stop the next time asks how it has been, whatever is done; once something went well it asks no more", () => {
    const stopped = { ...past("tint", 60, "brows"), stopped: "splash" as const };
    expect(rules("lift", { past: [stopped] })).toEqual(["ask stoppedLast"]);
    expect(rules("removal", { past: [stopped] })).toEqual(["ask stoppedLast"]);
    expect(rules("lift", { past: [stopped, past("tint", 20, "brows")] })).toEqual([]);
    const [found] = readiness(shippedProtocols.lift(defaultPolicy), { ...sound, past: [stopped] }, TODAY, NOW, RULES);
    expect(found!.words).toBe("Last time was stopped (splash or sting), 60 days ago: ask how it has been since.");
  });
  test("a day between tint or lift and extensions", () => {
    expect(extensionsTooSoon([past("tint", 0.5)], NOW, 24)).toMatch(/tinted 12 h ago; extensions not before 24 h/);
    expect(extensionsTooSoon([past("lift", 1.01)], NOW, 24)).toBeNull();
    expect(extensionsTooSoon([], NOW, 24)).toBeNull();
  });
});

describe("what goes home", () => {
  const words = {
    moment: (ms: number) => new Date(ms).toISOString().slice(0, 16),
    day: (ms: number) => new Date(ms).toISOString().slice(0, 10),
  };
  const done = { service: "lift", label: "x", endedAtMs: NOW, againAfterDays: 0, stopped: null, used: ["Flood 1, lot F1"] } as const;
  test("after a stop the card speaks of the eye, the doctor and what was used, and of no result", () => {
    for (const stopped of ["splash", "gluedLids"] as const) {
      const { title, lines, again } = careCard({ ...done, label: "lash lift", againAfterDays: 42, stopped }, words);
      expect(title).toBe("After your lash lift was stopped");
      expect(lines.join(" ")).toMatch(/see a doctor.*take this card along/);
      expect(lines.join(" ")).toMatch(/No contact lenses.* before 2026-11-26T10:00\./);
      expect(lines).toContain("Used on 2026-11-25: Flood 1, lot F1.");
      expect(lines.join(" ")).not.toMatch(/nourishing|fades|Comb/);
      expect(again).toBeNull();
    }
    expect(careCard({ ...done, stopped: "gluedLids" }, words).lines.join(" ")).toMatch(/Never pull or cut/);
    expect(careCard({ ...done, stopped: "splash", used: [] }, words).lines.join(" ")).not.toMatch(/Used on/);
  });
  test("dates are counted from the end of the visit", () => {
    const card = careCard({ ...done, service: "liftTint", label: "lash lift and tint", againAfterDays: 42 }, words);
    expect(card.lines[0]).toBe("The nourishing lotion stays on; nothing on it before 2026-11-25T22:00.");
    expect(card.lines[1]).toMatch(/^No water, steam, oil.* before 2026-11-26T10:00\.$/);
    expect(card.again).toBe("Again from 2027-01-06, not sooner.");
    expect(careText(card, "Tideroom", "A client")).toContain("- Comb the lashes up once a day");
  });
  test("every service has its card, with whom to call, and its consent", () => {
    for (const service of Object.keys(shippedProtocols) as ServiceKind[]) {
      expect(careCard({ ...done, service }, words).lines.at(-1)).toMatch(/see a doctor/);
      expect(consentText(service)).toMatch(/say at once if anything stings/);
    }
  });
  test("there is no lash lightening, and the reason is given", () => expect(NO_LASH_LIGHTENING).toMatch(/not offered\..*break/));
});
