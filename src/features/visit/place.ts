import "server-only";
import { and, asc, desc, eq, isNull, lt, or, sql } from "drizzle-orm";
import { serviceOf } from "@/core/service";
import { chair, client, member as memberTable, room, visit } from "@/db/schema";
import { Refusal } from "@/server/action";
import { isRefusedAs } from "@/server/databaseRefusal";
import type { StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { timeIn } from "@/server/studioTime";

/** When and where a visit is, and with whom. */
export type Place = { readonly technicianId: string; readonly chairId: string; readonly startsAt: Date; readonly minutes: number };

/** One after another where a person or a chair is wanted by several at once: then the database's own rule refuses in order. */
export async function inTurn(tx: StudioTransaction, me: Member, what: readonly string[]): Promise<void> {
  for (const key of [...what].sort()) await tx.execute(sql`select pg_advisory_xact_lock(hashtextextended(${`${me.studioId} ${key}`}, 0))`);
}

/** The room of a chair that is in use, and that the person is of the studio; in words where not. */
export async function checkPlace(
  tx: StudioTransaction,
  { chairId, technicianId }: Pick<Place, "chairId" | "technicianId">,
): Promise<string> {
  const [place] = await tx
    .select({ roomId: chair.roomId })
    .from(chair)
    .innerJoin(room, eq(room.id, chair.roomId))
    .where(and(eq(chair.id, chairId), isNull(chair.closedAt), isNull(room.closedAt)));
  if (!place) throw new Refusal("This chair is not in use (any more).", { chairId: "Choose another chair." });
  const [who] = await tx
    .select({ id: memberTable.id })
    .from(memberTable)
    .where(and(eq(memberTable.id, technicianId), isNull(memberTable.deactivatedAt)));
  if (!who) throw new Refusal("This person is not in the studio (any more).", { technicianId: "Choose somebody of the studio." });
  return place.roomId;
}

/** Runs a change that the database may refuse because somebody or some chair is taken; says by which visit. */
export async function whereFree<T>(
  tx: StudioTransaction,
  me: Member,
  place: Place,
  exceptId: string | null,
  work: (inner: StudioTransaction) => Promise<T>,
): Promise<T> {
  try {
    return await tx.transaction(work);
  } catch (error) {
    if (!isRefusedAs("exclusion", error)) throw error;
    throw new Refusal(await takenWords(tx, me, place, exceptId), { startsAt: "Taken." });
  }
}

/** Visits that overlap a place, earliest first. */
export async function inTheWay(tx: StudioTransaction, { technicianId, chairId, startsAt, minutes }: Place, exceptId: string | null) {
  const ends = new Date(startsAt.getTime() + minutes * 60_000);
  const rows = await tx
    .select({
      id: visit.id,
      startsAt: visit.startsAt,
      endsAt: visit.endsAt,
      technicianId: visit.technicianId,
      chairId: visit.chairId,
      clientName: client.name,
      technicianName: memberTable.name,
      chairName: chair.name,
      service: visit.service,
    })
    .from(visit)
    .innerJoin(client, eq(client.id, visit.clientId))
    .innerJoin(memberTable, eq(memberTable.id, visit.technicianId))
    .innerJoin(chair, eq(chair.id, visit.chairId))
    .where(
      and(
        eq(visit.keepsTime, true),
        isNull(visit.cancelledAt),
        isNull(visit.withdrawnAt),
        lt(visit.startsAt, ends),
        sql`${visit.endsAt} > ${startsAt}`,
        or(eq(visit.technicianId, technicianId), eq(visit.chairId, chairId)),
      ),
    )
    .orderBy(asc(visit.startsAt));
  return rows.filter(({ id }) => id !== exceptId);
}

export async function takenWords(tx: StudioTransaction, me: Member, place: Place, exceptId: string | null): Promise<string> {
  const [other] = await inTheWay(tx, place, exceptId);
  if (!other) return "This time was just taken. Look at the day again.";
  const who = other.technicianId === place.technicianId ? other.technicianName : other.chairName;
  const time = (moment: Date) => timeIn(me.timeZone, moment);
  return `${who} is taken from ${time(other.startsAt)} to ${time(other.endsAt)}: ${other.clientName}, ${serviceOf(other.service).label}.`;
}

/** Where a walk-in is taken: the chair this person last worked at, if it is free now; else a free one; else that one all the same. */
export async function proposeChair(tx: StudioTransaction, technicianId: string, startsAt: Date, minutes: number): Promise<string> {
  const chairs = await tx
    .select({ id: chair.id })
    .from(chair)
    .innerJoin(room, eq(room.id, chair.roomId))
    .where(and(isNull(chair.closedAt), isNull(room.closedAt)))
    .orderBy(asc(room.createdAt), asc(room.name), asc(chair.name));
  if (chairs.length === 0) throw new Refusal("The studio has no chair yet. The owner adds one in the studio's settings.");
  const [last] = await tx
    .select({ chairId: visit.chairId })
    .from(visit)
    .where(and(eq(visit.technicianId, technicianId), isNull(visit.withdrawnAt), isNull(visit.cancelledAt)))
    .orderBy(desc(sql`${visit.startsAt} <= now()`), asc(sql`abs(extract(epoch from (${visit.startsAt} - now())))`))
    .limit(1);
  const usual = chairs.find(({ id }) => id === last?.chairId);
  const inOrder = usual ? [usual, ...chairs.filter((one) => one !== usual)] : chairs;
  for (const { id } of inOrder) {
    // Only the chair matters here: whoever takes a walk-in knows who else waits.
    const taken = (await inTheWay(tx, { technicianId, chairId: id, startsAt, minutes }, null)).filter(({ chairId }) => chairId === id);
    if (taken.length === 0) return id;
  }
  return inOrder[0]!.id;
}
