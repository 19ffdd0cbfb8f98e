import "server-only";
import { desc, eq } from "drizzle-orm";
import { addMonths, type Consultation } from "@/core/care";
import { serviceOf, type ServiceId } from "@/core/service";
import { client, consultation, visit } from "@/db/schema";
import { knownClient } from "@/features/person/knownClient";
import { Refusal } from "@/server/action";
import type { StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { todayIn } from "@/server/studioTime";
import { studioPolicy } from "@/server/studioPolicy";

type Asked = {
  /** Made by who sends it: sent twice it is kept once. */
  readonly id: string;
  readonly clientId: string;
  readonly visitId: string | null;
  readonly service: ServiceId;
  readonly givenBy: "client" | "technician";
};

async function checkVisit(tx: StudioTransaction, { visitId, clientId }: Asked): Promise<void> {
  if (visitId === null) return;
  const [known] = await tx.select({ clientId: visit.clientId }).from(visit).where(eq(visit.id, visitId));
  if (known?.clientId !== clientId) throw new Refusal("This visit is not this client's.");
}

/** A consultation asked whole. Never changed: the newest counts, and an allergy named once stands. */
export async function keepAnswers(
  tx: StudioTransaction,
  me: Member,
  { document, bornOn, ...sent }: Asked & { readonly document: Consultation; readonly bornOn: string },
): Promise<void> {
  const today = todayIn(me.timeZone, new Date());
  if (bornOn && (bornOn > today || bornOn < "1900-01-01"))
    throw new Refusal("That is no date of birth.", { bornOn: "Between 1900 and today." });
  const days = [document.operation?.on, document.operation?.releasedOn, ...document.elsewhere.map(({ on }) => on)];
  if (days.some((on) => on != null && on > today))
    throw new Refusal("A day that was named is still to come.", { document: "Not in the future." });
  const asked = { ...sent, clientId: (await knownClient(tx, sent.clientId)).id };
  await checkVisit(tx, asked);
  if (bornOn) await tx.update(client).set({ bornOn }).where(eq(client.id, asked.clientId));
  await tx
    .insert(consultation)
    .values({ studioId: me.studioId, ...asked, document, askedBy: me.id })
    .onConflictDoNothing();
}

/** The last answers with nothing changed; refused where it is to be asked whole again. */
export async function confirmAnswers(tx: StudioTransaction, me: Member, sent: Asked): Promise<void> {
  const asked = { ...sent, clientId: (await knownClient(tx, sent.clientId)).id };
  const rows = await tx.select().from(consultation).where(eq(consultation.clientId, asked.clientId)).orderBy(desc(consultation.createdAt));
  const newest = rows[0];
  if (!newest) throw new Refusal("There is nothing to confirm: the consultation has not been asked yet.");
  await checkVisit(tx, asked);
  const whole = rows.filter(({ confirms }) => confirms === null);
  const { consultation: kind, label } = serviceOf(asked.service);
  if (kind && !whole.some(({ service }) => service && serviceOf(service).consultation === kind))
    throw new Refusal(`The consultation was never asked for a ${label}: ask it whole.`);
  const policy = await studioPolicy(tx);
  const months = policy.consultationMonths;
  if (addMonths(whole[0]?.createdAt.getTime() ?? 0, months) < Date.now())
    throw new Refusal(`It was last asked whole over ${months} months ago: ask it whole.`);
  await tx
    .insert(consultation)
    .values({
      studioId: me.studioId,
      ...asked,
      // Looking is not answered: who confirms has not looked again.
      document: { ...newest.document, extensionsOn: null },
      confirms: newest.confirms ?? newest.id,
      askedBy: me.id,
    })
    .onConflictDoNothing();
}
