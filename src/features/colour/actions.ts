"use server";
import { randomUUID } from "node:crypto";
import { and, eq, isNull } from "drizzle-orm";
import { refresh } from "next/cache";
import { z } from "zod";
import { consentText, consultationSchema, readiness } from "@/core/care";
import { airSchema } from "@/core/air";
import { planMixes, runPlanSchema } from "@/core/processing";
import { SERVICE_KINDS, type ServiceKind } from "@/core/protocol";
import { client, consent, consultation, incident, policy, product, SERVICE_OF, visit, visitEvent } from "@/db/schema";
import { visitsWhere } from "@/features/visit/data";
import { openToday } from "@/features/visit/openToday";
import { action, Refusal } from "@/server/action";
import { inStudio } from "@/server/inStudio";
import { todayIn } from "@/server/studioTime";
import { clientPast, clientStanding, kindOf } from "./standing";

const kinds = Object.keys(SERVICE_KINDS) as [ServiceKind, ...ServiceKind[]];
const words = (most: number, empty: string) => z.string().trim().min(1, empty).max(most, `${most} characters at most.`);

/** Opens the client's visit of today for a service: the agreed one that has not begun, or a new one at once. */
export const openVisit = action({ input: z.strictObject({ clientId: z.uuid(), kind: z.enum(kinds) }) }, (me, { clientId, kind }) =>
  inStudio(me, async (tx) => {
    const now = new Date();
    const [known] = await tx
      .select({ id: client.id })
      .from(client)
      .where(and(eq(client.id, clientId), isNull(client.archivedAt)));
    if (!known) throw new Refusal("This client is not in the studio (any more).");
    const service = SERVICE_OF[kind];
    const visitId = await openToday(tx, me, now, { clientId, services: [service], until: "finished", fresh: { service, minutes: 75 } });
    return { visitId };
  }),
);

/**
 * The only door a plan comes in by: what stands against the service is looked at once more, here. A stop is never passed;
 * what is asked needs its reason.
 */
export const planRun = action(
  {
    input: z.strictObject({
      visitId: z.uuid(),
      eventId: z.uuid(),
      plan: runPlanSchema,
      air: airSchema.nullable(),
      reason: z.string().trim().max(2000, "2000 characters at most."),
    }),
  },
  async (me, { visitId, eventId, plan, air, reason }) => {
    const now = new Date();
    await inStudio(me, async (tx) => {
      const [row] = await visitsWhere(tx, { visitId });
      const kind = row && kindOf(row.service);
      if (!row || !kind) throw new Refusal("This visit is not in the studio (any more).");
      if (row.state.finishedAtMs !== null) throw new Refusal("This visit is over.");
      if (row.state.run.coats.length > 0) throw new Refusal("Something lies on already; the plan it was begun by stands.");
      if (plan.protocol.service !== kind) throw new Refusal("This protocol is for another service.");
      const [held] = await tx.select().from(policy);
      const past = await clientPast(tx, row.clientId, row.id);
      const standing = await clientStanding(tx, row.clientId, kind, past.services);
      const found = readiness(plan.protocol, standing, todayIn(me.timeZone, now), now.getTime(), held!.document);
      const [stop] = found.filter(({ weight }) => weight === "stop");
      if (stop) throw new Refusal(stop.words);
      const products = new Map((await tx.select().from(product)).map(({ id, document }) => [id, document]));
      const [objection] = planMixes(plan, products, held!.document.lashPeroxidePercent / 100).flatMap((mix) => mix.objection ?? []);
      if (objection) throw new Refusal(objection);
      if (found.some(({ weight }) => weight === "ask") && reason.length < 3)
        throw new Refusal("Something is to be asked first. Write why it goes ahead.", { reason: "A reason is needed." });
      await tx.update(visit).set({ patchReason: reason }).where(eq(visit.id, visitId));
      const event = { studioId: me.studioId, visitId, at: now, clock: "checked" as const, memberId: me.id };
      if (row.state.startedAtMs === null)
        await tx
          .insert(visitEvent)
          .values({ ...event, id: randomUUID(), type: "started", payload: { bottleId: null, air }, at: new Date(now.getTime() - 1) });
      await tx
        .insert(visitEvent)
        .values({ ...event, id: eventId, type: "runPlanned", payload: { plan, air } })
        .onConflictDoNothing();
    });
    refresh();
    return null;
  },
);

export const keepConsultation = action(
  {
    input: z.strictObject({
      clientId: z.uuid(),
      document: consultationSchema,
      bornOn: z.union([z.iso.date("A date of birth."), z.literal("")]),
    }),
  },
  async (me, { clientId, document, bornOn }) => {
    if (bornOn && bornOn > todayIn(me.timeZone, new Date()))
      throw new Refusal("Nobody is born tomorrow.", { bornOn: "Not in the future." });
    await inStudio(me, async (tx) => {
      const [known] = await tx.select({ id: client.id }).from(client).where(eq(client.id, clientId));
      if (!known) throw new Refusal("This client is not in the studio (any more).");
      if (bornOn) await tx.update(client).set({ bornOn }).where(eq(client.id, clientId));
      await tx.insert(consultation).values({ studioId: me.studioId, id: randomUUID(), clientId, document, askedBy: me.id });
    });
    refresh();
    return null;
  },
);

/** A hand's line on a field of 300 by 90: moves and lines with whole or half numbers only. */
const signatureSchema = z
  .string()
  .max(60_000, "This signature is too long; sign again.")
  .regex(/^(?:[ML]-?\d{1,3}(?:\.\d)? -?\d{1,3}(?:\.\d)?)+$/, "Sign on the field first.");

export const keepConsent = action(
  {
    input: z
      .strictObject({
        clientId: z.uuid(),
        kind: z.enum(kinds),
        signedName: words(120, "Who signs?"),
        /** Empty where a sheet of paper was signed, which the studio keeps. */
        signature: z.union([z.literal(""), signatureSchema]),
        onPaper: z.boolean(),
      })
      .refine(({ signature, onPaper }) => onPaper === (signature === ""), { message: "Sign on the field first.", path: ["signature"] }),
  },
  async (me, { clientId, kind, signedName, signature }) => {
    await inStudio(me, async (tx) => {
      const [known] = await tx.select({ id: client.id }).from(client).where(eq(client.id, clientId));
      if (!known) throw new Refusal("This client is not in the studio (any more).");
      await tx.insert(consent).values({
        studioId: me.studioId,
        id: randomUUID(),
        clientId,
        service: kind,
        words: consentText(kind),
        signedName,
        signature,
        signedOn: todayIn(me.timeZone, new Date()),
        takenBy: me.id,
      });
    });
    refresh();
    return null;
  },
);

export const writeIncident = action(
  { input: z.strictObject({ visitId: z.uuid(), words: words(6000, "What happened?") }) },
  async (me, form) => {
    await inStudio(me, async (tx) => {
      const [known] = await tx.select({ id: visit.id }).from(visit).where(eq(visit.id, form.visitId));
      if (!known) throw new Refusal("This visit is not in the studio (any more).");
      await tx.insert(incident).values({ studioId: me.studioId, id: randomUUID(), ...form, writtenBy: me.id });
    });
    refresh();
    return null;
  },
);
