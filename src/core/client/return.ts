import { SPACING, SPACING_IDS, WORN_DAYS } from "../care";
import { nextFillDays } from "../growth";
import type { Policy } from "../policy";
import { serviceOf, type ServiceId, type Treated } from "../service";

/** Brow colour and lightening are done again after about four weeks. Common practice. */
const BROW_COLOUR_DAYS = 28;
/** Shown as due from so many days before. */
const AHEAD_DAYS = 7;
const DAY_MS = 86_400_000;

/** When a client had a service last, a day of the studio's calendar. */
export type LastHad = { readonly service: ServiceId; readonly day: string };

/** Where a client stands who has nothing booked: due from a day on, not here for long, or neither. */
export type ReturnStanding =
  { readonly kind: "due"; readonly day: string } | { readonly kind: "longNotHere"; readonly days: number } | null;

type Wanted = Pick<Policy, "fill" | "spacing" | "longNotHereDays">;

const daysFrom = (from: string, to: string) => Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS);
const after = (day: string, days: number) => new Date(Date.parse(day) + days * DAY_MS).toISOString().slice(0, 10);
const same = (a: Treated, b: Treated) => a.treatment === b.treatment && a.part === b.part;

/** After how many days one comes back for the same again, or null where nobody does. */
function daysUntilAgain(treated: Treated, policy: Wanted): number | null {
  if (treated.treatment === "extensions") return nextFillDays(policy);
  if (treated.treatment === "removal") return null;
  const again = SPACING_IDS.find((id) => same(SPACING[id].before, treated) && same(SPACING[id].then, treated));
  if (!again) return BROW_COLOUR_DAYS;
  const { askHours } = policy.spacing[again] ?? SPACING[again];
  return askHours === null ? null : Math.round(askHours / 24);
}

/**
 * Where a client stands, by what they had last of each service: due for what they came for last, and for a fill of what they
 * still wear, whichever is sooner.
 */
export function returnStanding(had: readonly LastHad[], today: string, policy: Wanted): ReturnStanding {
  if (had.length === 0) return null;
  const newest = had.reduce((last, one) => (one.day > last.day ? one : last));
  const away = daysFrom(newest.day, today);
  if (away >= policy.longNotHereDays) return { kind: "longNotHere", days: away };
  const lastOf = (treated: Treated) =>
    had
      .filter(({ service }) => serviceOf(service).counts.some((one) => same(one, treated)))
      .map(({ day }) => day)
      .sort()
      .at(-1);
  const extensions: Treated = { treatment: "extensions", part: "lashes" };
  const [set, removal] = [lastOf(extensions), lastOf({ treatment: "removal", part: "lashes" })];
  const wearsSet = set !== undefined && daysFrom(set, today) <= WORN_DAYS && (removal === undefined || removal < set);
  const wanted = [...serviceOf(newest.service).counts.filter((one) => !same(one, extensions)), ...(wearsSet ? [extensions] : [])];
  const due = wanted
    .flatMap((treated) => {
      const days = daysUntilAgain(treated, policy);
      return days === null ? [] : [after(lastOf(treated)!, days)];
    })
    .sort()[0];
  return due !== undefined && daysFrom(today, due) <= AHEAD_DAYS ? { kind: "due", day: due } : null;
}
