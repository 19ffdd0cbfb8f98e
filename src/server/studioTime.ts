import { TZDate, tz } from "@date-fns/tz";
import { addDays, format } from "date-fns";

/** The studio's date now, ISO. */
export const todayIn = (timeZone: string, now: Date): string => clockIn(timeZone)(now.getTime()).day;

/** A moment on the studio's clock, `14:05`. */
export const timeIn = (timeZone: string, moment: Date): string => clockIn(timeZone)(moment.getTime()).time;

/** A moment as minutes since midnight on the studio's clock. 09:30 → 570 */
export function minuteIn(timeZone: string, moment: Date): number {
  const { hour, minute } = clockIn(timeZone)(moment.getTime());
  return hour * 60 + minute;
}

/** A moment as hours on the studio's clock. 09:30 → 9.5 */
export const hourIn = (timeZone: string, moment: Date): number => minuteIn(timeZone, moment) / 60;

/** Midnight to midnight of an ISO date in the studio's zone, as moments. */
export function dayIn(timeZone: string, isoDate: string): { from: Date; to: Date } {
  const [year, month, day] = isoDate.split("-").map(Number) as [number, number, number];
  const from = new TZDate(year, month - 1, day, timeZone);
  return { from: new Date(from.getTime()), to: new Date(addDays(from, 1).getTime()) };
}

/** An hour (`14:30`) of an ISO date on the studio's clock, as a moment; null where the clocks skip it. */
export function momentIn(timeZone: string, isoDate: string, time: string): Date | null {
  const [year, month, day] = isoDate.split("-").map(Number) as [number, number, number];
  const [hour, minute] = time.split(":").map(Number) as [number, number];
  const moment = new Date(new TZDate(year, month - 1, day, hour, minute, timeZone).getTime());
  return format(moment, "yyyy-MM-dd HH:mm", { in: tz(timeZone) }) === `${isoDate} ${time.slice(0, 5)}` ? moment : null;
}

/** A moment in the studio's zone, by a date-fns pattern. `formatIn("Europe/London", d, "HH:mm")` */
export function formatIn(timeZone: string, moment: Date, pattern: string): string {
  return format(moment, pattern, { in: tz(timeZone) });
}

type OnTheClock = { readonly day: string; readonly hour: number; readonly minute: number; readonly time: string };
const clocks = new Map<string, (atMs: number) => OnTheClock>();

/** Reads moments on the studio's clock: the ISO day, hour 0..23, minute. A tenth of `formatIn`'s time, so lists of them are read by it. */
export function clockIn(timeZone: string): (atMs: number) => OnTheClock {
  const known = clocks.get(timeZone);
  if (known) return known;
  const format = new Intl.DateTimeFormat("en-GB", {
    timeZone,
    year: "numeric",
    month: "2-digit",
    day: "2-digit",
    hour: "2-digit",
    minute: "2-digit",
    hourCycle: "h23",
  });
  const read = (atMs: number): OnTheClock => {
    // "27/11/2026, 09:05"
    const [, day, month, year, hour, minute] = /(\d+)\/(\d+)\/(\d+), (\d+):(\d+)/.exec(format.format(atMs))!;
    return { day: `${year}-${month}-${day}`, hour: Number(hour), minute: Number(minute), time: `${hour}:${minute}` };
  };
  clocks.set(timeZone, read);
  return read;
}

/** How long ago, in the roundest words that are true. `ago(d, d + 95 s)` → "1 min ago" */
export function ago(moment: Date, now: Date): string {
  const seconds = Math.max(0, Math.round((now.getTime() - moment.getTime()) / 1000));
  if (seconds < 60) return `${seconds} s ago`;
  if (seconds < 5400) return `${Math.round(seconds / 60)} min ago`;
  if (seconds < 129_600) return `${Math.round(seconds / 3600)} h ago`;
  return `${Math.round(seconds / 86_400)} days ago`;
}
