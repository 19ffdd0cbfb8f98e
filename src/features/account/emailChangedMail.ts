import type { Mail } from "@/server/mail";

/** Tells the address that somebody signed in with before. The new one does not stand in it: who reads this may not be them. */
export function emailChangedMail({ to, name, studioName }: { to: string; name: string; studioName: string }): Mail {
  return {
    to,
    subject: `You sign in to ${studioName} with another address now`,
    text: `${name},\n\nThe e-mail address with which you sign in to ${studioName} was changed, with your password. This address lets nobody in any more.\n\nIf it was not you, tell the owner of the studio at once.\n`,
  };
}
