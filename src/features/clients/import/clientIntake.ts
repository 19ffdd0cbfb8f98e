import "server-only";
import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import { z } from "zod";
import { CLIENT_FIELDS, DAY_ORDERS, type ClientTableReading } from "@/core/formats";
import { isStorable } from "@/core/units";
import { client, clientImport } from "@/db/schema";
import { everybody } from "@/features/person/doubles";
import { ENCODINGS, type Encoding } from "@/features/tables/encodings";
import { inThread } from "@/server/inThread";
import { inStudio } from "@/server/inStudio";
import { currentMember, mayActAs, type Member } from "@/server/member";
import { answer, readBody, refuse } from "@/server/respond";
import { todayIn } from "@/server/studioTime";
import { readClientFile, type ClientFile, type ClientFileFound, type ImportedRow } from "./readClientFile";

const MAX_BYTES = 4 * 1024 * 1024;
const AT_ONCE = 500;
/** Read sooner than a thread is begun. */
const READ_AT_ONCE_BYTES = 128 * 1024;
const READS = { file: "src/features/clients/import/readClientFile.ts", name: "readClientFile" };

const column = z.int().min(0).max(200);
const readingSchema: z.ZodType<ClientTableReading> = z.strictObject({
  skip: z.int().min(0).max(1000),
  columns: z.partialRecord(z.enum(CLIENT_FIELDS), column),
  dayOrder: z.enum(DAY_ORDERS),
  othersToNotes: z.boolean(),
});
const encodingSchema = z.enum(Object.keys(ENCODINGS) as [Encoding, ...Encoding[]]);
const asked = z.object({
  reading: z
    .string()
    .transform((text, context): unknown => {
      try {
        return JSON.parse(text);
      } catch {
        context.addIssue({ code: "custom", message: "no JSON" });
        return z.NEVER;
      }
    })
    .pipe(readingSchema)
    .nullable(),
  encoding: encodingSchema.nullable(),
  keep: z.uuid().nullable(),
  /** Rows that are likely doubles and are to be added all the same. */
  add: z.union([z.literal("all"), z.string().regex(/^\d{1,6}(,\d{1,6})*$/)]).nullable(),
});

/**
 * A list of clients out of another program. Without `keep` it is only read and shown; with it, the id of the import, all rows
 * that are clients are kept in one go, likely doubles only where `add` names them. Sent twice it is kept once.
 */
export async function takeClients(request: Request): Promise<Response> {
  const me = await currentMember();
  if (!me) return refuse(401, "Signed out.");
  if (!mayActAs(me, "technician")) return refuse(403, "This needs a technician's hand.");
  const { searchParams } = new URL(request.url);
  const wish = asked.safeParse(Object.fromEntries(["reading", "encoding", "keep", "add"].map((key) => [key, searchParams.get(key)])));
  if (!wish.success) return refuse(400, "How the columns are to be read was not understood.");
  const read = await readBody(request, MAX_BYTES);
  if (!read.ok) return read.response;
  const { reading, encoding, keep, add } = wish.data;
  const known = await inStudio(me, everybody);
  const file: ClientFile = { bytes: new Uint8Array(read.body), wished: reading, encoding, today: todayIn(me.timeZone, new Date()), known };
  const found =
    read.body.length <= READ_AT_ONCE_BYTES
      ? readClientFile(file)
      : await inThread<ClientFileFound>(READS, file, { signal: request.signal });
  if (!found.ok) return refuse(400, found.why);
  if (keep === null) return answer(found.preview);
  const wanted = add === "all" ? null : new Set((add ?? "").split(",").filter(Boolean).map(Number));
  const clients = found.clients.filter(({ row, isDouble }) => !isDouble || wanted === null || wanted.has(row));
  if (clients.length === 0) return refuse(400, "There is nobody in this file to add. Nothing was kept.");
  const name = searchParams.get("name") ?? "";
  const kept = await keepClients(me, keep, (isStorable(name) ? name.trim().slice(0, 200) : "") || "a file", clients);
  return answer({ kept, doubles: found.clients.length - clients.length, leftOut: found.preview.wrong });
}

/** Keeps all of them in one transaction, or what the same import has kept before. */
function keepClients(me: Member, id: string, fileName: string, clients: readonly ImportedRow[]): Promise<number> {
  return inStudio(me, async (tx) => {
    const [made] = await tx
      .insert(clientImport)
      .values({ studioId: me.studioId, id, fileName, clients: clients.length, byId: me.id })
      .onConflictDoNothing()
      .returning({ id: clientImport.id });
    if (!made)
      return (await tx.select({ clients: clientImport.clients }).from(clientImport).where(eq(clientImport.id, id)))[0]?.clients ?? 0;
    for (let i = 0; i < clients.length; i += AT_ONCE)
      await tx
        .insert(client)
        .values(clients.slice(i, i + AT_ONCE).map((one) => ({ studioId: me.studioId, id: randomUUID(), importId: id, ...one.client })));
    return clients.length;
  });
}
