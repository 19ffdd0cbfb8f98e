"use server";
import { headers } from "next/headers";
import { linkMail } from "./linkMail";
import { addressOf, networkOf } from "@/server/address";
import { openAction, Refusal } from "@/server/action";
import { noteSignIn } from "@/server/audit";
import { env } from "@/server/env";
import { countGuess } from "@/server/guesses";
import { sendMail, sendsMail } from "@/server/mail";
import { linkPath, newLink, openLink, useLink } from "@/server/passwords";
import { anyStudio, createFirstStudio, putOwnLink } from "./data";
import { firstStudioSchema, forgottenForm, linkForm } from "./schema";

/** From one network in a quarter of an hour: what costs the server work, and what costs somebody mail. */
const MOST = { setUps: 10, linksTried: 30, linksAsked: 10, linksToOne: 3 };

async function sender(): Promise<{ readonly address: string | null; readonly network: string }> {
  const address = addressOf(await headers());
  return { address, network: networkOf(address) };
}
const tooMany = () => new Refusal("Too many tries. Wait a quarter of an hour.");

/** The first run: one studio, one owner. */
export const setUpStudio = openAction(firstStudioSchema, async (form) => {
  const there = () => new Refusal("There is a studio here already. Sign in, or ask its owner to invite you.");
  // Before anything that costs work: there is a studio on every day but the first.
  if (await anyStudio()) throw there();
  const { network } = await sender();
  if (!(await countGuess([{ key: `set-up from ${network}`, most: MOST.setUps }]))) throw tooMany();
  if (!(await createFirstStudio(form))) throw there();
  return null;
});

/** A password by a one-time link. Every sign-in of theirs ends with it. */
export const choosePassword = openAction(linkForm, async ({ token, password }) => {
  const { address, network } = await sender();
  if (!(await countGuess([{ key: `link from ${network}`, most: MOST.linksTried }]))) throw tooMany();
  const link = (await openLink(token)) && (await useLink(token, password));
  if (!link) throw new Refusal("This link was used, replaced or has expired. Ask for another.");
  await noteSignIn(link.userId, "passwordSet", link.kind, address);
  return null;
});

/** A link for who forgot their password, by mail. What it answers never tells whether somebody signs in with the address. */
export const askForLink = openAction(forgottenForm, async ({ email }) => {
  if (!sendsMail()) throw new Refusal("This studio's server sends no mail. Ask the owner for a link.");
  const { address, network } = await sender();
  const most = [
    { key: `asks for links from ${network}`, most: MOST.linksAsked },
    { key: `link asked for ${email.toLowerCase()}`, most: MOST.linksToOne },
  ];
  if (!(await countGuess(most))) throw tooMany();
  const { token, hash } = newLink();
  const userId = await putOwnLink(email.toLowerCase(), hash);
  const link = userId && (await openLink(token));
  if (!link) return null;
  await noteSignIn(link.userId, "linkMade", "asked for at sign-in", address);
  // Not waited for: how long it takes would tell.
  void sendMail(linkMail(link, `${env().IVY_BASE_URL}${linkPath(token)}`, null));
  return null;
});
