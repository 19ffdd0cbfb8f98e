import type { TableTime } from "@/core/formats";
import { wallClock } from "./wallClock";

const wall = (day: string, clock: string): TableTime => {
  const [year, month, date] = day.split("-").map(Number) as [number, number, number];
  const [hour, minute, second = 0] = clock.split(":").map(Number) as [number, number, number?];
  return { kind: "wall", year, month, day: date, hour, minute, second };
};
const inOrder = (timeZone: string, day: string, clocks: readonly string[]) => {
  const momentOf = wallClock(timeZone);
  let before: number | undefined;
  return clocks.map((clock) => new Date((before = momentOf(wall(day, clock), before))).toISOString().slice(11, 19));
};

describe("a logger's clock in the studio's time zone (its rules by the IANA time zone database)", () => {
  test("London is an hour ahead of UTC in July and level with it in January", () => {
    expect(inOrder("Europe/London", "2026-07-15", ["09:00", "09:00:30"])).toEqual(["08:00:00", "08:00:30"]);
    expect(inOrder("Europe/London", "2026-01-15", ["09:00"])).toEqual(["09:00:00"]);
  });
  test("the hour that comes twice is told by the order of lines: 25 October 2026, clocks go back from 02:00 to 01:00", () => {
    expect(inOrder("Europe/London", "2026-10-25", ["00:30", "01:00", "01:30", "01:59:50", "01:00", "01:30", "01:59:50", "02:00"])).toEqual([
      "23:30:00",
      "00:00:00",
      "00:30:00",
      "00:59:50",
      "01:00:00",
      "01:30:00",
      "01:59:50",
      "02:00:00",
    ]);
  });
  test("the same line twice in that hour is no second hour", () => {
    expect(inOrder("Europe/London", "2026-10-25", ["01:10", "01:10", "01:20"])).toEqual(["00:10:00", "00:10:00", "00:20:00"]);
  });
  test("the hour that is left out in spring is read as the clock would have gone on", () => {
    expect(inOrder("Europe/London", "2026-03-29", ["00:59", "02:00"])).toEqual(["00:59:00", "01:00:00"]);
  });
  test("zones away from UTC by part of an hour", () => {
    expect(inOrder("Asia/Kathmandu", "2026-03-02", ["09:00", "09:50"])).toEqual(["03:15:00", "04:05:00"]);
  });
  test("a time that says its own zone is not moved", () => {
    expect(wallClock("Asia/Kathmandu")({ kind: "absolute", ms: 1_700_000_000_000 })).toBe(1_700_000_000_000);
  });
});
