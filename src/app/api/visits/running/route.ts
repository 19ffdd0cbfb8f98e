import { knownFrom, runningVisits } from "@/features/visit/running";
import { currentMember } from "@/server/member";
import { answer, guarded, refuse } from "@/server/respond";

/** Visits under way in the studio, and of each the events that the tablet does not know yet (`since=<visit>.<number>`). */
export function GET(request: Request) {
  return guarded(request, async () => {
    const member = await currentMember();
    if (!member) return refuse(401, "Signed out.");
    return answer({ visits: await runningVisits(member, new Date(), knownFrom(new URL(request.url).searchParams)) });
  });
}
