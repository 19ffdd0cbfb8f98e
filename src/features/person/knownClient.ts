import "server-only";
import { eq } from "drizzle-orm";
import { client } from "@/db/schema";
import { Refusal } from "@/server/action";
import type { StudioTransaction } from "@/server/inStudio";

export const NO_CLIENT = "This client is not in the studio (any more).";

export type KnownClient = { readonly id: string; readonly mannequin: boolean; readonly archived: boolean };

/** So many merges one after the other are followed. */
const MERGES = 20;

/**
 * The client that an id stands for, held until the transaction ends, or null where there is none (any more). An entry that was
 * merged into another stands for that other: a page or tablet may have been open since before.
 */
export async function clientBehind(tx: StudioTransaction, clientId: string): Promise<KnownClient | null> {
  let id = clientId;
  for (let i = 0; i < MERGES; i++) {
    const [row] = await tx
      .select({ mannequin: client.mannequin, archivedAt: client.archivedAt, gone: client.gone, mergedInto: client.mergedInto })
      .from(client)
      .where(eq(client.id, id))
      .for("key share");
    if (!row) return null;
    if (row.gone === null) return { id, mannequin: row.mannequin, archived: row.archivedAt !== null };
    if (row.mergedInto === null) return null;
    id = row.mergedInto;
  }
  return null;
}

/** The one door for what is written down about a client, or booked for them: whom an id stands for, refused in words where for nobody. */
export async function knownClient(tx: StudioTransaction, clientId: string): Promise<KnownClient> {
  const known = await clientBehind(tx, clientId);
  if (!known) throw new Refusal(NO_CLIENT);
  return known;
}

/** As `knownClient`, and who is archived is not booked. */
export async function clientWhoComes(tx: StudioTransaction, clientId: string): Promise<KnownClient> {
  const known = await knownClient(tx, clientId);
  if (known.archived) throw new Refusal("This client is archived. Bring them back first, from their page.");
  return known;
}
