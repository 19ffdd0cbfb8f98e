import "server-only";
import { z } from "zod";
import { currentMember } from "@/server/member";
import { answer, refuse } from "@/server/respond";
import { typedDay } from "@/server/typed";
import { dayIn, formatIn, todayIn } from "@/server/studioTime";
import { roomHistory } from "./data";

const askedSchema = z.object({ day: typedDay().optional(), span: z.enum(["day", "week"]).default("day") });

/** A day or a week of a room, by the studio's calendar: `?span=week&day=2026-03-02` is the week that ends with that day. */
export async function giveHistory(request: Request, roomId: string): Promise<Response> {
  const me = await currentMember();
  if (!me) return refuse(401, "Signed out.");
  const asked = askedSchema.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!asked.success || !z.uuid().safeParse(roomId).success)
    return refuse(400, "A day or a week of a room is asked for, e.g. ?span=day&day=2026-03-02.");
  const last = asked.data.day ?? todayIn(me.timeZone, new Date());
  const { to } = dayIn(me.timeZone, last);
  const first = asked.data.span === "day" ? last : formatIn(me.timeZone, new Date(to.getTime() - 6.5 * 86_400_000), "yyyy-MM-dd");
  const { from } = dayIn(me.timeZone, first);
  return answer({ day: last, from: from.getTime(), to: to.getTime(), sensors: await roomHistory(me, roomId, from, to) });
}
