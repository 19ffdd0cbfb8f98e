import { liveStream } from "@/features/air/liveStream";
import { guarded } from "@/server/respond";

export const dynamic = "force-dynamic";

export function GET(request: Request) {
  return guarded(request, () => liveStream(request));
}
