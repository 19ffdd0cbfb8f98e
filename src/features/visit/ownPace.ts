import "server-only";
import { and, desc, eq, inArray, isNotNull } from "drizzle-orm";
import type { Side } from "@/core/eye";
import { technicianPace, wornTotals, type PlacingPace } from "@/core/map";
import { BEGINNER_TIMES, learnedPace, type Pace, type SetPace } from "@/core/placing";
import type { Policy } from "@/core/policy";
import { SET_SERVICES } from "@/core/service";
import { member, visit, visitOutcome } from "@/db/schema";
import { together, type StudioTransaction } from "@/server/inStudio";

const SETS = 6;
/** Hands change: older sets than these say less of a pace than they blur. */
const TAPPED_SETS = 12;

/** A lash's own pace on an eye in a technique, as finished sets taught it. */
export type LearnedLash = Pace & { readonly side: Side; readonly isFan: boolean };

export type OwnPace = PlacingPace & {
  /** Learned, and not the studio's figures. */
  readonly known: boolean;
  /** From sets that were tapped lash by lash; empty until one was. */
  readonly lash: readonly LearnedLash[];
};

/**
 * A technician's own seconds a lash. Whole sets say most of how long a set takes: their time over the lashes of the map worn.
 * Where too few are known, lashes tapped one by one; else the studio's figures, by what the hand said of itself.
 */
export async function ownPace(tx: StudioTransaction, technicianId: string, policy: Policy): Promise<OwnPace> {
  const [sets, tapped, hand] = await together([
    tx
      .select({ begunAt: visitOutcome.begunAt, finishedAt: visitOutcome.finishedAt, worn: visitOutcome.worn })
      .from(visit)
      .innerJoin(visitOutcome, and(eq(visitOutcome.studioId, visit.studioId), eq(visitOutcome.visitId, visit.id)))
      .where(
        and(
          eq(visit.technicianId, technicianId),
          eq(visit.service, "newSet"),
          isNotNull(visitOutcome.begunAt),
          isNotNull(visitOutcome.finishedAt),
          isNotNull(visitOutcome.worn),
        ),
      )
      .orderBy(desc(visit.startsAt))
      .limit(SETS),
    tappedSets(tx, technicianId),
    tx.select({ hand: member.hand }).from(member).where(eq(member.id, technicianId)),
  ]);
  const times = hand[0]?.hand === "beginner" ? BEGINNER_TIMES : 1;
  const usual = { secondsPerSingle: policy.secondsPerSingle * times, secondsPerFan: policy.secondsPerFan * times };
  const whole = technicianPace(
    sets.map(({ begunAt, finishedAt, worn }) => ({
      ...wornTotals(worn!),
      seconds: (finishedAt!.getTime() - begunAt!.getTime()) / 1000,
    })),
    usual,
  );
  const lash = lashPaces(tapped);
  if (whole.known || lash.length === 0) return { ...whole, lash };
  return {
    secondsPerSingle: Math.round(learnedPace(tapped, null, false)?.seconds ?? whole.secondsPerSingle),
    secondsPerFan: Math.round(learnedPace(tapped, null, true)?.seconds ?? whole.secondsPerFan),
    known: true,
    lash,
  };
}

/** Paces of a technician's last finished sets that were tapped lash by lash, newest first. */
async function tappedSets(tx: StudioTransaction, technicianId: string): Promise<SetPace[]> {
  const rows = await tx
    .select({ pace: visitOutcome.pace })
    .from(visit)
    .innerJoin(visitOutcome, and(eq(visitOutcome.studioId, visit.studioId), eq(visitOutcome.visitId, visit.id)))
    .where(and(eq(visit.technicianId, technicianId), inArray(visit.service, SET_SERVICES), isNotNull(visitOutcome.pace)))
    .orderBy(desc(visit.startsAt))
    .limit(TAPPED_SETS);
  return rows.flatMap(({ pace }) => pace ?? []);
}

/** What those sets teach of each eye and technique. */
const lashPaces = (sets: readonly SetPace[]): LearnedLash[] =>
  (["right", "left"] as const).flatMap((side) =>
    [false, true].flatMap((isFan) => {
      const pace = learnedPace(sets, side, isFan);
      return pace ? [{ ...pace, side, isFan }] : [];
    }),
  );

/** What a technician's hands have taught of their pace. */
export const learnedLashes = async (tx: StudioTransaction, technicianId: string): Promise<LearnedLash[]> =>
  lashPaces(await tappedSets(tx, technicianId));
