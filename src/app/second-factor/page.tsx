import type { Metadata } from "next";
import { redirect } from "next/navigation";
import { SecondFactorDemanded } from "@/features/account/SecondFactorDemanded";
import { Threshold } from "@/features/signIn/Threshold";
import { requireAccount } from "@/server/member";

export const metadata: Metadata = { title: "Second factor" };

/** Before anything else, where the studio asks it of everybody. */
export default async function SecondFactorPage() {
  const account = await requireAccount();
  if (!account.lacksSecondFactor) redirect("/");
  return (
    <Threshold
      title="One more step"
      says={`${account.member.studioName} asks a second factor of everybody: a code from an app on your phone.`}
    >
      <SecondFactorDemanded />
    </Threshold>
  );
}
