import { takePicture } from "@/features/pictures/intake";
import { guarded } from "@/server/respond";

export function POST(request: Request, { params }: { params: Promise<{ clientId: string }> }) {
  return guarded(request, async () => takePicture(request, (await params).clientId));
}
