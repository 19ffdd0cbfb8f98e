/**
 * Seconds as m:ss, counting on past the end with a plus sign.
 * `formatClock(702)` → "11:42"; `formatClock(-5)` → "+0:05"
 */
export function formatClock(seconds: number): string {
  // A countdown shows the second it is in: 59.2 s left reads 1:00, and zero is reached only at the end.
  const whole = seconds >= 0 ? Math.ceil(seconds) : Math.floor(-seconds);
  const h = Math.floor(whole / 3600);
  const m = Math.floor((whole % 3600) / 60);
  const s = String(whole % 60).padStart(2, "0");
  const text = h > 0 ? `${h}:${String(m).padStart(2, "0")}:${s}` : `${m}:${s}`;
  return seconds < 0 ? `+${text}` : text;
}

/** Millimetres with one decimal only where there is one. `formatMm(9.46)` → "9.5"; `formatMm(12)` → "12" */
export function formatMm(mm: number): string {
  return String(Math.round(mm * 10) / 10);
}

/** Whole minutes, and hours where there are any. `formatHours(14_399)` → "4 h"; `formatHours(5_400)` → "1 h 30 min" */
export function formatHours(seconds: number): string {
  const all = Math.round(seconds / 60);
  const [hours, minutes] = [Math.floor(all / 60), all % 60];
  return [hours ? `${hours} h` : "", minutes || !hours ? `${minutes} min` : ""].filter(Boolean).join(" ");
}

/** A fraction as per cent; figure and sign are not parted at the end of a line. `formatPercent(0.425)` → "43 %"; `formatPercent(0.0214, 1)` → "2.1 %" */
export function formatPercent(fraction: number, digits = 0): string {
  return `${(fraction * 100).toFixed(digits)}\u00a0%`;
}

/** A length with its article. `anMm(11)` → "an 11"; `anMm(17)` → "a 17"; `anMm(8)` → "an 8" */
export const anMm = (mm: number): string => `${/^(8|11|18)(\D|$)/.test(formatMm(mm)) ? "an" : "a"} ${formatMm(mm)}`;

/** So many of something. `counted(3, "fill")` → "3 fills"; `counted(1, "fill")` → "1 fill" */
export const counted = (count: number, one: string): string => `${count} ${one}${count === 1 ? "" : "s"}`;

/** The first letter large. `sentence("step 1")` → "Step 1" */
export const sentence = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
