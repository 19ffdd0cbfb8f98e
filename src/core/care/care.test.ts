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
  withProducts,
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
  mannequin: false,
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
const findingsFor = (service: ServiceId, over: Partial<CareFacts> = {}, rules: Partial<CareRules> = {}) =>
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
  for (const service of CLIENT_SERVICES) expect([service, findingsFor(service)]).toEqual([service, []]);
});
test("nothing stands against practice on a mannequin head", () =>
  expect(
    findingsFor("practice", { mannequin: true, consultation: answers({ conditions: ["inflamed"] }), bornOn: null, tests: [] }),
  ).toEqual([]));
test("a bottle chosen at the chair stands as the server finds it, the gravest first; on a mannequin head it harms nobody", () => {
  const old = used({ openedOn: "2026-09-01" });
  const asked = careFindings("fill", { ...sound, consultation: answers({ conditions: ["dryEye"] }) }, RULES);
  const found = careFindings("fill", { ...sound, consultation: answers({ conditions: ["dryEye"] }), products: [old] }, RULES);
  expect(
    withProducts("fill", asked, [old], sound.today)
      .map(({ key }) => key)
      .sort(),
  ).toEqual(found.map(({ key }) => key).sort());
  const past = used({ expiresOn: "2026-11-01" });
  expect(withProducts("fill", asked, [past], sound.today).map(({ weight }) => weight)).toEqual(["stop", "ask"]);
  expect(withProducts("practice", [], [past], sound.today)).toEqual([]);
});
test("practice is for mannequin heads, and nothing else is for them", () => {
  expect(findingsFor("practice")).toEqual(["stop practiceOnHead"]);
  for (const service of CLIENT_SERVICES)
    expect([service, findingsFor(service, { mannequin: true })]).toEqual([service, ["stop practiceOnHead"]]);
});

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
      const [first] = findingsFor(service, { consultation: answers({ conditions: [condition] }) });
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
      const [first] = findingsFor(service, { allergies: [allergy] });
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
    expect(findingsFor("lift", { consultation: answers({ otherAllergies: "nickel" }) })).toEqual(["ask otherAllergy"]));
  test("asthma stops a powder lightener, and only that", () => {
    const asthma = { consultation: answers({ conditions: ["asthma"] }) };
    const lightener = (isPowder: boolean) => [used({ family: "lightener", isPowder, openedOn: null, lifeAfterOpeningDays: null })];
    expect(findingsFor("lightening", { ...asthma, products: lightener(true) })).toContain("stop condition");
    expect(findingsFor("lightening", { ...asthma, products: lightener(false) })).toContain("ask condition");
  });
  test("a removal over an inflamed eye only at a doctor's word, and no other service at it", () => {
    const word = { consultation: answers({ conditions: ["inflamed"], doctorsWord: "Dr Reed, today" }) };
    expect(findingsFor("removal", word)).toEqual(["ask condition"]);
    expect(findingsFor("lift", word)).toEqual(["stop condition"]);
  });
  test("for a later day what stands today is a note; what cannot be mended stays a stop", () => {
    const ahead = { atMs: NOW + 7 * DAY, dayStartMs: sound.dayStartMs + 7 * DAY, today: "2026-12-02" };
    expect(findingsFor("fill", { ...ahead, consultation: answers({ conditions: ["inflamed"] }) })).toEqual(["note condition"]);
    expect(findingsFor("fill", { ...ahead, allergies: ["acrylate"] })).toEqual(["stop allergy"]);
    expect(findingsFor("fill", { ...ahead, consultation: null, consents: [] })).toEqual(["note noConsent"]);
  });
});

