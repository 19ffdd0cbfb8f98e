import { TZDate } from "@date-fns/tz";
import type { TableTime } from "@/core/formats";

const HOUR_MS = 3_600_000;
type WallTime = Extract<TableTime, { kind: "wall" }>;

/**
 * Moments, ms since 1970, of times as a table writes them: on the wall clock of a zone, unless they say their own. An
 * hour is asked of the zone once, not every line. The hour that comes twice at the end of summer time is the second one
 * where the moment before it in the table lies later.
 */
export function wallClock(timeZone: string): (time: TableTime, beforeMs?: number) => number {
  const known = new Map<string, ReturnType<typeof hourOf>>();
  return (time, beforeMs = -Infinity) => {
    if (time.kind === "absolute") return time.ms;
    const key = `${time.year} ${time.month} ${time.day} ${time.hour}`;
    const hour = known.get(key) ?? hourOf(time, timeZone);
    known.set(key, hour);
    const first = hour.firstMs + (time.minute * 60 + time.second) * 1000;
    return hour.comesTwice && first < beforeMs ? first + HOUR_MS : first;
  };
}

function hourOf({ year, month, day, hour }: WallTime, timeZone: string) {
  const asked = new TZDate(year, month - 1, day, hour, 0, 0, timeZone).getTime();
  const hourAt = (ms: number) => new TZDate(ms, timeZone).getHours();
  // Which of two such hours the library gives is its own affair.
  const firstMs = hourAt(asked - HOUR_MS) === hourAt(asked) ? asked - HOUR_MS : asked;
  return { firstMs, comesTwice: hourAt(firstMs) === hourAt(firstMs + HOUR_MS) };
}
