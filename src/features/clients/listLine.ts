import "server-only";
import { formatIn, todayIn } from "@/server/studioTime";
import type { ListLine } from "./ClientList";
import type { ListedClient } from "./list";

/** A client as the list says them. */
export function listLine(client: ListedClient, timeZone: string, now: Date): ListLine {
  const year = todayIn(timeZone, now).slice(0, 4);
  /** The year where it is another one. */
  const day = (moment: Date) => formatIn(timeZone, moment, todayIn(timeZone, moment).startsWith(year) ? "d MMM" : "d MMM yyyy");
  const { id, name, mannequin, archivedAt, lastVisit, nextBooked, standing } = client;
  const today = todayIn(timeZone, now);
  const due = standing?.kind === "due" ? standing : null;
  return {
    id,
    name,
    mannequin,
    hint: mannequin ? "mannequin head, for practice" : client.foundBy || client.phone || client.email || client.contact,
    last: archivedAt
      ? `archived ${day(archivedAt)}`
      : mannequin
        ? lastVisit
          ? `practised on ${day(lastVisit)}`
          : "not used yet"
        : lastVisit
          ? `last here ${day(lastVisit)}`
          : "not been yet",
    next: nextBooked ? `booked ${day(nextBooked)}` : due ? `${due.what} ${dueWords(due.day, today, day)}` : "",
    isDue: due !== null,
    archived: archivedAt !== null,
  };
}

/** "due today", "due since 17 Nov", "due 4 Dec" */
function dueWords(due: string, today: string, day: (moment: Date) => string): string {
  if (due === today) return "due today";
  return `due ${due < today ? "since " : ""}${day(new Date(`${due}T12:00:00Z`))}`;
}
