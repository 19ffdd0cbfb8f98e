import fc from "fast-check";
import { HEARD_WITHIN_MS, inOrderOfTrust, onePerMinute, roomSource, type RoomSource } from ".";

const NOW = Date.parse("2026-03-02T09:00:00Z");
const MINUTE = 60_000;
const source = (id: string, kind: RoomSource["kind"], minutesAgo: number, since = 0): RoomSource => ({
  id,
  kind,
  since,
  takenAtMs: NOW - minutesAgo * MINUTE,
});
const whose = (...sources: RoomSource[]) => roomSource(sources, NOW)?.id ?? null;

describe("whose word is the room's air", () => {
  test("a hygrometer that is heard comes before what was typed a moment ago", () => {
    expect(whose(source("typed", "hand", 0), source("shelf", "device", 3))).toBe("shelf");
  });
  test("two that differ do not take turns: the longest standing speaks, whoever spoke last", () => {
    expect(whose(source("young", "device", 0, 50), source("old", "device", 9, 10))).toBe("old");
  });
  test("once it is silent the next one is listened to, and where all are, whoever spoke last", () => {
    expect(whose(source("young", "device", 0, 50), source("old", "device", 10, 10))).toBe("young");
    expect(whose(source("young", "device", 30, 50), source("old", "device", 40, 10), source("typed", "hand", 20))).toBe("typed");
    expect(HEARD_WITHIN_MS).toBe(10 * MINUTE);
  });
  test("a room nobody has read has none", () => expect(whose()).toBeNull());
  test("hygrometers, then files, then hands; the order given changes nothing", () => {
    const all = [source("typed", "hand", 0), source("young", "device", 0, 5), source("file", "file", 0), source("old", "device", 0, 1)];
    fc.assert(
      fc.property(fc.shuffledSubarray(all, { minLength: 4 }), (shuffled) => {
        expect(inOrderOfTrust(shuffled).map(({ id }) => id)).toEqual(["old", "young", "file", "typed"]);
      }),
    );
  });
});

describe("one row of air a minute", () => {
  const row = (seconds: number, from: string) => ({ atMs: NOW + seconds * 1000, from });
  test("the most trusted speaks for a minute, the others fill where it is silent, in order of time", () => {
    const rows = onePerMinute([
      [row(130, "first"), row(10, "first")],
      [row(5, "second"), row(70, "second"), row(131, "second")],
    ]);
    expect(rows.map(({ atMs, from }) => [(atMs - NOW) / 1000, from])).toEqual([
      [10, "first"],
      [70, "second"],
      [130, "first"],
    ]);
  });
  test("never two of a minute, never out of order, never a row that nobody gave", () => {
    const rows = fc.array(fc.record({ atMs: fc.integer({ min: NOW, max: NOW + 3_600_000 }) }), { maxLength: 60 });
    fc.assert(
      fc.property(fc.array(rows, { maxLength: 4 }), (bySource) => {
        const perMinute = onePerMinute(bySource);
        const minutes = perMinute.map(({ atMs }) => Math.floor(atMs / MINUTE));
        expect(new Set(minutes).size).toBe(minutes.length);
        expect([...minutes].sort((a, b) => a - b)).toEqual(minutes);
        expect(new Set(minutes)).toEqual(new Set(bySource.flat().map(({ atMs }) => Math.floor(atMs / MINUTE))));
        for (const one of perMinute) expect(bySource.flat()).toContain(one);
      }),
    );
  });
});
