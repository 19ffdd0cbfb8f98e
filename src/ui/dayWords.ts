/** An ISO date in words. `dayWords("2026-06-03")` → "3 June 2026" */
export const dayWords = (iso: string): string =>
  new Date(`${iso}T12:00:00Z`).toLocaleDateString("en-GB", { day: "numeric", month: "long", year: "numeric", timeZone: "UTC" });
