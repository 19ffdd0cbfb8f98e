import "server-only";
import { and, asc, eq, gt, inArray, isNull, sql } from "drizzle-orm";
import { serviceOf } from "@/core/service";
import { client, member, studio, visit } from "@/db/schema";
import { learnedLashes } from "@/features/visit/ownPace";
import { inStudio, together, type StudioTransaction } from "@/server/inStudio";
import { sendsMail } from "@/server/mail";
import { mayActAs, type Account, type Member } from "@/server/member";
import { formatIn, todayIn } from "@/server/studioTime";

type AccountRow = {
  readonly id: string;
  readonly email: string;
  readonly has_password: boolean;
  readonly has_second_factor: boolean;
  readonly link_until: Date | null;
  readonly signed_in_at: Date | null;
};

/** A visit that somebody is booked for and will not come to. */
export type ToGiveAway = {
  readonly visitId: string;
  readonly clientName: string;
  readonly service: string;
  readonly when: string;
  readonly href: string;
};

/** What is booked from now on, by whom it is to be done. */
async function bookedFor(tx: StudioTransaction, me: Member, memberIds: readonly string[], now: Date): Promise<Map<string, ToGiveAway[]>> {
  const rows = memberIds.length
    ? await tx
        .select({
          id: visit.id,
          technicianId: visit.technicianId,
          startsAt: visit.startsAt,
          service: visit.service,
          clientName: client.name,
        })
        .from(visit)
        .innerJoin(client, and(eq(client.studioId, visit.studioId), eq(client.id, visit.clientId)))
        .where(
          and(
            inArray(visit.technicianId, [...memberIds]),
            gt(visit.endsAt, now),
            isNull(visit.cancelledAt),
            isNull(visit.withdrawnAt),
            eq(visit.keepsTime, true),
          ),
        )
        .orderBy(asc(visit.startsAt))
    : [];
  const booked = new Map<string, ToGiveAway[]>();
  for (const { id, technicianId, startsAt, service, clientName } of rows) {
    const line = {
      visitId: id,
      clientName,
      service: serviceOf(service).label,
      when: formatIn(me.timeZone, startsAt, "EEE d MMM, HH:mm"),
      href: `/?day=${todayIn(me.timeZone, startsAt)}&visit=${id}`,
    };
    booked.set(technicianId, [...(booked.get(technicianId) ?? []), line]);
  }
  return booked;
}

/** What one's own hand takes a lash, as finished sets taught it, and what one said of it oneself. */
export function ownHand(me: Member) {
  return inStudio(me, async (tx) => {
    const [row] = await tx.select({ said: member.hand }).from(member).where(eq(member.id, me.id));
    return { said: row?.said ?? null, paces: await learnedLashes(tx, me.id) };
  });
}

/** Who works here, and who did. What their hands have taught of their pace is for themselves and the owner; how they sign in, for the owner. */
export function peoplePage({ member: me, ...account }: Account, now: Date) {
  const isOwner = mayActAs(me, "owner");
  return inStudio(me, async (tx) => {
    const [rows, accounts, [studioRow]] = await together([
      tx
        .select({ id: member.id, name: member.name, role: member.role, hand: member.hand, deactivatedAt: member.deactivatedAt })
        .from(member)
        .orderBy(asc(member.createdAt), asc(member.name)),
      tx.execute<AccountRow>(sql`select * from studio.people_accounts()`),
      tx.select({ since: studio.secondFactorSince }).from(studio),
    ]);
    const accountOf = new Map(accounts.rows.map((row) => [row.id, row]));
    const booked = await bookedFor(
      tx,
      me,
      rows.map(({ id }) => id),
      now,
    );
    const day = (at: Date | string) => formatIn(me.timeZone, new Date(at), "d MMM yyyy, HH:mm");
    const people = await Promise.all(
      rows.map(async ({ hand, deactivatedAt, ...row }) => {
        const known = accountOf.get(row.id);
        return {
          ...row,
          isMe: row.id === me.id,
          hand: isOwner || row.id === me.id ? { said: hand, paces: await learnedLashes(tx, row.id) } : null,
          deactivated: deactivatedAt && day(deactivatedAt),
          booked: isOwner || deactivatedAt !== null ? (booked.get(row.id) ?? []) : [],
          account: known
            ? {
                email: known.email,
                hasPassword: known.has_password,
                hasSecondFactor: known.has_second_factor,
                linkUntil: known.link_until && day(known.link_until),
                signedInAt: known.signed_in_at && day(known.signed_in_at),
              }
            : null,
        };
      }),
    );
    return {
      people,
      mayChange: isOwner,
      sendsMail: sendsMail(),
      demandsSecondFactor: studioRow?.since != null,
      hasSecondFactor: account.hasSecondFactor,
    };
  });
}
export type PeoplePage = Awaited<ReturnType<typeof peoplePage>>;
export type Person = PeoplePage["people"][number];
