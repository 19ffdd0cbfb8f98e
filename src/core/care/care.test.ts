import fc from "fast-check";
import { defaultPolicy } from "../policy";
import { CLIENT_SERVICES, SERVICES, serviceOf, type ServiceId, type Treated, type Treatment } from "../service";
import {
  ageOn,
  ALLERGIES,
  ALLERGY_IDS,
  asksOf,
  beforeTheVisit,
  CONDITIONS,
  CONDITION_IDS,
  type Condition,
  consentText,
  isCovered,
  NOTHING_SO,
  SPACING,
  SPACING_IDS,
  careFindings,
  stopsOf,
  type CareFacts,
  type CareRules,
  type Consultation,
  type PastService,
  type PatchTest,
  type UsedProduct,
} from ".";

// Figures here are the handbook's: common practice and from memory (its section on care), not our formulas.

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
const NOW = Date.parse("2026-11-25T10:00:00Z");
const RULES: CareRules = { ...defaultPolicy, lashTintLawful: "confirmed" };
const FAMILIES = ["adhesive", "tint", "lightener", "lotion"] as const;
const KINDS: Treatment[] = ["extensions", "removal", "lift", "tint", "lightening"];

const testOf = (family: PatchTest["family"], over: Partial<PatchTest> = {}): PatchTest => ({
  id: `test ${family}`,
  family,
  productId: null,
  placedAtMs: NOW - 60 * DAY,
  readAfterHours: 48,
  readings: [{ id: `clear ${family}`, atMs: NOW - 58 * DAY, result: "clear", severe: null }],
  ...over,
});
const answers = (over: Partial<Consultation> = {}, confirmedAtMs = NOW - HOUR): CareFacts["consultation"] => ({
  document: { ...NOTHING_SO, ...over },
  wholeAtMs: NOW - 30 * DAY,
  confirmedAtMs,
  kinds: KINDS,
});
/** Somebody whose papers are in order for anything, today. */
const sound: CareFacts = {
  nowMs: NOW,
  atMs: NOW,
  today: "2026-11-25",
  dayStartMs: Date.parse("2026-11-25T00:00:00Z"),
  bornOn: "1990-03-01",
  tests: FAMILIES.map((family) => testOf(family)),
  liftings: [],
  allergies: [],
  consultation: answers(),
  extensionsSeen: null,
  consents: CLIENT_SERVICES.map((service) => ({ service, words: consentText(service), signedAtMs: NOW - 20 * DAY, signedBy: "client" })),
  past: [],
  products: [],
};
const found = (service: ServiceId, over: Partial<CareFacts> = {}, rules: Partial<CareRules> = {}) =>
  careFindings(service, { ...sound, ...over }, { ...RULES, ...rules }).map(({ weight, rule }) => `${weight} ${rule}`);
const done = (treatment: Treatment, hoursAgo: number, part: Treated["part"] = "lashes", over: Partial<PastService> = {}): PastService => ({
  label: treatment,
  treated: [{ treatment, part }],
  atMs: NOW - hoursAgo * HOUR,
  stopped: null,
  known: "here",
  ...over,
});
const used = (over: Partial<UsedProduct> = {}): UsedProduct => ({
  productId: "one",
  name: "One",
  family: "adhesive",
  isPowder: false,
  openedOn: "2026-11-01",
  lifeAfterOpeningDays: 42,
  expiresOn: null,
  ...over,
});

test("somebody whose papers are in order may have anything", () => {
  for (const service of CLIENT_SERVICES) expect([service, found(service)]).toEqual([service, []]);
});
test("nothing stands against practice on a mannequin head", () =>
  expect(found("practice", { consultation: answers({ conditions: ["inflamed"] }), bornOn: null, tests: [] })).toEqual([]));

