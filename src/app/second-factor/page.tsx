import type { Metadata } from "next";
import { SecondFactorDemanded } from "@/features/account/SecondFactorDemanded";
import { Threshold } from "@/features/signIn/Threshold";
import { requireAccount } from "@/server/member";

export const metadata: Metadata = { title: "Second factor" };

/** Before anything else, where the studio asks it of everybody. */
export default async function SecondFactorPage() {
  const { member, hasSecondFactor } = await requireAccount();
  return (
    <Threshold title="One more step" says={`${member.studioName} asks a second factor of everybody: a code from an app on your phone.`}>
      <SecondFactorDemanded isSet={hasSecondFactor} />
    </Threshold>
  );
}
