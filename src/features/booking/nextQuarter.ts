/** The next quarter of an hour on the clock. `nextQuarter("10:07")` → "10:15" */
export function nextQuarter(time: string): string {
  const [hour, minute] = time.split(":").map(Number) as [number, number];
  const minutes = Math.min(23 * 60 + 45, Math.ceil((hour * 60 + minute) / 15) * 15);
  return `${String(Math.floor(minutes / 60)).padStart(2, "0")}:${String(minutes % 60).padStart(2, "0")}`;
}
