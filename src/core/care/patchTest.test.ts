import { addMonths, mayLift, mayRead, patchTestStanding, type PatchReading, type PatchTest } from ".";

// Common practice: read at 48 h, never clear before 24 h, good for six months from its placing.

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
const NOW = Date.parse("2026-11-25T10:00:00Z");
const read = (hoursAfter: number, result: PatchReading["result"], placedAtMs: number, severe: boolean | null = false): PatchReading => ({
  id: `${result} ${hoursAfter}`,
  atMs: placedAtMs + hoursAfter * HOUR,
  result,
  severe,
});
const placed = (placedAtMs: number, ...readings: PatchReading[]): PatchTest => ({
  id: String(placedAtMs),
  family: "tint",
  productId: null,
  placedAtMs,
  readAfterHours: 48,
  readings,
});
const state = (...tests: PatchTest[]) => patchTestStanding(tests, NOW, 6).state;

test("none, being watched, clear, soon due, run out", () => {
  const at = (daysAgo: number) => NOW - daysAgo * DAY;
  expect(state()).toBe("missing");
  expect(patchTestStanding([placed(at(1))], NOW, 6)).toMatchObject({ state: "waiting", readFromMs: NOW + DAY });
  expect(patchTestStanding([{ ...placed(at(1)), readAfterHours: 24 }], NOW, 6)).toMatchObject({ state: "waiting", readFromMs: NOW });
  const clear = (daysAgo: number) => placed(at(daysAgo), read(48, "clear", at(daysAgo)));
  expect(state(clear(10))).toBe("valid");
  expect(state(clear(163))).toBe("due");
  expect(state(clear(160))).toBe("valid");
  expect(patchTestStanding([clear(10)], NOW, 6)).toMatchObject({ validUntilMs: Date.parse("2027-05-15T10:00:00Z") });
  const until = addMonths(NOW, -6);
  expect(state(placed(until, read(48, "clear", until)))).toBe("due");
  expect(state(placed(until - 1000, read(48, "clear", until - 1000)))).toBe("expired");
});
test("it counts from the very moment: placed just now it is watched, read just now it is good, due three weeks before its end", () => {
  expect(state(placed(NOW))).toBe("waiting");
  expect(state(placed(NOW - 48 * HOUR, read(48, "clear", NOW - 48 * HOUR)))).toBe("valid");
  const due = addMonths(NOW + 21 * DAY, -6);
  expect(state(placed(due, read(48, "clear", due)))).toBe("due");
  expect(state(placed(due + HOUR, read(48, "clear", due + HOUR)))).toBe("valid");
});
test("called clear too soon it counts for nothing", () => {
  const at = NOW - 10 * DAY;
  expect(state(placed(at, read(23, "clear", at)))).toBe("waiting");
  expect(state(placed(at, read(30, "clear", at)))).toBe("waiting");
  expect(state({ ...placed(at, read(30, "clear", at)), readAfterHours: 24 })).toBe("valid");
  expect(state({ ...placed(at, read(23.9, "clear", at)), readAfterHours: 24 })).toBe("waiting");
  expect(state(placed(at, read(47.9, "clear", at), read(72, "clear", at)))).toBe("valid");
});
test("a reading of tomorrow, a placing in the year 9999: neither is yet", () => {
  const at = NOW - 47 * HOUR;
  expect(state(placed(at, read(48, "clear", at)))).toBe("waiting");
  const far = Date.parse("9999-01-01T00:00:00Z");
  expect(state(placed(far, read(48, "clear", far)))).toBe("missing");
});
test("a reaction stands before and after anything, at whatever hour it was seen", () => {
  const [old, late] = [NOW - 300 * DAY, NOW - 10 * DAY];
  const reacted = placed(old, read(1, "reaction", old));
  expect(state(reacted, placed(late, read(48, "clear", late)))).toBe("reaction");
  expect(state(placed(late), reacted)).toBe("reaction");
  expect(state(placed(late, read(48, "clear", late), read(90, "reaction", late)))).toBe("reaction");
  expect(state(placed(late, read(48, "reaction", late), read(90, "clear", late)))).toBe("reaction");
});
test("of several reactions the gravest is named", () => {
  const at = NOW - 30 * DAY;
  const standing = patchTestStanding([placed(at, read(40, "reaction", at, false), read(50, "reaction", at, true))], NOW, 6);
  expect(standing).toMatchObject({ state: "reaction", severe: true });
  // How grave one was that nobody wrote down counts as grave.
  const unsaid = patchTestStanding([placed(at, read(40, "reaction", at, false), read(50, "reaction", at, null))], NOW, 6);
  expect(unsaid).toMatchObject({ state: "reaction", severe: null });
});
test("while a new one is watched, an older one that is still good stays good; one that has run out does not", () => {
  const [good, gone, fresh] = [NOW - 100 * DAY, NOW - 250 * DAY, NOW - DAY];
  expect(state(placed(good, read(48, "clear", good)), placed(fresh))).toBe("valid");
  expect(state(placed(gone, read(48, "clear", gone)), placed(fresh))).toBe("waiting");
});

describe("when it may be read", () => {
  const test48 = { placedAtMs: NOW, readAfterHours: 48 };
  const test24 = { placedAtMs: NOW, readAfterHours: 24 };
  test("clear at 48 h, or at 24 h by the leaflet; never sooner, and never before it was placed", () => {
    expect(mayRead(test48, "clear", NOW + 47 * HOUR)).toMatch(/It lies 47 h; it is read at 48 h/);
    // The leaflet's hour is spoken of only where it would be an earlier one.
    expect(mayRead(test48, "clear", NOW + 30 * HOUR)).toMatch(/read at 48 h, at 24 h only where the leaflet says so\./);
    expect(mayRead(test24, "clear", NOW + 23 * HOUR)).toMatch(/read at 24 h\. A reaction/);
    expect(mayRead(test48, "clear", NOW + 48 * HOUR)).toBeNull();
    expect(mayRead(test24, "clear", NOW + 23 * HOUR)).toMatch(/it is read at 24 h\./);
    expect(mayRead(test24, "clear", NOW + 24 * HOUR)).toBeNull();
    expect(mayRead({ placedAtMs: NOW, readAfterHours: 1 }, "clear", NOW + 23 * HOUR)).not.toBeNull();
    expect(mayRead(test48, "clear", NOW - HOUR)).toMatch(/before it is placed/);
  });
  test("a reaction at any hour after it", () => {
    expect(mayRead(test48, "reaction", NOW + HOUR)).toBeNull();
    expect(mayRead(test48, "reaction", NOW - HOUR)).toMatch(/before it is placed/);
  });
});
test("what may be lifted", () => {
  expect(mayLift({ result: "reaction", severe: false })).toBeNull();
  expect(mayLift({ result: "reaction", severe: true })).toMatch(/never lifted/);
  expect(mayLift({ result: "reaction", severe: null })).toMatch(/counts as grave/);
  expect(mayLift({ result: "clear", severe: false })).not.toBeNull();
});
test("months end where a month ends", () => {
  const iso = (text: string, months: number) => new Date(addMonths(Date.parse(text), months)).toISOString();
  expect(iso("2026-08-31T09:30:00Z", 6)).toBe("2027-02-28T09:30:00.000Z");
  expect(iso("2027-08-31T09:30:00Z", 6)).toBe("2028-02-29T09:30:00.000Z");
  expect(iso("2026-11-25T23:00:00Z", 2)).toBe("2027-01-25T23:00:00.000Z");
});
