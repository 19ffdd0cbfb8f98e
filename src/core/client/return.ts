import { SPACING, SPACING_IDS, wornAt, type CareFacts } from "../care";
import { nextFillDays } from "../growth";
import type { Policy } from "../policy";
import { serviceOf, type Treated } from "../service";

/** Brow colour and lightening are done again after about four weeks. Common practice. */
const BROW_COLOUR_DAYS = 28;
/** Shown as due from so many days before. */
const AHEAD_DAYS = 7;
const DAY_MS = 86_400_000;

/** What a return is judged by. */
export type ReturnFacts = Pick<CareFacts, "past" | "extensionsSeen"> & {
  /** The day they were here last, for whatever it was; null where they never were. */
  readonly lastDay: string | null;
  /** The day that is reckoned for the fill of what they wear; null where nobody reckons one, and the usual days count. */
  readonly fillDay: string | null;
};

/** Where a client stands who has nothing booked: due from a day on, not here for long, or neither. */
export type ReturnStanding =
  { readonly kind: "due"; readonly what: string; readonly day: string } | { readonly kind: "longNotHere"; readonly days: number } | null;

const daysFrom = (from: string, to: string) => Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS);
const after = (day: string, days: number) => new Date(Date.parse(day) + days * DAY_MS).toISOString().slice(0, 10);
const same = (a: Treated, b: Treated) => a.treatment === b.treatment && a.part === b.part;

/** After how many days one comes back for the same again, or null where nobody does. A set is another matter: it is filled. */
function daysUntilAgain(treated: Treated, policy: Pick<Policy, "spacing">): number | null {
  if (treated.treatment === "removal" || treated.treatment === "extensions") return null;
  const again = SPACING_IDS.find((id) => same(SPACING[id].before, treated) && same(SPACING[id].then, treated));
  if (!again) return BROW_COLOUR_DAYS;
  const { askHours } = policy.spacing[again] ?? SPACING[again];
  return askHours === null ? null : Math.round(askHours / 24);
}

/**
 * Where a client stands: due for what they came for last, and for a fill of what they still wear, whichever is sooner. What is
 * worn is care's own rule (`wornAt`). `dayOf` puts a moment on the studio's calendar.
 */
export function returnStanding(
  { past, extensionsSeen, lastDay, fillDay }: ReturnFacts,
  { nowMs, today, dayOf }: { readonly nowMs: number; readonly today: string; readonly dayOf: (ms: number) => string },
  policy: Pick<Policy, "fill" | "spacing" | "longNotHereDays">,
): ReturnStanding {
  if (lastDay === null) return null;
  const away = daysFrom(lastDay, today);
  if (away >= policy.longNotHereDays) return { kind: "longNotHere", days: away };
  const done = past.filter(({ known, atMs }) => known === "here" && atMs <= nowMs);
  const newest = done.reduce<(typeof done)[number] | null>((last, one) => (last && last.atMs >= one.atMs ? last : one), null);
  const worn = wornAt({ past, extensionsSeen }, nowMs);
  // Lift and tint in one are done again in one: when the slower of the two may be.
  const again = (newest?.treated ?? []).flatMap((treated) => daysUntilAgain(treated, policy) ?? []);
  const [due] = [
    ...(newest && again.length > 0 ? [{ what: newest.label, day: after(dayOf(newest.atMs), Math.max(...again)) }] : []),
    ...(worn ? [{ what: serviceOf("fill").label, day: fillDay ?? after(dayOf(worn.atMs), nextFillDays(policy)) }] : []),
  ].sort((a, b) => a.day.localeCompare(b.day));
  return due && daysFrom(today, due.day) <= AHEAD_DAYS ? { kind: "due", ...due } : null;
}
