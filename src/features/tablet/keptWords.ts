const count = (n: number, one: string, many: string) => (n === 0 ? [] : [`${n} ${n === 1 ? one : many}`]);

/** How much waits on the tablet: "2 taps and 1 entry"; an entry is a booking, a plan, a save. Empty where nothing does. */
export const keptWords = (taps: number, entries: number): string =>
  [...count(taps, "tap", "taps"), ...count(entries, "entry", "entries")].join(" and ");
