import "server-only";
import { currentMember } from "@/server/member";
import { answer, refuse } from "@/server/respond";
import { retentionData } from "./data";

/** Counts of the studio's fills, for the page that reckons with them. */
export async function giveRetention(): Promise<Response> {
  const me = await currentMember();
  if (!me) return refuse(401, "Signed out.");
  return answer(await retentionData(me));
}