describe("after an eye operation", () => {
  const had = (on: string | null, releasedOn: string | null) => ({ consultation: answers({ operation: { what: "", on, releasedOn } }) });
  test("not before three months, whatever is noted; not without the surgeon's release", () => {
    for (const service of CLIENT_SERVICES) expect(findingsFor(service, had("2026-09-01", "2026-10-01"))).toEqual(["stop operation"]);
    expect(findingsFor("lift", had("2026-08-24", "2026-10-01"))).toEqual([]);
    expect(findingsFor("lift", had("2026-08-26", "2026-10-01"))).toEqual(["stop operation"]);
    expect(findingsFor("lift", had("2020-01-01", null))).toEqual(["stop operation"]);
    expect(findingsFor("lift", had(null, "2026-10-01"))).toEqual(["ask operation"]);
    expect(findingsFor("lift", had(null, null))).toEqual(["stop operation"]);
  });
  test("a studio may wait longer", () =>
    expect(findingsFor("lift", had("2026-07-01", "2026-10-01"), { operationMonths: 6 })).toEqual(["stop operation"]));
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
      for (const bornOn of ["2010-11-26", "2018-11-25"]) expect([service, findingsFor(service, { bornOn })]).toEqual([service, expected]);
    }
    expect(findingsFor("fill", { bornOn: "2011-11-26" }, { extensionsAge: 14 })).toEqual(["stop guardian"]);
  });
  test("at sixteen and seventeen a guardian signs, for that service", () => {
    const bornOn = "2010-11-25";
    expect(findingsFor("lift", { bornOn })).toEqual(["stop guardian"]);
    const signedBy = (service: ServiceId) =>
      sound.consents.map((one) => (one.service === service ? { ...one, signedBy: "guardian" as const } : one));
    expect(findingsFor("lift", { bornOn, consents: signedBy("lift") })).toEqual([]);
    expect(findingsFor("lift", { bornOn, consents: signedBy("browTint") })).toEqual(["stop guardian"]);
    expect(findingsFor("lift", { bornOn: "2008-11-25" })).toEqual([]);
  });
  test("not known it is asked", () => {
    expect(findingsFor("fill", { bornOn: null })).toEqual(["ask ageUnknown"]);
    expect(findingsFor("removal", { bornOn: null })).toEqual([]);
  });
});