describe("stops and questions, over every service", () => {
  // Which services each condition stops (■), is asked at (▲), or says nothing of (·), in the order of the table of services.
  const ORDER: ServiceId[] = [
    "newSet",
    "fill",
    "removal",
    "lift",
    "liftTint",
    "lashTint",
    "browTint",
    "lashBrowTint",
    "lamination",
    "lightening",
  ];
  test("the order is every client service", () => expect([...ORDER].sort()).toEqual([...CLIENT_SERVICES].sort()));
  test.each([
    ["inflamed", "■■■■■■■■■■"],
    ["sunburn", "■■■■■■■■■■"],
    ["sincePatchTest", "■■·■■■■■■■"],
    ["contactLenses", "▲▲▲▲▲▲▲▲▲▲"],
    ["pregnancy", "▲▲▲▲▲▲▲▲▲▲"],
    ["chemotherapy", "▲▲▲▲▲▲▲▲▲▲"],
    ["thyroid", "▲▲▲▲▲▲▲▲▲▲"],
    ["blepharitis", "▲▲▲▲▲▲▲▲▲▲"],
    ["dryEye", "▲▲▲▲▲▲▲▲▲▲"],
    ["serum", "▲▲▲▲▲▲▲▲▲▲"],
    ["asthma", "▲▲·······▲"],
    ["retinoids", "······▲▲▲▲"],
    ["peel", "······▲▲▲▲"],
    ["waxedToday", "······▲▲▲▲"],
    ["permanentMakeUp", "······▲▲▲▲"],
    ["injections", "······▲▲▲▲"],
  ] as const)("condition %s: %s", (condition, row) => {
    const marks = ORDER.map((service) => {
      const [first] = found(service, { consultation: answers({ conditions: [condition] }) });
      return first === "stop condition" ? "■" : first === "ask condition" ? "▲" : first === undefined ? "·" : first;
    });
    expect(marks.join("")).toBe(row);
  });
  test("what is to be minded besides asking is said with it", () => {
    const words = (conditions: Condition[]) => careFindings("fill", { ...sound, consultation: answers({ conditions }) }, RULES)[0]!.words;
    expect(words(["contactLenses"])).toBe("Contact lenses: out before anything; ask, and write down why it goes ahead.");
    expect(words(["dryEye"])).toBe("Dry eyes: ask, and write down why it goes ahead.");
    expect(words(["asthma"])).toMatch(/^Asthma: air the room/);
  });
  test("every condition has its row", () => expect(CONDITION_IDS).toHaveLength(16));
  test.each([
    ["acrylate", "■■········"],
    ["dye", "····■■■■·■"],
    ["persulfate", "·········■"],
    ["thioglycolate", "···■■···■·"],
    ["latex", "▲▲▲▲▲▲▲▲▲▲"],
    ["tape", "▲▲▲▲▲▲·▲··"],
    ["gelPads", "▲▲▲▲▲▲·▲··"],
  ] as const)("allergy %s: %s", (allergy, row) => {
    const marks = ORDER.map((service) => {
      const [first] = found(service, { allergies: [allergy] });
      return first === "stop allergy" ? "■" : first === "ask allergy" ? "▲" : first === undefined ? "·" : first;
    });
    expect(marks.join("")).toBe(row);
  });
  test("every allergy has its row, and a question names its substitute", () => {
    expect(ALLERGY_IDS).toHaveLength(7);
    expect(careFindings("fill", { ...sound, allergies: ["latex"] }, RULES)[0]!.words).toMatch(/nitrile/);
    expect(ALLERGIES.dye.label).toMatch(/henna/);
  });
  test("another allergy, in the client's words, is asked", () =>
    expect(found("lift", { consultation: answers({ otherAllergies: "nickel" }) })).toEqual(["ask otherAllergy"]));
  test("asthma stops a powder lightener, and only that", () => {
    const asthma = { consultation: answers({ conditions: ["asthma"] }) };
    const lightener = (isPowder: boolean) => [used({ family: "lightener", isPowder, openedOn: null, lifeAfterOpeningDays: null })];
    expect(found("lightening", { ...asthma, products: lightener(true) })).toContain("stop condition");
    expect(found("lightening", { ...asthma, products: lightener(false) })).toContain("ask condition");
  });
  test("a removal over an inflamed eye only at a doctor's word, and no other service at it", () => {
    const word = { consultation: answers({ conditions: ["inflamed"], doctorsWord: "Dr Reed, today" }) };
    expect(found("removal", word)).toEqual(["ask condition"]);
    expect(found("lift", word)).toEqual(["stop condition"]);
  });
  test("for a later day what stands today is a note; what cannot be mended stays a stop", () => {
    const ahead = { atMs: NOW + 7 * DAY, dayStartMs: sound.dayStartMs + 7 * DAY, today: "2026-12-02" };
    expect(found("fill", { ...ahead, consultation: answers({ conditions: ["inflamed"] }) })).toEqual(["note condition"]);
    expect(found("fill", { ...ahead, allergies: ["acrylate"] })).toEqual(["stop allergy"]);
    expect(found("fill", { ...ahead, consultation: null, consents: [] })).toEqual(["note noConsent"]);
  });
});

