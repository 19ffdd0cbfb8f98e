/** Where a bottle stands in its life after opening. */
export type BottleAge = { readonly daysOpen: number; readonly daysLeft: number; readonly state: "fresh" | "last week" | "past its life" };

const DAY_MS = 86_400_000;

/** Whole days since opening and left, by the leaflet's life. `openedOn` and `today` as ISO dates. */
export function bottleAge(openedOn: string, today: string, lifeAfterOpeningDays: number): BottleAge {
  const daysOpen = Math.round((Date.parse(today.slice(0, 10)) - Date.parse(openedOn.slice(0, 10))) / DAY_MS);
  const daysLeft = lifeAfterOpeningDays - daysOpen;
  return { daysOpen, daysLeft, state: daysLeft < 0 ? "past its life" : daysLeft <= 7 ? "last week" : "fresh" };
}