describe("patch tests in a service", () => {
  const without = (family: PatchTest["family"]) => ({ tests: sound.tests.filter((test) => test.family !== family) });
  test("colour and lightening never without; adhesive and lotion may, for a written reason", () => {
    expect(findingsFor("lashTint", without("tint"))).toEqual(["stop noPatchTest"]);
    expect(findingsFor("lightening", without("lightener"))).toEqual(["stop noPatchTest"]);
    expect(findingsFor("lightening", without("tint"))).toEqual(["stop noPatchTest"]);
    expect(findingsFor("lift", without("lotion"))).toEqual(["ask noPatchTest"]);
    expect(findingsFor("fill", without("adhesive"))).toEqual(["ask noPatchTest"]);
    expect(findingsFor("liftTint", { tests: [] })).toEqual(["stop noPatchTest", "ask noPatchTest"]);
    expect(findingsFor("removal", { tests: [] })).toEqual([]);
  });
  test("“worn before” counts on our record only", () => {
    const words = (past: PastService[]) => careFindings("fill", { ...sound, ...without("adhesive"), past }, RULES)[0]!.words;
    expect(words([done("extensions", 20 * 24), done("extensions", 50 * 24)])).toMatch(/Worn 2 times before on our record/);
    expect(words([done("extensions", 20 * 24, "lashes", { known: "elsewhere" })])).not.toMatch(/Worn/);
  });
  test("a product that was not the one tested is asked about", () => {
    const tests = [testOf("adhesive", { productId: "one" })];
    expect(findingsFor("fill", { tests, products: [used()] })).toEqual([]);
    expect(findingsFor("fill", { tests, products: [used({ productId: "two" })] })).toEqual(["ask newProduct"]);
    // Of which product the test was is not known: nothing can be said of a new one.
    expect(findingsFor("fill", { products: [used({ productId: "two" })] })).toEqual([]);
  });
  test("booked ahead there is time to place one and read it, or there is not", () => {
    const ahead = (hours: number) => ({
      ...without("tint"),
      atMs: NOW + hours * HOUR,
      dayStartMs: sound.dayStartMs + Math.ceil(hours / 24) * DAY,
    });
    expect(findingsFor("lashTint", ahead(72))).toEqual(["note noPatchTest"]);
    expect(findingsFor("lashTint", ahead(48))).toEqual(["note noPatchTest"]);
    expect(findingsFor("lashTint", ahead(47))).toEqual(["stop noPatchTest"]);
    expect(findingsFor("fill", { ...without("adhesive"), atMs: NOW + 20 * HOUR, dayStartMs: sound.dayStartMs + DAY })).toEqual([
      "ask noPatchTest",
    ]);
  });
  test("a product's own family counts beside the service's", () =>
    expect(findingsFor("lamination", { ...without("tint"), products: [used({ family: "tint", lifeAfterOpeningDays: null })] })).toEqual([
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
      expect([service, findingsFor(service, { tests })]).toEqual([service, stopped ? ["stop reaction"] : []]);
    }
    expect(findingsFor("removal", { tests: [...sound.tests, reacted("adhesive")] })).toEqual([]);
  });
  test("lifted by the owner it is said ever after, and holds for that product alone", () => {
    const tests = [...sound.tests, reacted("tint")];
    const liftings = [{ readingId: "reaction", productId: "one", finding: "Dr Reed, 3 June", atMs: NOW - 100 * DAY }];
    const tint = (productId: string) => [used({ productId, family: "tint", lifeAfterOpeningDays: null })];
    expect(findingsFor("browTint", { tests, liftings, products: tint("one") })).toEqual(["note reaction"]);
    expect(findingsFor("browTint", { tests, liftings, products: tint("two") })).toEqual(["stop reaction"]);
    expect(findingsFor("browTint", { tests, liftings, products: [...tint("one"), ...tint("two")] })).toEqual(["stop reaction"]);
    expect(findingsFor("browTint", { tests, liftings })).toEqual(["ask reaction"]);
    expect(findingsFor("browTint", { tests })).toEqual(["stop reaction"]);
  });
  test("after swelling, blisters or trouble breathing, or where nobody knows, a lifting does nothing", () => {
    const liftings = [{ readingId: "reaction", productId: "one", finding: "Dr Reed, 3 June", atMs: NOW }];
    for (const severe of [true, null])
      expect(
        findingsFor("browTint", {
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
    const after = (hours: number) => findingsFor(then, { past: [done(before, hours, part)] });
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
      findingsFor(then, { past: [done(before, 1, part === "lashes" ? "brows" : "lashes")] }).filter((one) => one.endsWith("spacing")),
    ).not.toContain(stop === null ? "ask spacing" : "stop spacing");
  });
  test("a studio's own hours take the place of the usual ones", () => {
    const spacing = { liftAgain: { stopHours: 100, askHours: null } };
    expect(findingsFor("lift", { past: [done("lift", 99)] }, { spacing })).toEqual(["stop spacing"]);
    expect(findingsFor("lift", { past: [done("lift", 100)] }, { spacing })).toEqual([]);
  });
  test("what is agreed, or done elsewhere on a known day, counts as well", () => {
    expect(findingsFor("lift", { past: [done("lift", 24, "lashes", { known: "agreed" })] })).toEqual(["stop spacing"]);
    expect(findingsFor("lift", { past: [done("lift", 24, "lashes", { known: "elsewhere" })] })).toEqual(["stop spacing"]);
  });
  test("a lift and tint counts as both, and the newest decides", () => {
    const both = done("lift", 30, "lashes", { treated: SERVICES.liftTint.counts });
    expect(findingsFor("lashTint", { past: [both] })).toEqual(["ask spacing"]);
    expect(findingsFor("newSet", { past: [both] })).toEqual(["stop spacing"]);
    expect(findingsFor("lift", { past: [done("lift", 7 * W), done("lift", 10)] })).toEqual(["stop spacing"]);
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
      expect(findingsFor("lift", { past: [agreed("newSet", 20)] })).toEqual(["ask agreedLater"]);
      expect(findingsFor("newSet", { past: [agreed("lift", 24 * 9)] })).toEqual(["ask agreedLater"]);
    });
  });

  describe("extensions that are still worn", () => {
    const set = done("extensions", 3 * 24);
    test("no lift, no lash tint over them; brows and removal are free", () => {
      const against = CLIENT_SERVICES.filter((service) => findingsFor(service, { past: [set] }).includes("stop wornExtensions"));
      expect(against).toEqual(["lift", "liftTint", "lashTint", "lashBrowTint"]);
    });
    test("for a later day it says to book the removal first, and one that is booked clears it", () => {
      const ahead = { past: [set], atMs: NOW + 7 * DAY, dayStartMs: sound.dayStartMs + 7 * DAY, today: "2026-12-02" };
      expect(careFindings("lift", { ...sound, ...ahead }, RULES)[0]!.words).toMatch(/Book their removal before it/);
      expect(careFindings("lift", { ...sound, past: [set] }, RULES)[0]!.words).toMatch(/Take them off and write the removal down/);
      const removal = { ...done("removal", -5 * 24), known: "agreed" as const };
      expect(findingsFor("lift", { ...ahead, past: [set, removal] })).toEqual([]);
    });
    test("worn for 42 days, until a removal, or until somebody looked", () => {
      expect(findingsFor("lift", { past: [done("extensions", 42 * 24)] })).toEqual(["stop wornExtensions"]);
      expect(findingsFor("lift", { past: [done("extensions", 42 * 24 + 1)] })).toEqual([]);
      expect(findingsFor("lift", { past: [set, done("removal", 30)] })).toEqual([]);
      // Of the same moment: taken off, or looked at, after it.
      expect(findingsFor("lift", { past: [set, done("removal", 3 * 24)] })).toEqual([]);
      expect(findingsFor("lift", { past: [set], extensionsSeen: { on: false, atMs: set.atMs } })).toEqual([]);
      expect(findingsFor("lift", { past: [set, done("removal", 4 * 24)] })).toEqual(["stop wornExtensions"]);
      expect(findingsFor("lift", { past: [set], extensionsSeen: { on: false, atMs: NOW - HOUR } })).toEqual([]);
      expect(findingsFor("lift", { past: [set], extensionsSeen: { on: false, atMs: NOW - 4 * DAY } })).toEqual(["stop wornExtensions"]);
      expect(findingsFor("lift", { extensionsSeen: { on: true, atMs: NOW - HOUR } })).toEqual(["stop wornExtensions"]);
      expect(findingsFor("lift", { extensionsSeen: { on: true, atMs: NOW - 2 * DAY }, past: [done("removal", 24)] })).toEqual([]);
    });
    test("a lift on the day of the removal is asked about", () => {
      expect(findingsFor("lift", { past: [set, done("removal", 2)] })).toEqual(["ask removedToday"]);
      expect(findingsFor("lashTint", { past: [set, done("removal", 2)] })).toEqual([]);
      expect(findingsFor("lift", { past: [set, done("removal", 11)] })).toEqual([]);
      expect(findingsFor("lift", { past: [set, done("removal", 9.9)] })).toEqual(["ask removedToday"]);
      expect(findingsFor("lift", { past: [set, done("removal", 10)] })).toEqual(["ask removedToday"]);
    });
  });
});