describe("after an eye operation", () => {
  const had = (on: string | null, releasedOn: string | null) => ({ consultation: answers({ operation: { what: "", on, releasedOn } }) });
  test("not before three months, whatever is noted; not without the surgeon's release", () => {
    for (const service of CLIENT_SERVICES) expect(found(service, had("2026-09-01", "2026-10-01"))).toEqual(["stop operation"]);
    expect(found("lift", had("2026-08-24", "2026-10-01"))).toEqual([]);
    expect(found("lift", had("2026-08-26", "2026-10-01"))).toEqual(["stop operation"]);
    expect(found("lift", had("2020-01-01", null))).toEqual(["stop operation"]);
    expect(found("lift", had(null, "2026-10-01"))).toEqual(["ask operation"]);
    expect(found("lift", had(null, null))).toEqual(["stop operation"]);
  });
  test("a studio may wait longer", () =>
    expect(found("lift", had("2026-07-01", "2026-10-01"), { operationMonths: 6 })).toEqual(["stop operation"]));
});

describe("age", () => {
  test.each([
    ["2010-11-25", 16],
    ["2010-11-26", 15],
    ["2008-02-29", 18],
  ])("born %s is %i", (born, years) => expect(ageOn(born, "2026-11-25")).toBe(years));
  test("sixteen is the floor of tint, lightening, lift, lamination; extensions by default; removal at any age", () => {
    for (const service of CLIENT_SERVICES) {
      const expected = service === "removal" ? [] : ["stop underAge"];
      for (const bornOn of ["2010-11-26", "2018-11-25"]) expect([service, found(service, { bornOn })]).toEqual([service, expected]);
    }
    expect(found("fill", { bornOn: "2011-11-26" }, { extensionsAge: 14 })).toEqual(["stop guardian"]);
  });
  test("at sixteen and seventeen a guardian signs, for that service", () => {
    const bornOn = "2010-11-25";
    expect(found("lift", { bornOn })).toEqual(["stop guardian"]);
    const signedBy = (service: ServiceId) =>
      sound.consents.map((one) => (one.service === service ? { ...one, signedBy: "guardian" as const } : one));
    expect(found("lift", { bornOn, consents: signedBy("lift") })).toEqual([]);
    expect(found("lift", { bornOn, consents: signedBy("browTint") })).toEqual(["stop guardian"]);
    expect(found("lift", { bornOn: "2008-11-25" })).toEqual([]);
  });
  test("not known it is asked", () => {
    expect(found("fill", { bornOn: null })).toEqual(["ask ageUnknown"]);
    expect(found("removal", { bornOn: null })).toEqual([]);
  });
});

describe("patch tests in a service", () => {
  const without = (family: PatchTest["family"]) => ({ tests: sound.tests.filter((test) => test.family !== family) });
  test("colour and lightening never without; adhesive and lotion may, for a written reason", () => {
    expect(found("lashTint", without("tint"))).toEqual(["stop noPatchTest"]);
    expect(found("lightening", without("lightener"))).toEqual(["stop noPatchTest"]);
    expect(found("lightening", without("tint"))).toEqual(["stop noPatchTest"]);
    expect(found("lift", without("lotion"))).toEqual(["ask noPatchTest"]);
    expect(found("fill", without("adhesive"))).toEqual(["ask noPatchTest"]);
    expect(found("liftTint", { tests: [] })).toEqual(["stop noPatchTest", "ask noPatchTest"]);
    expect(found("removal", { tests: [] })).toEqual([]);
  });
  test("“worn before” counts on our record only", () => {
    const words = (past: PastService[]) => careFindings("fill", { ...sound, ...without("adhesive"), past }, RULES)[0]!.words;
    expect(words([done("extensions", 20 * 24), done("extensions", 50 * 24)])).toMatch(/Worn 2 times before on our record/);
    expect(words([done("extensions", 20 * 24, "lashes", { known: "elsewhere" })])).not.toMatch(/Worn/);
  });
  test("a product that was not the one tested is asked about", () => {
    const tests = [testOf("adhesive", { productId: "one" })];
    expect(found("fill", { tests, products: [used()] })).toEqual([]);
    expect(found("fill", { tests, products: [used({ productId: "two" })] })).toEqual(["ask newProduct"]);
    // Of which product the test was is not known: nothing can be said of a new one.
    expect(found("fill", { products: [used({ productId: "two" })] })).toEqual([]);
  });
  test("booked ahead there is time to place one and read it, or there is not", () => {
    const ahead = (hours: number) => ({
      ...without("tint"),
      atMs: NOW + hours * HOUR,
      dayStartMs: sound.dayStartMs + Math.ceil(hours / 24) * DAY,
    });
    expect(found("lashTint", ahead(72))).toEqual(["note noPatchTest"]);
    expect(found("lashTint", ahead(48))).toEqual(["note noPatchTest"]);
    expect(found("lashTint", ahead(47))).toEqual(["stop noPatchTest"]);
    expect(found("fill", { ...without("adhesive"), atMs: NOW + 20 * HOUR, dayStartMs: sound.dayStartMs + DAY })).toEqual([
      "ask noPatchTest",
    ]);
  });
  test("a product's own family counts beside the service's", () =>
    expect(found("lamination", { ...without("tint"), products: [used({ family: "tint", lifeAfterOpeningDays: null })] })).toEqual([
      "stop noPatchTest",
    ]));
});

