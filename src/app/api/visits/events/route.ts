import { readTaps } from "@/core/visit";
import { keepEvents } from "@/features/visit/keepEvents";
import { currentMember } from "@/server/member";
import { answer, guarded, readJson, refuse } from "@/server/respond";

const MAX_BYTES = 256 * 1024;

/**
 * Takes a tablet's taps. Sending the same twice does nothing; what is kept is acknowledged by id, what can never be kept is
 * refused by id and in words, and holds up nothing else.
 */
export function POST(request: Request) {
  return guarded(request, async () => {
    const member = await currentMember();
    if (!member) return refuse(401, "Signed out.");
    const read = await readJson(request, MAX_BYTES);
    if (!read.ok) return read.response;
    const batch = readTaps(read.body);
    if (!batch) return refuse(400, "These taps cannot be read.");
    const { taps, refused } = batch;
    if (taps.length === 0) return refuse(400, refused[0]?.why ?? "These taps cannot be read.", { refused });
    return answer({ ...(await keepEvents(member, taps)), refused });
  });
}
