import type { Metadata } from "next";
import { LinkForm } from "@/features/signIn/LinkForm";
import { Threshold } from "@/features/signIn/Threshold";
import { openLink } from "@/server/passwords";
import { LinkButton } from "@/ui";

export const metadata: Metadata = { title: "Choose a password", referrer: "no-referrer" };
export const dynamic = "force-dynamic";

/** Looking at a link does not use it: who reads mail first may be a machine. */
export default async function LinkPage({ params }: PageProps<"/link/[token]">) {
  const { token } = await params;
  const link = token.length <= 100 ? await openLink(token) : null;
  if (!link)
    return (
      <Threshold title="This link is over" says="It was used, another took its place, or its 72 hours are past.">
        <p className="mb-5">Ask the studio&rsquo;s owner for another, or have one sent from the sign-in page.</p>
        <LinkButton href="/sign-in">Sign in</LinkButton>
      </Threshold>
    );
  return (
    <Threshold title="Choose a password" says={`${link.name}, at ${link.studioName}.`}>
      <LinkForm token={token} email={link.email} />
    </Threshold>
  );
}