describe("reactions", () => {
  const reacted = (family: PatchTest["family"], severe: boolean | null = false) =>
    testOf(family, {
      id: "reacted",
      placedAtMs: NOW - 200 * DAY,
      readings: [{ id: "reaction", atMs: NOW - 198 * DAY, result: "reaction", severe }],
    });
  test("a reaction stands for good, whatever is tested clear later, and stops its family only", () => {
    const tests = [...sound.tests, reacted("lotion")];
    for (const service of CLIENT_SERVICES) {
      const stopped = serviceOf(service).families.includes("lotion");
      expect([service, found(service, { tests })]).toEqual([service, stopped ? ["stop reaction"] : []]);
    }
    expect(found("removal", { tests: [...sound.tests, reacted("adhesive")] })).toEqual([]);
  });
  test("lifted by the owner it is said ever after, and holds for that product alone", () => {
    const tests = [...sound.tests, reacted("tint")];
    const liftings = [{ readingId: "reaction", productId: "one", finding: "Dr Reed, 3 June", atMs: NOW - 100 * DAY }];
    const tint = (productId: string) => [used({ productId, family: "tint", lifeAfterOpeningDays: null })];
    expect(found("browTint", { tests, liftings, products: tint("one") })).toEqual(["note reaction"]);
    expect(found("browTint", { tests, liftings, products: tint("two") })).toEqual(["stop reaction"]);
    expect(found("browTint", { tests, liftings, products: [...tint("one"), ...tint("two")] })).toEqual(["stop reaction"]);
    expect(found("browTint", { tests, liftings })).toEqual(["ask reaction"]);
    expect(found("browTint", { tests })).toEqual(["stop reaction"]);
  });
  test("after swelling, blisters or trouble breathing, or where nobody knows, a lifting does nothing", () => {
    const liftings = [{ readingId: "reaction", productId: "one", finding: "Dr Reed, 3 June", atMs: NOW }];
    for (const severe of [true, null])
      expect(
        found("browTint", {
          tests: [...sound.tests, reacted("tint", severe)],
          liftings,
          products: [used({ family: "tint", lifeAfterOpeningDays: null })],
        }),
      ).toEqual(["stop reaction"]);
  });
});

