"use server";
import { eq, inArray, sql } from "drizzle-orm";
import { refresh } from "next/cache";
import { headers } from "next/headers";
import { z } from "zod";
import { session } from "@/db/schema";
import { action, Refusal } from "@/server/action";
import { note } from "@/server/audit";
import { auth } from "@/server/auth";
import { countGuess, takeGuessBack } from "@/server/guesses";
import { inStudio } from "@/server/inStudio";
import { sendMail } from "@/server/mail";
import { currentAccount, type Member } from "@/server/member";
import { changeEmail as keepEmail, changePassword as keepPassword, isPassword } from "@/server/passwords";
import { authDatabase } from "@/server/pools";
import { codeForm, emailForm, nameForm, passwordForm, passwordOnly } from "./schema";
import { emailChangedMail } from "./emailChangedMail";
import { sessionsOf } from "./sessions";

/** Whose account it is, also while the second factor that is asked of everybody is still to be set up. */
const owner = async (): Promise<Member | null> => (await currentAccount())?.member ?? null;

/** Who holds a tablet that somebody left signed in guesses no password. */
const GUESSES_IN_A_SESSION = 10;

async function refuseWrongPassword(me: Member, password: string): Promise<void> {
  const guess = [{ key: `own password ${me.id}`, most: GUESSES_IN_A_SESSION }];
  if (!(await countGuess(guess))) throw new Refusal("Too many tries. Wait a quarter of an hour.");
  if (!(await isPassword(me.id, password))) throw new Refusal("That is not your password.", { current: "Not this one." });
  await takeGuessBack(guess);
}

const sessionNow = async () => (await currentAccount())!.sessionId;

export const changeName = action({ input: nameForm }, async (me, { name }) => {
  await inStudio(me, async (tx) => {
    await tx.execute(sql`select studio.change_own_name(${name})`);
    await note(tx, me, "nameChanged");
  });
  refresh();
  return null;
});

/** A new password ends every other sign-in. */
export const changePassword = action({ input: passwordForm, who: owner }, async (me, { current, password }) => {
  await refuseWrongPassword(me, current);
  await keepPassword(me.id, password, await sessionNow());
  await inStudio(me, (tx) => note(tx, me, "passwordChanged"));
  refresh();
  return null;
});

/** Another address to sign in with. The one before is told, where mail is sent: it may have been somebody else. */
export const changeEmail = action({ input: emailForm }, async (me, { current, email }) => {
  await refuseWrongPassword(me, current);
  const { email: before } = (await currentAccount())!;
  if (email === before) throw new Refusal("You sign in with this address already.", { email: "The one you have." });
  if (!(await keepEmail(me.id, email))) throw new Refusal("Somebody signs in with this address already.", { email: "Already taken." });
  await inStudio(me, (tx) => note(tx, me, "emailChanged"));
  await sendMail(emailChangedMail({ to: before, name: me.name, studioName: me.studioName }));
  refresh();
  return null;
});

/** Ends one of one's own sign-ins, or all but this one. */
export const endSessions = action({ input: z.strictObject({ id: z.uuid().nullable() }) }, async (me, { id }) => {
  const mine = await sessionsOf(me.id, await sessionNow());
  const ends = mine.filter((one) => !one.isThis && (id === null || one.id === id));
  if (id !== null && ends.length === 0) throw new Refusal("This sign-in has ended already.");
  for (const one of ends) await authDatabase().delete(session).where(eq(session.id, one.id));
  await inStudio(me, (tx) => note(tx, me, "sessionsEnded", { detail: String(ends.length) }));
  refresh();
  return { ended: ends.length };
});

/** A secret for the app that makes codes, as a link and as a picture to be scanned, and the recovery codes. It counts once a first code was right. */
export const beginSecondFactor = action({ input: passwordOnly, who: owner }, async (me, { current }) => {
  await refuseWrongPassword(me, current);
  if ((await currentAccount())!.hasSecondFactor) throw new Refusal("Your second factor is set up already.");
  const made = await auth().api.enableTwoFactor({ body: { password: current }, headers: await headers() });
  if (!("totpURI" in made)) throw new Error("No secret was made.");
  const { default: qrcode } = await import("qrcode");
  const { modules } = qrcode.create(made.totpURI, { errorCorrectionLevel: "M" });
  const dark = Array.from(modules.data, Boolean);
  return {
    uri: made.totpURI,
    secret: new URL(made.totpURI).searchParams.get("secret") ?? "",
    square: { size: modules.size, dark },
    recoveryCodes: made.backupCodes,
  };
});

/** The first code: from now on one is asked at every sign-in, and every other sign-in ends. */
export const confirmSecondFactor = action({ input: codeForm, who: owner }, async (me, { code }) => {
  const guess = [{ key: `first code ${me.id}`, most: GUESSES_IN_A_SESSION }];
  if (!(await countGuess(guess))) throw new Refusal("Too many tries. Wait a quarter of an hour.");
  const before = await authDatabase().select({ id: session.id }).from(session).where(eq(session.userId, me.id));
  const right = await auth()
    .api.verifyTOTP({ body: { code }, headers: await headers() })
    .catch(() => null);
  if (!right) throw new Refusal("That code is not right, or it is over. Take the one that stands there now.", { code: "Not this one." });
  await takeGuessBack(guess);
  // This sign-in goes on as a new one; those before it had no second factor.
  const ids = before.map(({ id }) => id);
  await authDatabase().delete(session).where(inArray(session.id, ids));
  await inStudio(me, (tx) => note(tx, me, "secondFactorOn"));
  return null;
});

export const dropSecondFactor = action({ input: passwordOnly }, async (me, { current }) => {
  await refuseWrongPassword(me, current);
  if ((await currentAccount())!.demandsSecondFactor) throw new Refusal("This studio asks a second factor of everybody.");
  await auth().api.disableTwoFactor({ body: { password: current }, headers: await headers() });
  await inStudio(me, (tx) => note(tx, me, "secondFactorOff"));
  refresh();
  return null;
});

/** New recovery codes; those before them are dead. */
export const renewRecoveryCodes = action({ input: passwordOnly }, async (me, { current }) => {
  await refuseWrongPassword(me, current);
  if (!(await currentAccount())!.hasSecondFactor) throw new Refusal("There is no second factor to recover.");
  const { backupCodes } = await auth().api.generateBackupCodes({ body: { password: current }, headers: await headers() });
  await inStudio(me, (tx) => note(tx, me, "recoveryCodesRenewed"));
  return { recoveryCodes: backupCodes };
});

/** One leaves the studio oneself. What one did stays. */
export const leaveStudio = action({ input: passwordOnly }, async (me, { current }) => {
  await refuseWrongPassword(me, current);
  await inStudio(me, async (tx) => {
    await note(tx, me, "deactivated", { memberId: me.id });
    const { rows } = await tx.execute<{ outcome: string }>(sql`select studio.deactivate_member(${me.id}) as outcome`);
    if (rows[0]?.outcome === "last owner") throw new Refusal("You are the only owner. Make somebody else one first.");
    if (rows[0]?.outcome !== "deactivated") throw new Refusal("That did not go through. You are here still.");
  });
  return null;
});
