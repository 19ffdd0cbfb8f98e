import { visitEventBatchSchema } from "@/core/visit";
import { keepEvents } from "@/features/visit/keepEvents";
import { currentMember } from "@/server/member";
import { answer, guarded, readJson, refuse } from "@/server/respond";

const MAX_BYTES = 256 * 1024;

/** Takes a tablet's taps. Sending the same twice does nothing; what is kept is acknowledged by id. */
export function POST(request: Request) {
  return guarded(async () => {
    const member = await currentMember();
    if (!member) return refuse(401, "Signed out.");
    const read = await readJson(request, MAX_BYTES);
    if (!read.ok) return read.response;
    const parsed = visitEventBatchSchema.safeParse(read.body);
    if (!parsed.success) return refuse(400, parsed.error.issues[0]?.message ?? "These taps cannot be read.");
    return answer(await keepEvents(member, parsed.data.events));
  });
}