describe("spacing, row by row", () => {
  // before, then, part, hours: stop under, ask under (null: never). The table of the handbook.
  const W = 7 * 24;
  const TABLE: [keyof typeof SPACING, Treatment, Treated["part"], ServiceId, number | null, number | null][] = [
    ["liftThenExtensions", "lift", "lashes", "newSet", 48, 6 * W],
    ["tintThenExtensions", "tint", "lashes", "fill", null, 24],
    ["liftAgain", "lift", "lashes", "lift", 4 * W, 6 * W],
    ["laminationAgain", "lift", "brows", "lamination", 4 * W, 6 * W],
    ["tintThenLift", "tint", "lashes", "lift", null, 24],
    ["lashTintAgain", "tint", "lashes", "lashTint", null, 3 * W],
    ["lighteningThenLamination", "lightening", "brows", "lamination", 14 * 24, null],
    ["laminationThenLightening", "lift", "brows", "lightening", 14 * 24, null],
    ["browTintThenLightening", "tint", "brows", "lightening", null, 14 * 24],
  ];
  test("every row is in the table", () => expect(TABLE.map(([id]) => id).sort()).toEqual([...SPACING_IDS].sort()));
  test.each(TABLE)("%s: %s of %s, then %s, stop under %s h, ask under %s h", (_id, before, part, then, stop, ask) => {
    const after = (hours: number) => found(then, { past: [done(before, hours, part)] });
    if (stop !== null) {
      expect(after(0)).toEqual(["stop spacing"]);
      expect(after(stop - 0.01)).toEqual(["stop spacing"]);
      expect(after(stop)).toEqual(ask !== null && ask > stop ? ["ask spacing"] : []);
    } else expect(after(0)).toEqual(["ask spacing"]);
    if (ask !== null) {
      expect(after(ask - 0.01)).toEqual(["ask spacing"]);
      expect(after(ask)).toEqual([]);
    }
    // The other part of the hair is other hair.
    expect(
      found(then, { past: [done(before, 1, part === "lashes" ? "brows" : "lashes")] }).filter((one) => one.endsWith("spacing")),
    ).not.toContain(stop === null ? "ask spacing" : "stop spacing");
  });
  test("a studio's own hours take the place of the usual ones", () => {
    const spacing = { liftAgain: { stopHours: 100, askHours: null } };
    expect(found("lift", { past: [done("lift", 99)] }, { spacing })).toEqual(["stop spacing"]);
    expect(found("lift", { past: [done("lift", 100)] }, { spacing })).toEqual([]);
  });
  test("what is agreed, or done elsewhere on a known day, counts as well", () => {
    expect(found("lift", { past: [done("lift", 24, "lashes", { known: "agreed" })] })).toEqual(["stop spacing"]);
    expect(found("lift", { past: [done("lift", 24, "lashes", { known: "elsewhere" })] })).toEqual(["stop spacing"]);
  });
  test("a lift and tint counts as both, and the newest decides", () => {
    const both = done("lift", 30, "lashes", { treated: SERVICES.liftTint.counts });
    expect(found("lashTint", { past: [both] })).toEqual(["ask spacing"]);
    expect(found("newSet", { past: [both] })).toEqual(["stop spacing"]);
    expect(found("lift", { past: [done("lift", 7 * W), done("lift", 10)] })).toEqual(["stop spacing"]);
  });

  describe("what is agreed for later and would come too soon after this", () => {
    const agreed = (service: ServiceId, inHours: number): PastService => ({
      label: SERVICES[service].label,
      treated: SERVICES[service].counts,
      atMs: NOW + (inHours + 2) * HOUR,
      fromMs: NOW + inHours * HOUR,
      stopped: null,
      known: "agreed",
    });
    /** The service is booked for the day after tomorrow; hours count from then. */
    const AHEAD = 48;
    const booking = (service: ServiceId, past: readonly PastService[]) =>
      careFindings(
        service,
        { ...sound, atMs: NOW + AHEAD * HOUR, dayStartMs: sound.dayStartMs + 2 * DAY, today: "2026-11-27", past },
        RULES,
      ).filter(({ rule }) => rule === "agreedLater");

    test("refuses a booking before it, by the stops of the table, from the end of this to the beginning of that", () => {
      const lift = SERVICES.lift.usualMinutes / 60;
      expect(booking("lift", [agreed("newSet", AHEAD + lift + 47.9)]).map(({ weight }) => weight)).toEqual(["stop"]);
      expect(booking("lift", [agreed("newSet", AHEAD + lift + 48)])).toEqual([]);
      expect(booking("lift", [agreed("newSet", AHEAD + 20)])[0]!.words).toBe(
        "Agreed 20 h after this: new set; once lifted, lashes wait 48 h for it. Move one of the two.",
      );
      // What would only be asked about is asked when it comes; other hair is other hair; what lies before is not after.
      expect(booking("lashTint", [agreed("fill", AHEAD + 20)])).toEqual([]);
      expect(booking("lamination", [agreed("newSet", AHEAD + 20)])).toEqual([]);
      expect(booking("lift", [agreed("newSet", AHEAD - 20)])).toEqual([]);
      expect(booking("lift", [agreed("newSet", AHEAD + 40), agreed("fill", AHEAD + 20)]).map(({ words }) => words.split(";")[0])).toEqual([
        "Agreed 20 h after this: fill",
        "Agreed 40 h after this: new set",
      ]);
      expect(booking("lightening", [agreed("lamination", AHEAD + 24 * 13)]).map(({ weight }) => weight)).toEqual(["stop"]);
    });
    test("extensions before a lift or lash tint, unless their removal is agreed between, or they are outworn by then", () => {
      const words = (past: readonly PastService[]) => booking("newSet", past).map(({ words: said }) => said);
      expect(words([agreed("lift", AHEAD + 24 * 9)])).toEqual([
        "Agreed 9 days after this: lash lift; not over extensions. Move one of the two, or book the removal between them.",
      ]);
      expect(words([agreed("lashTint", AHEAD + 24 * 9), agreed("removal", AHEAD + 24 * 8)])).toEqual([]);
      expect(words([agreed("lashTint", AHEAD + 24 * 9), agreed("removal", AHEAD + 24 * 10)])).toHaveLength(1);
      expect(words([agreed("lift", AHEAD + 24 * 43)])).toEqual([]);
      expect(words([agreed("browTint", AHEAD + 24)])).toEqual([]);
    });
    test("on the day it is asked about: then the later visit moves", () => {
      expect(found("lift", { past: [agreed("newSet", 20)] })).toEqual(["ask agreedLater"]);
      expect(found("newSet", { past: [agreed("lift", 24 * 9)] })).toEqual(["ask agreedLater"]);
    });
  });

  describe("extensions that are still worn", () => {
    const set = done("extensions", 3 * 24);
    test("no lift, no lash tint over them; brows and removal are free", () => {
      const against = CLIENT_SERVICES.filter((service) => found(service, { past: [set] }).includes("stop wornExtensions"));
      expect(against).toEqual(["lift", "liftTint", "lashTint", "lashBrowTint"]);
    });
    test("for a later day it says to book the removal first, and one that is booked clears it", () => {
      const ahead = { past: [set], atMs: NOW + 7 * DAY, dayStartMs: sound.dayStartMs + 7 * DAY, today: "2026-12-02" };
      expect(careFindings("lift", { ...sound, ...ahead }, RULES)[0]!.words).toMatch(/Book their removal before it/);
      expect(careFindings("lift", { ...sound, past: [set] }, RULES)[0]!.words).toMatch(/Take them off and write the removal down/);
      const removal = { ...done("removal", -5 * 24), known: "agreed" as const };
      expect(found("lift", { ...ahead, past: [set, removal] })).toEqual([]);
    });
    test("worn for 42 days, until a removal, or until somebody looked", () => {
      expect(found("lift", { past: [done("extensions", 42 * 24)] })).toEqual(["stop wornExtensions"]);
      expect(found("lift", { past: [done("extensions", 42 * 24 + 1)] })).toEqual([]);
      expect(found("lift", { past: [set, done("removal", 30)] })).toEqual([]);
      // Of the same moment: taken off, or looked at, after it.
      expect(found("lift", { past: [set, done("removal", 3 * 24)] })).toEqual([]);
      expect(found("lift", { past: [set], extensionsSeen: { on: false, atMs: set.atMs } })).toEqual([]);
      expect(found("lift", { past: [set, done("removal", 4 * 24)] })).toEqual(["stop wornExtensions"]);
      expect(found("lift", { past: [set], extensionsSeen: { on: false, atMs: NOW - HOUR } })).toEqual([]);
      expect(found("lift", { past: [set], extensionsSeen: { on: false, atMs: NOW - 4 * DAY } })).toEqual(["stop wornExtensions"]);
      expect(found("lift", { extensionsSeen: { on: true, atMs: NOW - HOUR } })).toEqual(["stop wornExtensions"]);
      expect(found("lift", { extensionsSeen: { on: true, atMs: NOW - 2 * DAY }, past: [done("removal", 24)] })).toEqual([]);
    });
    test("a lift on the day of the removal is asked about", () => {
      expect(found("lift", { past: [set, done("removal", 2)] })).toEqual(["ask removedToday"]);
      expect(found("lashTint", { past: [set, done("removal", 2)] })).toEqual([]);
      expect(found("lift", { past: [set, done("removal", 11)] })).toEqual([]);
      expect(found("lift", { past: [set, done("removal", 9.9)] })).toEqual(["ask removedToday"]);
      expect(found("lift", { past: [set, done("removal", 10)] })).toEqual(["ask removedToday"]);
    });
  });
});

