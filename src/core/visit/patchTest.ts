export type PatchTest = { readonly placedOn: string; readonly result: "waiting" | "clear" | "reaction" };

export type PatchTestStanding =
  | { readonly state: "missing" }
  | { readonly state: "waiting"; readonly placedOn: string }
  | { readonly state: "reaction"; readonly placedOn: string }
  | { readonly state: "valid" | "due" | "expired"; readonly placedOn: string; readonly validUntil: string };

/** From this many days before its end a test is called due. A model of this product. */
const DUE_DAYS = 21;

/**
 * Where a client stands for one product family on a day (ISO dates). A reaction outweighs everything after it until a
 * later clear test; validity is counted in calendar months from the day the test was placed.
 */
export function patchTestStanding(tests: readonly PatchTest[], today: string, validMonths: number): PatchTestStanding {
  const latest = [...tests].sort((a, b) => b.placedOn.localeCompare(a.placedOn))[0];
  if (!latest) return { state: "missing" };
  if (latest.result !== "clear") return { state: latest.result, placedOn: latest.placedOn };
  const validUntil = addMonths(latest.placedOn, validMonths);
  const daysLeft = (Date.parse(validUntil) - Date.parse(today)) / 86_400_000;
  return { state: daysLeft < 0 ? "expired" : daysLeft <= DUE_DAYS ? "due" : "valid", placedOn: latest.placedOn, validUntil };
}

const GRAVITY: Record<PatchTestStanding["state"], number> = { reaction: 0, missing: 1, expired: 2, waiting: 3, due: 4, valid: 5 };

/** The gravest of several standings, as of a service that needs more than one family; null where it needs none. */
export function gravest<S extends PatchTestStanding>(standings: readonly S[]): S | null {
  return standings.reduce<S | null>((worst, one) => (worst && GRAVITY[worst.state] <= GRAVITY[one.state] ? worst : one), null);
}

/** Same day of a later month, or that month's last day. `addMonths("2026-08-31", 6)` → "2027-02-28" */
function addMonths(isoDate: string, months: number): string {
  const [year, month, day] = isoDate.split("-").map(Number) as [number, number, number];
  const lastDay = new Date(Date.UTC(year, month - 1 + months + 1, 0)).getUTCDate();
  return new Date(Date.UTC(year, month - 1 + months, Math.min(day, lastDay))).toISOString().slice(0, 10);
}
