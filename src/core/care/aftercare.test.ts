import { CLIENT_SERVICES, NO_LASH_LIGHTENING } from "../service";
import { careCard, careText, consentText } from ".";

const NOW = Date.parse("2026-11-25T10:00:00Z");
const words = {
  moment: (ms: number) => new Date(ms).toISOString().slice(0, 16),
  day: (ms: number) => new Date(ms).toISOString().slice(0, 10),
};
const done = {
  service: "lift",
  endedAtMs: NOW,
  againAfterDays: 0,
  stopped: null,
  used: ["Flood 1, lot F1"],
  waterFromMs: null,
  next: null,
  aftercareWords: "",
} as const;

test("after a stop the card speaks of the eye, the doctor and what was used, and of no result", () => {
  for (const stopped of ["splash", "gluedLids"] as const) {
    const { title, lines, again } = careCard({ ...done, againAfterDays: 42, stopped }, words);
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
  const card = careCard({ ...done, service: "liftTint", againAfterDays: 42 }, words);
  expect(card.lines[0]).toBe("The nourishing lotion stays on; nothing on it before 2026-11-25T22:00.");
  expect(card.lines[1]).toMatch(/^No water, steam, oil.* before 2026-11-26T10:00\.$/);
  expect(card.again).toBe("Again from 2027-01-06, not sooner.");
  expect(careText(card, "Tideroom", "A client")).toContain("- Comb the lashes up once a day");
});
test("a set's card begins with the water's hour and ends with the studio's own words; what is booked stands instead of a day to wait for", () => {
  const set = { ...done, service: "newSet", waterFromMs: NOW + 86_400_000, aftercareWords: "Ring us.\n\n  Zadzwoń.  " } as const;
  const card = careCard(set, words);
  expect(card.lines[0]).toBe("No water, steam or oil before 2026-11-26T10:00.");
  expect(card.lines.slice(-2)).toEqual(["Ring us.", "Zadzwoń."]);
  expect(card.again).toBeNull();
  expect(careCard({ ...set, next: "Monday 7 December, 10:00, fill" }, words).again).toBe("Next visit: Monday 7 December, 10:00, fill.");
  expect(careCard({ ...done, againAfterDays: 42, next: "Monday 7 December, 10:00, lash lift" }, words).again).toMatch(
    /^Next visit: Monday/,
  );
  expect(careCard({ ...set, waterFromMs: null }, words).lines.join(" ")).not.toContain("No water");
  expect(careCard({ ...done, stopped: "splash", aftercareWords: "Ring us." }, words).lines.at(-1)).toBe("Ring us.");
});
test("every service has its card, with whom to call, and its consent", () => {
  for (const service of CLIENT_SERVICES) {
    expect(careCard({ ...done, service }, words).lines.at(-1)).toMatch(/see a doctor/);
    expect(consentText(service)).toMatch(/say at once if anything stings/);
  }
});
test("there is no lash lightening, and the reason is given", () => expect(NO_LASH_LIGHTENING).toMatch(/not offered\..*break/));
