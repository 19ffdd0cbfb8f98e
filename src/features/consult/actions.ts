"use server";
import { z } from "zod";
import { typedDay } from "@/server/typed";
import { consultationSchema } from "@/core/care";
import { confirmAnswers, keepAnswers } from "@/features/care/keepAnswers";
import { knownVisit } from "@/features/visit/life";
import { action, Refusal } from "@/server/action";
import { inStudio } from "@/server/inStudio";
import { handedTo, handOver, takeBack } from "@/server/member";
import { countGuess, takeGuessBack } from "@/server/guesses";

/** Hands the tablet to the client of a visit. */
export const giveToClient = action({ input: z.strictObject({ visitId: z.uuid() }) }, async (me, { visitId }) => {
  await inStudio(me, (tx) => knownVisit(tx, visitId));
  await handOver(visitId);
  return null;
});

const handedMember = async () => (await handedTo())?.member ?? null;
const visitInHand = async (): Promise<string> => {
  const handed = await handedTo();
  if (!handed) throw new Refusal("The tablet is back with the technician.");
  return handed.visitId;
};

/** What the client answers by themselves, for the visit the tablet was handed over for, and no other. */
export const keepOwnAnswers = action(
  {
    input: z.strictObject({ id: z.uuid(), document: consultationSchema, bornOn: z.union([typedDay("A date of birth."), z.literal("")]) }),
    who: handedMember,
  },
  async (me, { id, document, bornOn }) => {
    const visitId = await visitInHand();
    await inStudio(me, async (tx) => {
      const { clientId, service } = await knownVisit(tx, visitId);
      // What the technician saw, and a doctor's word, are not the client's to say.
      const ofClient = { ...document, extensionsOn: null, doctorsWord: "" };
      await keepAnswers(tx, me, { id, clientId, visitId, service, document: ofClient, bornOn, givenBy: "client" });
    });
    return null;
  },
);

/** The last answers, with nothing changed, by the client's own tap. */
export const confirmOwnAnswers = action({ input: z.strictObject({ id: z.uuid() }), who: handedMember }, async (me, { id }) => {
  const visitId = await visitInHand();
  await inStudio(me, async (tx) => {
    const { clientId, service } = await knownVisit(tx, visitId);
    await confirmAnswers(tx, me, { id, clientId, visitId, service, givenBy: "client" });
  });
  return null;
});

/** Who was handed the tablet guesses no password. */
const GUESSES_AT_A_TABLET = 10;

/** Back to the technician, by their password. */
export const takeTabletBack = action(
  { input: z.strictObject({ password: z.string().min(1, "The password.").max(200) }), who: handedMember },
  async (me, { password }) => {
    const visitId = await visitInHand();
    const guess = [{ key: `tablet ${me.id}`, most: GUESSES_AT_A_TABLET }];
    if (!(await countGuess(guess))) throw new Refusal("Too many tries. Wait a quarter of an hour, or sign in anew.");
    if (!(await takeBack(password))) throw new Refusal("That is not the password.", { password: "Not this one." });
    await takeGuessBack(guess);
    return { visitId };
  },
);
