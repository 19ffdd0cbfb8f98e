import { givePicture } from "@/features/pictures/intake";
import { guarded } from "@/server/respond";

export function GET(_: Request, { params }: { params: Promise<{ id: string }> }) {
  return guarded(async () => givePicture((await params).id));
}
