import "server-only";
import { eq } from "drizzle-orm";
import { room } from "@/db/schema";
import { Refusal } from "@/server/action";
import type { StudioTransaction } from "@/server/inStudio";

/** Refuses a room that is not in this studio. */
export async function knownRoom(tx: StudioTransaction, roomId: string): Promise<void> {
  const [known] = await tx.select({ id: room.id }).from(room).where(eq(room.id, roomId));
  if (!known) throw new Refusal("This room is not in the studio (any more).");
}
