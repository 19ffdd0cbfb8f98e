import "server-only";
import { stringify } from "csv-stringify/sync";
import { note } from "@/server/audit";
import { currentMember, mayActAs } from "@/server/member";
import { refuse } from "@/server/respond";
import { auditFilter, auditLines } from "./data";

/** The audit list as CSV, filtered as the page is. For the owner. */
export async function auditFile(request: Request): Promise<Response> {
  const me = await currentMember();
  if (!me) return refuse(401, "Signed out.");
  if (!mayActAs(me, "owner")) return refuse(403, "The audit list is the owner's to read.");
  const filter = auditFilter.parse(Object.fromEntries(new URL(request.url).searchParams));
  const lines = await auditLines(me, filter, (tx) => note(tx, me, "exported", { detail: "audit list" }));
  const csv = stringify(
    lines.map(({ at, by, words, person, client, detail, address }) => [
      at.toISOString(),
      by,
      words,
      person,
      client && (client.name ?? "erased"),
      client?.id,
      detail,
      address,
    ]),
    // A name that begins like a formula is no formula.
    { header: true, columns: ["at", "by", "what", "person", "client", "client id", "detail", "address"], bom: true, escape_formulas: true },
  );
  return new Response(csv, {
    headers: {
      "content-type": "text/csv; charset=utf-8",
      "content-disposition": 'attachment; filename="ivy-thread-audit.csv"',
      "cache-control": "private, no-store",
    },
  });
}
