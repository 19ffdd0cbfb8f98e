import type { Metadata } from "next";
import { Profile } from "@/features/account/Profile";
import { ProfilePart } from "@/features/account/ProfilePart";
import { sessionsOf } from "@/features/account/sessions";
import { ownHand } from "@/features/people/data";
import { HandPace } from "@/features/people/HandPace";
import { ThisTablet } from "@/features/shell/ThisTablet";
import { requireAccount, requireMember } from "@/server/member";
import { formatIn } from "@/server/studioTime";

export const metadata: Metadata = { title: "Your profile" };

export default async function ProfilePage() {
  const member = await requireMember();
  const { email, sessionId, hasSecondFactor, demandsSecondFactor } = await requireAccount();
  const [sessions, hand] = await Promise.all([sessionsOf(member.id, sessionId), ownHand(member)]);
  return (
    <>
      <h1 className="pt-5 text-4xl">Your profile</h1>
      <Profile
        name={member.name}
        email={email}
        role={member.role}
        hasSecondFactor={hasSecondFactor}
        demandsSecondFactor={demandsSecondFactor}
        sessions={sessions.map((one) => ({ ...one, since: formatIn(member.timeZone, one.since, "EEE d MMM, HH:mm") }))}
      >
        <ThisTablet />
        <ProfilePart title="Your pace">
          <HandPace id={member.id} hand={hand} isMe />
        </ProfilePart>
      </Profile>
    </>
  );
}
