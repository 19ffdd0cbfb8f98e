import type { RoomWish } from "./startTheRoom";
import { bottleWords, roomWords } from "./wishWords";

const bottle = { id: "b", lot: "L 7", adhesive: { name: "Slackwater", dropsIn: 200 } } as unknown as NonNullable<RoomWish["bottle"]>;
const wish = (change: Partial<RoomWish> = {}): RoomWish => ({
  visitId: "v",
  bottle,
  daysLeft: 20,
  drops: { left: 80, wanted: 8 },
  expectedAir: { temperatureC: 22.4, relativeHumidity: 0.3 },
  needs: null,
  ...change,
});
const needs = (switchOnHour: number | null, minutes: { low: number; high: number } | null): RoomWish["needs"] => ({
  target: { temperatureC: 22.4, relativeHumidity: 0.37 },
  switchOnHour,
  machine: "humidifier",
  minutes,
  settlesAt: 0.6,
});
const room = (switchOnHour: number | null, nowHour = 8) =>
  roomWords(wish({ needs: needs(switchOnHour, switchOnHour === null ? null : { low: 20, high: 35 }) }), nowHour);
const plain = (text: string | undefined) => text?.replaceAll("\u00a0", " ");

describe("what a visit wants of its room", () => {
  test("a time, rounded down to five minutes, and why", () => {
    const words = room(9 + 8 / 60)!;
    expect([words.tone, words.word]).toEqual(["note", "Humidifier on at 09:05."]);
    expect(plain(words.says)).toBe("30 % at 22 °C is to be expected, Slackwater wants 37 % at 22 °C: 20 to 35 min.");
  });
  test("now when its time has come, and late when it is past", () => {
    expect(room(7.95)).toMatchObject({ tone: "note", word: "Humidifier on now." });
    expect(room(7.5)).toMatchObject({
      tone: "look",
      word: "Humidifier on now.",
      says: expect.stringContaining("may not be there in time"),
    });
  });
  test("what its machines cannot do leads to another bottle or room; a room that fits says nothing", () => {
    expect(room(null)).toMatchObject({ tone: "stop", says: expect.stringContaining("Another bottle, or another room.") });
    expect(roomWords(wish(), 8)).toBeNull();
  });
  test("a time before midnight is written as one", () => {
    expect(room(-0.5, -1)!.word).toBe("Humidifier on at 23:30.");
  });
});

describe("the bottle a visit is to be worked from", () => {
  test.each([
    [{}, "good", "Slackwater, L 7, 80 drops"],
    [{ drops: null }, "good", "Slackwater, L 7"],
    [{ daysLeft: 1 }, "good", "Slackwater, L 7, 1 day left, 80 drops"],
    [{ daysLeft: -1 }, "stop", "Slackwater, L 7: past its life"],
    [{ drops: { left: 5, wanted: 8 } }, "look", "Slackwater, L 7: about 5 drops left, 8 wanted"],
    [{ bottle: null }, "look", "No bottle is open."],
  ] as const)("%j is %s: %s", (change, tone, says) => expect(bottleWords(wish(change))).toEqual({ tone, says }));
});
