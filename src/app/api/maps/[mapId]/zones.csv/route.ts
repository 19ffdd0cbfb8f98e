import { mapFile } from "@/features/map/files";
import { guarded } from "@/server/respond";

export function GET(request: Request, { params }: { params: Promise<{ mapId: string }> }) {
  return guarded(request, async () => mapFile(request, (await params).mapId, "zones.csv"));
}
