import { TZDate, tz } from "@date-fns/tz";
import { addDays, format } from "date-fns";

/** The studio's date now, ISO. */
export function todayIn(timeZone: string, now: Date): string {
  return format(now, "yyyy-MM-dd", { in: tz(timeZone) });
}

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

/** Reads long lists of moments on the studio's clock: the ISO day, and the hour 0..23. A tenth of `formatIn`'s time. */
export function hoursIn(timeZone: string): (atMs: number) => { day: string; hour: number } {
  const format = new Intl.DateTimeFormat("en-GB", {
    timeZone,
    year: "numeric",
    month: "2-digit",
    day: "2-digit",
    hour: "2-digit",
    hourCycle: "h23",
  });
  return (atMs) => {
    const parts = Object.fromEntries(format.formatToParts(atMs).map(({ type, value }) => [type, value]));
    return { day: `${parts.year}-${parts.month}-${parts.day}`, hour: Number(parts.hour) };
  };
}

/** How long ago, in the roundest words that are true. `ago(d, d + 95 s)` → "1 min ago" */
export function ago(moment: Date, now: Date): string {
  const seconds = Math.max(0, Math.round((now.getTime() - moment.getTime()) / 1000));
  if (seconds < 60) return `${seconds} s ago`;
  if (seconds < 5400) return `${Math.round(seconds / 60)} min ago`;
  if (seconds < 129_600) return `${Math.round(seconds / 3600)} h ago`;
  return `${Math.round(seconds / 86_400)} days ago`;
}
