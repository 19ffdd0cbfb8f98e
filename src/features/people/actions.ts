"use server";
import { randomUUID } from "node:crypto";
import { eq, sql } from "drizzle-orm";
import { refresh } from "next/cache";
import { z } from "zod";
import { HAND_LEVELS } from "@/core/placing";
import { member, ROLES, studio } from "@/db/schema";
import { action, Refusal } from "@/server/action";
import { note } from "@/server/audit";
import { env } from "@/server/env";
import { inStudio, type StudioTransaction } from "@/server/inStudio";
import { sendMail } from "@/server/mail";
import { currentAccount } from "@/server/member";
import { LINK_HOURS, linkPath, newLink, openLink } from "@/server/passwords";
import { linkMail } from "@/features/signIn/linkMail";
import { invitationForm } from "./schema";

const id = z.uuid();
const roles = z.enum(ROLES);

const outcomeOf = async (tx: StudioTransaction, query: ReturnType<typeof sql>): Promise<string> => {
  const { rows } = await tx.execute<{ outcome: string }>(query);
  return rows[0]?.outcome ?? "unknown";
};

/** What cannot be done with people, in words. */
const REFUSED: Readonly<Record<string, string>> = {
  forbidden: "Only the owner does that.",
  unknown: "This was changed elsewhere in the meantime, or they are not of this studio. Nothing was changed here.",
  "last owner": "A studio needs an owner who can sign in. Make somebody else one first.",
};
function refuseUnless(outcome: string, wanted: string): void {
  if (outcome !== wanted) throw new Refusal(REFUSED[outcome] ?? REFUSED.unknown!);
}

const urlOf = (token: string) => `${env().IVY_BASE_URL}${linkPath(token)}`;

/** Somebody new, who sets a password by a link. The link is shown this once: only its hash is kept. */
export const invite = action({ input: invitationForm.extend({ role: roles }), least: "owner" }, async (me, form) => {
  const memberId = randomUUID();
  const { token, hash } = newLink();
  await inStudio(me, async (tx) => {
    const outcome = await outcomeOf(
      tx,
      sql`select studio.invite_member(${memberId}, ${form.name}, ${form.email}, ${form.role}, ${hash}, ${LINK_HOURS}) as outcome`,
    );
    if (outcome === "taken") throw new Refusal("Somebody signs in with this address already.", { email: "Already taken." });
    refuseUnless(outcome, "invited");
    await note(tx, me, "invited", { memberId, detail: form.role });
  });
  refresh();
  return { id: memberId, token, url: urlOf(token) };
});

/** A new link by which somebody sets a password, the first or another; those before it are dead. */
export const makeLink = action({ input: z.strictObject({ id }), least: "owner" }, async (me, { id: memberId }) => {
  const { token, hash } = newLink();
  await inStudio(me, async (tx) => {
    const kind = await outcomeOf(tx, sql`select studio.link_for(${memberId}, ${hash}, ${LINK_HOURS}) as outcome`);
    refuseUnless(kind === "invitation" || kind === "reset" ? "made" : kind, "made");
    await note(tx, me, "linkMade", { memberId, detail: kind });
  });
  refresh();
  return { id: memberId, token, url: urlOf(token) };
});

/** Sends a link that was just made to whom it is for, at the address they sign in with. */
export const mailLink = action(
  { input: z.strictObject({ id, token: z.string().max(100) }), least: "owner" },
  async (me, { id: memberId, token }) => {
    const link = await openLink(token);
    const [known] = await inStudio(me, (tx) => tx.select({ id: member.id }).from(member).where(eq(member.id, memberId)));
    if (!link || !known || link.userId !== known.id) throw new Refusal("This link was used, replaced or has expired. Make another.");
    if (!(await sendMail(linkMail(link, urlOf(token), me.name))))
      throw new Refusal("The mail gateway did not take it. Copy the link instead.");
    await inStudio(me, (tx) => note(tx, me, "linkMade", { memberId, detail: "sent by e-mail" }));
    return { to: link.email };
  },
);

export const changeRole = action(
  { input: z.strictObject({ id, was: roles, role: roles }), least: "owner" },
  async (me, { id: memberId, was, role }) => {
    await inStudio(me, async (tx) => {
      refuseUnless(await outcomeOf(tx, sql`select studio.change_role(${memberId}, ${was}, ${role}) as outcome`), "changed");
      // Who makes themselves something else is no owner any more, and yet it was their hand.
      await note(tx, me, "roleChanged", { memberId, detail: `${was} to ${role}` });
    });
    refresh();
    return null;
  },
);

/** Ends somebody's work here: their sign-ins and links end at once, what they did stays, what they are booked for is to be given away. */
export const deactivate = action({ input: z.strictObject({ id }), least: "owner" }, async (me, { id: memberId }) => {
  if (memberId === me.id) throw new Refusal("That is you. You leave by your own profile.");
  await inStudio(me, async (tx) => {
    refuseUnless(await outcomeOf(tx, sql`select studio.deactivate_member(${memberId}) as outcome`), "deactivated");
    await note(tx, me, "deactivated", { memberId });
  });
  refresh();
  return null;
});

export const bringBack = action({ input: z.strictObject({ id }), least: "owner" }, async (me, { id: memberId }) => {
  await inStudio(me, async (tx) => {
    refuseUnless(await outcomeOf(tx, sql`select studio.bring_back_member(${memberId}) as outcome`), "back");
    await note(tx, me, "broughtBack", { memberId });
  });
  refresh();
  return null;
});

/** A lost phone: from now on they sign in by password alone, until they set up another. */
export const takeSecondFactorOff = action({ input: z.strictObject({ id }), least: "owner" }, async (me, { id: memberId }) => {
  if (memberId === me.id) throw new Refusal("That is you. Yours is changed by your own profile, with your password.");
  await inStudio(me, async (tx) => {
    refuseUnless(await outcomeOf(tx, sql`select studio.take_second_factor_off(${memberId}) as outcome`), "off");
    await note(tx, me, "secondFactorOff", { memberId });
  });
  refresh();
  return null;
});

/** Asks a second factor of everybody from their next sign-in on, or leaves it free again. */
export const demandSecondFactor = action({ input: z.strictObject({ demanded: z.boolean() }), least: "owner" }, async (me, { demanded }) => {
  if (demanded && !(await currentAccount())?.hasSecondFactor)
    throw new Refusal("Set up your own first, on your profile: else you would be the first to be asked for it.");
  await inStudio(me, async (tx) => {
    await tx.update(studio).set({ secondFactorSince: demanded ? sql`coalesce(${studio.secondFactorSince}, now())` : null });
    await note(tx, me, demanded ? "secondFactorDemanded" : "secondFactorLeftFree");
  });
  refresh();
  return null;
});

/** What a hand says of itself, until its own pace is known: by its owner, or the studio's. */
export const sayHand = action(
  { input: z.strictObject({ id, hand: z.enum(HAND_LEVELS).nullable() }) },
  async (me, { id: memberId, hand }) => {
    const [row] = await inStudio(me, (tx) => tx.update(member).set({ hand }).where(eq(member.id, memberId)).returning({ id: member.id }));
    if (!row) throw new Refusal("Only they, or the owner, say that.");
    refresh();
    return null;
  },
);