describe("the rest", () => {
  test("lash tint is offered once its lawfulness is confirmed", () => {
    const not = CLIENT_SERVICES.filter((service) => found(service, {}, { lashTintLawful: "notConfirmed" }).includes("stop lawful"));
    expect(not).toEqual(["liftTint", "lashTint", "lashBrowTint"]);
  });
  test("consultation: asked on the day, whole after six months and for a new kind of service", () => {
    expect(found("fill", { consultation: null })).toEqual(["ask noConsultation"]);
    expect(found("fill", { consultation: answers({}, NOW - 11 * HOUR) })).toEqual(["ask noConsultation"]);
    expect(found("fill", { consultation: answers({}, sound.dayStartMs) })).toEqual([]);
    expect(found("fill", { consultation: { ...answers()!, wholeAtMs: Date.parse("2026-05-24T10:00:00Z") } })).toEqual([
      "ask noConsultation",
    ]);
    expect(found("fill", { consultation: { ...answers()!, wholeAtMs: Date.parse("2026-05-26T10:00:00Z") } })).toEqual([]);
    expect(found("fill", { consultation: { ...answers()!, kinds: ["lift"] } })).toEqual(["ask noConsultation"]);
  });
  test("consent: for this service, in today's wording, for twelve months; none for a removal", () => {
    const only = (over: object) => ({
      consents: [{ service: "lift" as const, words: consentText("lift"), signedAtMs: NOW - DAY, signedBy: "client" as const, ...over }],
    });
    expect(found("lift", only({}))).toEqual([]);
    expect(found("lift", { consents: [] })).toEqual(["ask noConsent"]);
    expect(found("lift", only({ service: "fill" }))).toEqual(["ask noConsent"]);
    expect(found("lift", only({ words: "older words" }))).toEqual(["ask noConsent"]);
    expect(found("lift", only({ signedAtMs: NOW - 366 * DAY }))).toEqual(["ask noConsent"]);
    expect(found("lift", only({ signedAtMs: NOW - 364 * DAY }))).toEqual([]);
    expect(found("removal", { consents: [] })).toEqual([]);
  });
  test("products past their life: adhesive asked, the rest stopped; past the printed date nothing is used", () => {
    const lotion = { family: "lotion" as const };
    expect(found("fill", { products: [used({ lifeAfterOpeningDays: 24 })] })).toEqual([]);
    expect(found("fill", { products: [used({ lifeAfterOpeningDays: 23 })] })).toEqual(["ask productLife"]);
    expect(found("lift", { products: [used({ ...lotion, lifeAfterOpeningDays: 24 })] })).toEqual([]);
    expect(found("lift", { products: [used({ ...lotion, lifeAfterOpeningDays: 23 })] })).toEqual(["stop productLife"]);
    for (const family of ["adhesive", "lotion"] as const) {
      const service = family === "adhesive" ? "fill" : "lift";
      expect(found(service, { products: [used({ family, expiresOn: "2026-11-24" })] })).toEqual(["stop productLife"]);
      expect(found(service, { products: [used({ family, expiresOn: "2026-11-25" })] })).toEqual([]);
    }
    expect(found("removal", { products: [used({ family: null, lifeAfterOpeningDays: 1 })] })).toEqual(["stop productLife"]);
  });
  test("work done elsewhere is asked: what and when, on the same hair", () => {
    const elsewhere = { consultation: answers({ elsewhere: [{ treatment: "lift", part: "brows", on: null }] }) };
    expect(careFindings("lamination", { ...sound, ...elsewhere }, RULES)[0]!.words).toMatch(/^Lamination elsewhere, nobody knows when/);
    expect(found("lift", elsewhere)).toEqual([]);
  });
  test("after a stop the next visit asks how it has been; once something went well it asks no more", () => {
    const stopped = done("tint", 60 * 24, "brows", { stopped: "splash or sting" });
    expect(careFindings("fill", { ...sound, past: [stopped] }, RULES)[0]!.words).toBe(
      "Last time was stopped (splash or sting), 60 days before: ask how it has been since.",
    );
    expect(found("fill", { past: [stopped, done("tint", 20 * 24, "brows")] })).toEqual([]);
  });
  test("a reason covers what it was written for, while that is unchanged", () => {
    const findings = careFindings("fill", { ...sound, consultation: answers({ conditions: ["dryEye"] }), allergies: ["latex"] }, RULES);
    const keys = asksOf(findings).map(({ key }) => key);
    expect(keys).toHaveLength(2);
    expect(isCovered(findings, "spoken to her doctor", keys)).toBe(true);
    expect(isCovered(findings, "spoken to her doctor", keys.slice(1))).toBe(false);
    expect(isCovered(findings, " x ", keys)).toBe(false);
    expect(isCovered([], "", [])).toBe(false);
  });
  test("an overview leaves out what is asked and signed at every visit", () => {
    const findings = careFindings("fill", { ...sound, consultation: null, consents: [], allergies: ["latex"] }, RULES);
    expect(beforeTheVisit(findings).map(({ rule }) => rule)).toEqual(["allergy"]);
  });
  test("stops come first, then questions, then notes", () => {
    const findings = careFindings(
      "fill",
      { ...sound, consultation: answers({ conditions: ["dryEye", "inflamed"] }), allergies: ["latex", "acrylate"] },
      RULES,
    );
    expect(findings.map(({ weight }) => weight)).toEqual(["stop", "stop", "ask", "ask"]);
  });
});

