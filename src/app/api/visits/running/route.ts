import { runningVisits } from "@/features/visit/running";
import { currentMember } from "@/server/member";
import { answer, guarded, refuse } from "@/server/respond";

/** Visits under way in the studio, with their events. */
export function GET(request: Request) {
  return guarded(request, async () => {
    const member = await currentMember();
    return member ? answer({ visits: await runningVisits(member, new Date()) }) : refuse(401, "Signed out.");
  });
}
