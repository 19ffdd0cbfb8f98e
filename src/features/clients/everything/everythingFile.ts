import "server-only";
import { strToU8, zip, type AsyncZippable } from "fflate";
import { z } from "zod";
import { studio } from "@/db/schema";
import { NO_CLIENT } from "@/features/person/knownClient";
import { note } from "@/server/audit";
import { inStudio } from "@/server/inStudio";
import { currentMember, mayActAs } from "@/server/member";
import { refuse } from "@/server/respond";
import { formatIn, todayIn } from "@/server/studioTime";
import { collectEverything } from "./collect";
import { readable } from "./readable";

/** Everything about one client, for their request: a page to read, the same for a program, and the pictures. For the owner. */
export async function everythingFile(clientId: string): Promise<Response> {
  const me = await currentMember();
  if (!me) return refuse(401, "Signed out.");
  if (!mayActAs(me, "owner")) return refuse(403, "A whole record is the owner's to hand out.");
  if (!z.uuid().safeParse(clientId).success) return refuse(404, "This client is not in the studio.");
  const now = new Date();
  const found = await inStudio(me, async (tx) => {
    const everything = await collectEverything(tx, clientId);
    if (!everything) return null;
    await note(tx, me, "exported", { clientId, detail: "everything about a client" });
    const [own] = await tx.select({ name: studio.name }).from(studio);
    return { everything, studioName: own!.name };
  });
  if (!found) return refuse(404, NO_CLIENT);
  const { everything, studioName } = found;
  const { pictures, ...words } = everything;
  const moment = (at: unknown) => (typeof at === "string" ? formatIn(me.timeZone, new Date(at), "d MMM yyyy, HH:mm") : "");
  const files: AsyncZippable = {
    "record.html": strToU8(readable(everything, studioName, formatIn(me.timeZone, now, "d MMM yyyy"), moment)),
    "record.json": strToU8(
      `${JSON.stringify({ format: "ivy-thread.client-record", version: 1, madeAt: now.toISOString(), ...words }, null, 2)}\n`,
    ),
    // A JPEG grows no smaller.
    ...Object.fromEntries(pictures.map(({ name, jpeg }) => [name, [new Uint8Array(jpeg), { level: 0 as const }] as const])),
  };
  const bytes = await new Promise<Uint8Array>((resolve, reject) => zip(files, (error, data) => (error ? reject(error) : resolve(data))));
  return new Response(new Uint8Array(bytes), {
    headers: {
      "content-type": "application/zip",
      "content-disposition": `attachment; filename="client-record-${todayIn(me.timeZone, now)}.zip"`,
      "cache-control": "private, no-store",
    },
  });
}
