import { counted } from "../units";

/** `3 h`, `2 days`, `5 weeks`: the roundest words that are true. */
export function spanWords(hours: number): string {
  if (hours < 1) return "less than an hour";
  if (hours < 72) return `${Math.floor(hours)} h`;
  const days = Math.floor(hours / 24);
  return days % 7 === 0 && days >= 14 ? counted(days / 7, "week") : counted(days, "day");
}
