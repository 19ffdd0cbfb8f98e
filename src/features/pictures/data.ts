import "server-only";
import { desc, eq } from "drizzle-orm";
import { firstSurvey, type Side, type Survey } from "@/core/eye";
import type { PictureMarks } from "@/core/measure";
import { client, picture } from "@/db/schema";
import { newestSurvey } from "@/features/survey/newestSurvey";
import { newSeed } from "@/features/survey/newSeed";
import { inStudio, type StudioTransaction } from "@/server/inStudio";
import { mayActAs, type Member } from "@/server/member";
import { formatIn } from "@/server/studioTime";

export type KeptPicture = {
  readonly id: string;
  readonly kind: "open" | "closed";
  readonly side: Side;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly marks: PictureMarks | null;
  readonly takenOn: string;
};
export type PicturesPage = {
  readonly clientId: string;
  readonly clientName: string;
  readonly survey: Survey;
  readonly pictures: readonly KeptPicture[];
  readonly mayRemove: boolean;
};

/** A client's pictures, newest first, or null when the client is not in this studio. */
export function picturesPage(me: Member, clientId: string): Promise<PicturesPage | null> {
  return inStudio(me, async (tx) => {
    const [person] = await tx.select({ name: client.name, mannequin: client.mannequin }).from(client).where(eq(client.id, clientId));
    if (!person) return null;
    return {
      clientId,
      clientName: person.name,
      survey: (await newestSurvey(tx, clientId))?.document ?? firstSurvey(person.mannequin, newSeed()),
      pictures: await picturesOf(tx, me, clientId),
      mayRemove: mayActAs(me, "technician"),
    };
  });
}

/** How the day of a picture is written. */
export const PICTURE_DAY = "d MMM yyyy";

/** A client's pictures with what is marked on them, newest first. */
export async function picturesOf(tx: StudioTransaction, me: Member, clientId: string): Promise<KeptPicture[]> {
  const rows = await tx
    .select({
      id: picture.id,
      kind: picture.kind,
      side: picture.side,
      widthPx: picture.widthPx,
      heightPx: picture.heightPx,
      marks: picture.marks,
      at: picture.createdAt,
    })
    .from(picture)
    .where(eq(picture.clientId, clientId))
    .orderBy(desc(picture.createdAt), picture.id)
    .limit(60);
  return rows.map(({ at, ...row }) => ({ ...row, takenOn: formatIn(me.timeZone, at, PICTURE_DAY) }));
}
