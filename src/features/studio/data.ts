import "server-only";
import { asc, isNotNull } from "drizzle-orm";
import { chair, member, policy, room } from "@/db/schema";
import { sensorsNow } from "@/features/readings/newestAir";
import { learnedLashes } from "@/features/visit/ownPace";
import { inStudio, together, type StudioTransaction } from "@/server/inStudio";
import { mayActAs, type Member } from "@/server/member";

/** Who works here. What their hands have taught of their pace is for themselves and the owner. */
async function peopleOf(tx: StudioTransaction, me: Member) {
  const rows = await tx
    .select({ id: member.id, name: member.name, role: member.role, hand: member.hand })
    .from(member)
    .orderBy(asc(member.createdAt), asc(member.name));
  const mayRead = (id: string) => id === me.id || mayActAs(me, "owner");
  return Promise.all(
    rows.map(async ({ hand, ...row }) => ({
      ...row,
      hand: mayRead(row.id) ? { said: hand, paces: await learnedLashes(tx, row.id) } : null,
    })),
  );
}

/** The studio's policy, people and devices. */
export function studioPage(me: Member) {
  return inStudio(me, async (tx) => {
    const [[policyRow], people, rooms, chairs, sensors] = await together([
      tx.select().from(policy),
      peopleOf(tx, me),
      tx
        .select({ id: room.id, name: room.name, closed: isNotNull(room.closedAt).mapWith(Boolean) })
        .from(room)
        .orderBy(asc(room.createdAt), asc(room.name)),
      tx
        .select({ id: chair.id, roomId: chair.roomId, name: chair.name, closed: isNotNull(chair.closedAt).mapWith(Boolean) })
        .from(chair)
        .orderBy(asc(chair.name)),
      sensorsNow(tx),
    ]);
    const roomNames = new Map(rooms.map(({ id, name }) => [id, name]));
    return {
      policy: policyRow!.document,
      revision: policyRow!.revision,
      people,
      rooms,
      chairs,
      sensors: sensors
        .map(({ id, name, roomId, last }) => ({ id, name, room: roomNames.get(roomId)!, last: last && new Date(last.takenAtMs) }))
        .sort((a, b) => a.name.localeCompare(b.name)),
    };
  });
}
export type StudioPage = Awaited<ReturnType<typeof studioPage>>;
