import { careFile } from "@/features/colour/careFiles";
import { guarded } from "@/server/respond";

export function GET(_: Request, { params }: { params: Promise<{ visitId: string }> }) {
  return guarded(async () => careFile((await params).visitId, "txt"));
}
