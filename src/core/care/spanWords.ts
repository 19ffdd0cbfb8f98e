/** `3 h`, `2 days`, `5 weeks`: the roundest words that are true. */
export function spanWords(hours: number): string {
  const plural = (count: number, one: string) => `${count} ${one}${count === 1 ? "" : "s"}`;
  if (hours < 1) return "less than an hour";
  if (hours < 72) return `${Math.floor(hours)} h`;
  const days = Math.floor(hours / 24);
  return days % 7 === 0 && days >= 14 ? plural(days / 7, "week") : plural(days, "day");
}
