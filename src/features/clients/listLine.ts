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
  const due = standing?.kind === "due" ? standing.day : null;
  const dueDay = due && day(new Date(`${due}T12:00:00Z`));
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
    next: nextBooked
      ? `booked ${day(nextBooked)}`
      : due
        ? due < today
          ? `due since ${dueDay}`
          : due === today
            ? "due today"
            : `due ${dueDay}`
        : "",
    isDue: due !== null,
    archived: archivedAt !== null,
  };
}
