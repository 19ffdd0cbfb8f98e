import { roomsWithAir } from "@/features/air/data";
import { currentMember } from "@/server/member";
import { answer, guarded, refuse } from "@/server/respond";

/** The air of every room now. */
export function GET() {
  return guarded(async () => {
    const member = await currentMember();
    return member ? answer({ rooms: await roomsWithAir(member) }) : refuse(401, "Signed out.");
  });
}