describe("adding facts never lowers what stands, save for the owner's written lifting", () => {
  const moment = fc.integer({ min: 1, max: 400 * 24 }).map((hours) => NOW - hours * HOUR);
  const reading = fc.record({
    id: fc.uuid(),
    atMs: moment,
    result: fc.constantFrom("clear", "reaction"),
    severe: fc.constantFrom(true, false, null),
  });
  const anyTest = fc
    .record({ id: fc.uuid(), family: fc.constantFrom(...FAMILIES), placedAtMs: moment, readings: fc.array(reading, { maxLength: 3 }) })
    .map((test) => testOf(test.family, test as Partial<PatchTest>));
  // A removal is what takes extensions off, and the newest of a kind decides: neither is among what may be added here.
  const anyPast = fc
    .record({
      treatment: fc.constantFrom<Treatment>("extensions", "lift", "tint", "lightening"),
      part: fc.constantFrom<Treated["part"]>("lashes", "brows"),
      hours: fc.integer({ min: 0, max: 2000 }),
    })
    .map(({ treatment, part, hours }) => done(treatment, hours, part));
  const facts = fc.record({
    tests: fc.array(anyTest, { maxLength: 5 }),
    past: fc.array(anyPast, { maxLength: 4 }),
    allergies: fc.uniqueArray(fc.constantFrom(...ALLERGY_IDS)),
    conditions: fc.uniqueArray(fc.constantFrom(...CONDITION_IDS)),
  });
  const weights = { stop: 2, ask: 1, note: 0 };
  const worst = (service: ServiceId, rules: readonly string[], over: Partial<CareFacts>) =>
    Math.max(
      -1,
      ...careFindings(service, { ...sound, ...over }, RULES)
        .filter(({ rule }) => rules.includes(rule))
        .map(({ weight }) => weights[weight]),
    );

  test("reactions, allergies, conditions, spacing: more facts stand as much or more", () => {
    fc.assert(
      fc.property(facts, facts, fc.constantFrom(...CLIENT_SERVICES), (some, more, service) => {
        const of = (one: typeof some) => ({
          tests: one.tests,
          past: one.past,
          allergies: one.allergies,
          consultation: answers({ conditions: one.conditions }),
        });
        const both = {
          tests: [...some.tests, ...more.tests],
          past: [...some.past, ...more.past],
          allergies: [...new Set([...some.allergies, ...more.allergies])],
          conditions: [...new Set([...some.conditions, ...more.conditions])],
        };
        for (const rules of [["reaction"], ["allergy"], ["condition"], ["spacing", "wornExtensions"]])
          expect(worst(service, rules, of(both))).toBeGreaterThanOrEqual(worst(service, rules, of(some)));
      }),
      { numRuns: 600 },
    );
  });
  test("no test added later takes a reaction away", () => {
    fc.assert(
      fc.property(fc.array(anyTest, { maxLength: 6 }), (tests) => {
        const reacted = testOf("tint", { readings: [{ id: "r", atMs: NOW - 300 * DAY, result: "reaction", severe: false }] });
        expect(stopsOf(careFindings("browTint", { ...sound, tests: [reacted, ...tests] }, RULES)).map(({ rule }) => rule)).toContain(
          "reaction",
        );
      }),
    );
  });
});

test("what a client is asked and what a technician reads are both there", () => {
  for (const id of CONDITION_IDS)
    expect([id, CONDITIONS[id].question.length > 5, CONDITIONS[id].label.length > 3]).toEqual([id, true, true]);
});
