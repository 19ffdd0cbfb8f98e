import { LINK_HOURS, type OpenLink } from "@/server/passwords";
import type { Mail } from "@/server/mail";

/** The mail that brings somebody their link. `by` invited them; null where they asked for it themselves. */
export function linkMail({ email, name, studioName, kind }: OpenLink, url: string, by: string | null): Mail {
  const why =
    kind === "invitation"
      ? `${by ?? "The owner"} added you to ${studioName}. Choose your password here:`
      : by
        ? `${by} made you a link to choose a new password at ${studioName}:`
        : `Somebody, most likely you, asked for a new password at ${studioName}. Choose it here:`;
  const after =
    kind === "invitation" ? "" : "\n\nThe password you have holds until you choose another. If you did not ask for this, do nothing.";
  return {
    to: email,
    subject: kind === "invitation" ? `Your place at ${studioName}` : `A new password for ${studioName}`,
    text: `${name},\n\n${why}\n\n${url}\n\nThe link works once, and for ${LINK_HOURS} hours.${after}\n`,
  };
}
