"use server";
import { refresh } from "next/cache";
import { z } from "zod";
import { typedDay } from "@/server/typed";
import { consentText, consultationSchema } from "@/core/care";
import { CLIENT_SERVICES, type ServiceId } from "@/core/service";
import { consent } from "@/db/schema";
import { knownClient } from "@/features/person/knownClient";
import { action } from "@/server/action";
import { inStudio } from "@/server/inStudio";
import { todayIn } from "@/server/studioTime";
import { confirmAnswers, keepAnswers } from "./keepAnswers";

const services = CLIENT_SERVICES as [ServiceId, ...ServiceId[]];
const words = (most: number, empty: string) => z.string().trim().min(1, empty).max(most, `${most} characters at most.`);

/** The consultation, asked whole for a service. Never changed: the newest counts, and an allergy named once stands. */
export const keepConsultation = action(
  {
    input: z.strictObject({
      id: z.uuid(),
      clientId: z.uuid(),
      visitId: z.uuid().nullable(),
      service: z.enum(services),
      document: consultationSchema,
      bornOn: z.union([typedDay("A date of birth."), z.literal("")]),
    }),
  },
  async (me, form) => {
    await inStudio(me, (tx) => keepAnswers(tx, me, { ...form, givenBy: "technician" }));
    refresh();
    return null;
  },
);

/** Confirms the last answers with nothing changed: one tap, as long as they were asked whole not long ago, for this kind of service. */
export const confirmConsultation = action(
  { input: z.strictObject({ id: z.uuid(), clientId: z.uuid(), visitId: z.uuid().nullable(), service: z.enum(services) }) },
  async (me, form) => {
    await inStudio(me, (tx) => confirmAnswers(tx, me, { ...form, givenBy: "technician" }));
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
        service: z.enum(services),
        signedName: words(120, "Who signs?"),
        signedBy: z.enum(["client", "guardian"]),
        /** Empty where a sheet of paper was signed, which the studio keeps. */
        signature: z.union([z.literal(""), signatureSchema]),
        onPaper: z.boolean(),
      })
      .refine(({ signature, onPaper }) => onPaper === (signature === ""), { message: "Sign on the field first.", path: ["signature"] }),
  },
  async (me, { clientId, service, signedName, signedBy, signature }) => {
    await inStudio(me, async (tx) => {
      const known = await knownClient(tx, clientId);
      await tx.insert(consent).values({
        studioId: me.studioId,
        id: crypto.randomUUID(),
        clientId: known.id,
        service,
        words: consentText(service),
        signedName,
        signedBy,
        signature,
        signedOn: todayIn(me.timeZone, new Date()),
        takenBy: me.id,
      });
    });
    refresh();
    return null;
  },
);
