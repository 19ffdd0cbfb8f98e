import "server-only";
import { stringify } from "csv-stringify/sync";
import { note } from "@/server/audit";
import { currentMember, mayActAs } from "@/server/member";
import { refuse } from "@/server/respond";
import { todayIn } from "@/server/studioTime";
import { listFilter, listToExport } from "./list";

/** The list of clients as CSV, filtered as the page is; it can be read in again. For the owner. */
export async function listFile(request: Request): Promise<Response> {
  const me = await currentMember();
  if (!me) return refuse(401, "Signed out.");
  if (!mayActAs(me, "owner")) return refuse(403, "The list is the owner's to export.");
  const filter = listFilter.parse(Object.fromEntries(new URL(request.url).searchParams));
  const clients = await listToExport(me, filter, new Date(), (tx) => note(tx, me, "exported", { detail: "list of clients" }));
  const day = (moment: Date | null) => (moment ? todayIn(me.timeZone, moment) : "");
  const csv = stringify(
    clients
      .filter(({ mannequin }) => !mannequin)
      .map(({ name, phone, email, bornOn, contact, notes, since, lastVisit, nextBooked, archivedAt }) => [
        name,
        phone,
        email,
        bornOn,
        contact,
        notes,
        day(since),
        day(lastVisit),
        day(nextBooked),
        day(archivedAt),
      ]),
    {
      header: true,
      columns: [
        "name",
        "phone",
        "e-mail",
        "date of birth",
        "other ways to reach",
        "notes",
        "since",
        "last here",
        "next booked",
        "archived",
      ],
      bom: true,
      // A name that begins like a formula is no formula.
      escape_formulas: true,
    },
  );
  return new Response(csv, {
    headers: {
      "content-type": "text/csv; charset=utf-8",
      "content-disposition": 'attachment; filename="ivy-thread-clients.csv"',
      "cache-control": "private, no-store",
    },
  });
}
