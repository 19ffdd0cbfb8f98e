import { givePicture } from "@/features/pictures/intake";
import { guarded } from "@/server/respond";

export function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return guarded(request, async () => givePicture((await params).id));
}