describe("the rest", () => {
  test("lash tint is offered once its lawfulness is confirmed", () => {
    const not = CLIENT_SERVICES.filter((service) => findingsFor(service, {}, { lashTintLawful: "notConfirmed" }).includes("stop lawful"));
    expect(not).toEqual(["liftTint", "lashTint", "lashBrowTint"]);
  });
  test("consultation: asked on the day, whole after six months and for a new kind of service", () => {
    expect(findingsFor("fill", { consultation: null })).toEqual(["ask noConsultation"]);
    expect(findingsFor("fill", { consultation: answers({}, NOW - 11 * HOUR) })).toEqual(["ask noConsultation"]);
    expect(findingsFor("fill", { consultation: answers({}, sound.dayStartMs) })).toEqual([]);
    expect(findingsFor("fill", { consultation: { ...answers()!, wholeAtMs: Date.parse("2026-05-24T10:00:00Z") } })).toEqual([
      "ask noConsultation",
    ]);
    expect(findingsFor("fill", { consultation: { ...answers()!, wholeAtMs: Date.parse("2026-05-26T10:00:00Z") } })).toEqual([]);
    expect(findingsFor("fill", { consultation: { ...answers()!, kinds: ["lift"] } })).toEqual(["ask noConsultation"]);
  });
  test("consent: for this service, in today's wording, for twelve months; none for a removal", () => {
    const only = (over: object) => ({
      consents: [{ service: "lift" as const, words: consentText("lift"), signedAtMs: NOW - DAY, signedBy: "client" as const, ...over }],
    });
    expect(findingsFor("lift", only({}))).toEqual([]);
    expect(findingsFor("lift", { consents: [] })).toEqual(["ask noConsent"]);
    expect(findingsFor("lift", only({ service: "fill" }))).toEqual(["ask noConsent"]);
    expect(findingsFor("lift", only({ words: "older words" }))).toEqual(["ask noConsent"]);
    expect(findingsFor("lift", only({ signedAtMs: NOW - 366 * DAY }))).toEqual(["ask noConsent"]);
    expect(findingsFor("lift", only({ signedAtMs: NOW - 364 * DAY }))).toEqual([]);
    expect(findingsFor("removal", { consents: [] })).toEqual([]);
  });
  test("products past their life: adhesive asked, the rest stopped; past the printed date nothing is used", () => {
    const lotion = { family: "lotion" as const };
    expect(findingsFor("fill", { products: [used({ lifeAfterOpeningDays: 24 })] })).toEqual([]);
    expect(findingsFor("fill", { products: [used({ lifeAfterOpeningDays: 23 })] })).toEqual(["ask productLife"]);
    expect(findingsFor("lift", { products: [used({ ...lotion, lifeAfterOpeningDays: 24 })] })).toEqual([]);
    expect(findingsFor("lift", { products: [used({ ...lotion, lifeAfterOpeningDays: 23 })] })).toEqual(["stop productLife"]);
    for (const family of ["adhesive", "lotion"] as const) {
      const service = family === "adhesive" ? "fill" : "lift";
      expect(findingsFor(service, { products: [used({ family, expiresOn: "2026-11-24" })] })).toEqual(["stop productLife"]);
      expect(findingsFor(service, { products: [used({ family, expiresOn: "2026-11-25" })] })).toEqual([]);
    }
    expect(findingsFor("removal", { products: [used({ family: null, lifeAfterOpeningDays: 1 })] })).toEqual(["stop productLife"]);
  });
  test("work done elsewhere is asked: what and when, on the same hair", () => {
    const elsewhere = { consultation: answers({ elsewhere: [{ treatment: "lift", part: "brows", on: null }] }) };
    expect(careFindings("lamination", { ...sound, ...elsewhere }, RULES)[0]!.words).toMatch(/^Lamination elsewhere, nobody knows when/);
    expect(findingsFor("lift", elsewhere)).toEqual([]);
  });
  test("after a stop the next visit asks how it has been; once something went well it asks no more", () => {
    const stopped = done("tint", 60 * 24, "brows", { stopped: "splash or sting" });
    expect(careFindings("fill", { ...sound, past: [stopped] }, RULES)[0]!.words).toBe(
      "Last time was stopped (splash or sting), 60 days before: ask how it has been since.",
    );
    expect(findingsFor("fill", { past: [stopped, done("tint", 20 * 24, "brows")] })).toEqual([]);
  });
  test("a reason covers what it was written for, while that is unchanged", () => {
    const findings = careFindings("fill", { ...sound, consultation: answers({ conditions: ["dryEye"] }), allergies: ["latex"] }, RULES);
    const keys = asksOf(findings).map(({ key }) => key);
    expect(keys).toHaveLength(2);
    expect(isCovered(findings, "spoken to her doctor", keys)).toBe(true);
    expect(isCovered(findings, "spoken to her doctor", keys.slice(1))).toBe(false);
    expect([" ok ", "yes"].map((reason) => isCovered(findings, reason, keys))).toEqual([false, true]);
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
