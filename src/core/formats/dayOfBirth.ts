/** How a table writes its days. */
export const DAY_ORDERS = ["iso", "dmy", "mdy"] as const;
export type DayOrder = (typeof DAY_ORDERS)[number];

const MONTHS = ["jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec"];

/** A day of birth as people write it, ISO, or null. Two figures of a year are of the last hundred years before `today`. */
export function readDay(text: string, order: DayOrder, today: string): string | null {
  const cell = text.trim().replace(/[T\s]+\d{1,2}:\d{2}(:\d{2}(\.\d+)?)?\s*(Z|[ap]m)?$/i, "");
  const worded =
    /^(?:(\d{1,2})(?:st|nd|rd|th|\.)?[\s-]+([a-z]{3,9})\.?|([a-z]{3,9})\.?[\s-]+(\d{1,2})(?:st|nd|rd|th)?),?[\s-]+(\d{4}|\d{2})$/i.exec(
      cell,
    );
  const figures = /^(\d{1,4})[-/. ]\s?(\d{1,2})[-/. ]\s?(\d{1,4})\.?$/.exec(cell);
  let parts: readonly [string, number, number];
  if (worded) {
    const month = MONTHS.indexOf((worded[2] ?? worded[3]!).slice(0, 3).toLowerCase()) + 1;
    parts = [worded[5]!, month, Number(worded[1] ?? worded[4])];
  } else if (figures) {
    const [, a, b, c] = figures;
    const yearFirst = a!.length > 2;
    if (order === "iso" && !yearFirst) return null;
    parts = yearFirst ? [a!, Number(b), Number(c)] : order === "mdy" ? [c!, Number(a), Number(b)] : [c!, Number(b), Number(a)];
  } else return null;
  const [year, month, day] = parts;
  if (year.length === 3 || year.length === 1) return null;
  const century = Math.floor(Number(today.slice(0, 4)) / 100) * 100;
  const short = century + Number(year);
  const full = year.length === 4 ? Number(year) : short > Number(today.slice(0, 4)) ? short - 100 : short;
  const at = new Date(Date.UTC(full, month - 1, day));
  if (full < 1900 || at.getUTCMonth() + 1 !== month || at.getUTCDate() !== day) return null;
  const iso = at.toISOString().slice(0, 10);
  return iso <= today ? iso : null;
}
