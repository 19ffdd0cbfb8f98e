import { createHash } from "node:crypto";
import { TZDate } from "@date-fns/tz";
import { addDays, getDay } from "date-fns";
import type { drizzle } from "drizzle-orm/node-postgres";
import type * as schema from "../schema";
import { STUDIO } from "./scenario";

/** What the scenario is written through. */
export type Tx = Parameters<Parameters<ReturnType<typeof drizzle<typeof schema>>["transaction"]>[0]>[0];

/** The same id for the same thing every time. */
export function demoId(of: string): string {
  const hex = createHash("sha256").update(`the tide room/${of}`).digest("hex");
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}
export const studioId = demoId("studio");

/** A moment on the studio's wall clock, `days` before the given day. */
export const wallClock = (today: string, daysAgo: number, hour: number, minute = 0) => {
  const [y, m, d] = today.split("-").map(Number) as [number, number, number];
  return new Date(addDays(new TZDate(y, m - 1, d, hour, minute, STUDIO.timeZone), -daysAgo).getTime());
};
export const isoDate = (today: string, daysAgo: number) =>
  new Date(Date.parse(`${today}T12:00:00Z`) - daysAgo * 86_400_000).toISOString().slice(0, 10);
export const isSunday = (today: string, daysAgo: number) => getDay(new Date(`${isoDate(today, daysAgo)}T12:00:00Z`)) === 0;
export const dayNumber = (today: string, daysAgo: number) => Math.round(Date.parse(`${isoDate(today, daysAgo)}T00:00:00Z`) / 86_400_000);
