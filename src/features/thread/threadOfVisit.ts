import "server-only";
import { and, eq, gte, lt, or } from "drizzle-orm";
import type { Checklist } from "@/core/checklist";
import { nextFillDays } from "@/core/growth";
import { answerWords } from "@/core/policy";
import { againDays } from "@/core/protocol";
import { isByMap } from "@/core/service";
import { bookingOptions, type BookingOptions } from "@/features/booking/data";
import { checklistAt } from "@/features/checklists/data";
import { picturesOfVisit, type VisitPicture } from "@/features/pictures/ofVisit";
import { lotNames } from "@/features/shelf/lotNames";
import { comeBack } from "@/features/visit/comeBack";
import type { FullVisit } from "@/features/visit/data";
import { nextVisitOf, nextVisitWords } from "@/features/visit/nextVisit";
import { consultation, studio } from "@/db/schema";
import { together, type StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { studioPolicy } from "@/server/studioPolicy";
import { dayIn, timeIn, todayIn } from "@/server/studioTime";

/** What every kind of visit has beside its own work: steps, pictures, the next visit, and what that is booked with. */
export type ThreadProps = {
  /** The consultation was asked on the visit's day, or for it. */
  readonly isAsked: boolean;
  readonly checklist: Checklist;
  readonly pictures: readonly VisitPicture[];
  /** The client's next agreed visit, in words. */
  readonly next: { readonly id: string; readonly words: string } | null;
  /** What is proposed for it: so many days after this one, at the hour it was agreed for. */
  readonly proposed: {
    readonly afterDays: number;
    /** Why so many, where it was reckoned. */
    readonly why: string | null;
    readonly day: string;
    readonly time: string;
    readonly technicianId: string;
    readonly chairId: string;
  };
  readonly booking: BookingOptions;
  readonly studioName: string;
  /** What the studio's policy says, beside questions that are not answered by it. */
  readonly usual: { readonly primer: string; readonly dip: string };
  /** Names of primers and disinfectants that the record speaks of, or that are on the shelf, by lot. */
  readonly lotNames: Readonly<Record<string, string>>;
  readonly primers: readonly { readonly id: string; readonly name: string }[];
  readonly disinfectants: readonly { readonly id: string; readonly name: string }[];
};

export async function threadOfVisit(tx: StudioTransaction, me: Member, row: FullVisit, now: Date): Promise<ThreadProps> {
  const { set, steps, run } = row.state;
  const spokenOf = [set.with.primer?.batchId, steps.soak?.batchId].flatMap((id) => id ?? []);
  const day = dayIn(me.timeZone, todayIn(me.timeZone, row.begunAt ?? row.startsAt));
  const [policy, { document: checklist }, pictures, next, booking, [house], names, asked] = await together([
    studioPolicy(tx),
    checklistAt(tx, row.service, row.begunAt ?? now),
    picturesOfVisit(tx, row),
    nextVisitOf(tx, row),
    bookingOptions(tx, me, now),
    tx.select({ name: studio.name }).from(studio),
    lotNames(tx, spokenOf),
    tx.$count(
      consultation,
      and(
        eq(consultation.clientId, row.clientId),
        or(eq(consultation.visitId, row.id), and(gte(consultation.createdAt, day.from), lt(consultation.createdAt, day.to))),
      ),
    ),
  ]);
  const reckoned = await comeBack(tx, me, row, policy);
  const afterDays = reckoned ? reckoned.day : isByMap(row.service) ? nextFillDays(policy) : againDays(run.plan?.protocol ?? null);
  const today = todayIn(me.timeZone, now);
  const wanted = todayIn(me.timeZone, new Date(row.startsAt.getTime() + afterDays * 86_400_000));
  return {
    isAsked: asked > 0,
    checklist,
    pictures,
    next: next && { id: next.id, words: nextVisitWords(me.timeZone, next) },
    proposed: {
      afterDays,
      why: reckoned?.words ?? null,
      day: wanted > today ? wanted : today,
      time: timeIn(me.timeZone, row.startsAt),
      technicianId: row.technicianId,
      chairId: row.chairId,
    },
    booking,
    studioName: house!.name,
    usual: { primer: answerWords(policy, "primer"), dip: answerWords(policy, "dip") },
    lotNames: names.spokenOf,
    primers: names.primers,
    disinfectants: names.disinfectants,
  };
}
