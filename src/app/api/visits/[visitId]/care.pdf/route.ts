import { careFile } from "@/features/aftercare/careFile";
import { guarded } from "@/server/respond";

export function GET(request: Request, { params }: { params: Promise<{ visitId: string }> }) {
  return guarded(request, async () => careFile((await params).visitId, "pdf"));
}
