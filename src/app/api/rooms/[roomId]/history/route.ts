import { giveHistory } from "@/features/air/historyAnswer";
import { guarded } from "@/server/respond";

export async function GET(request: Request, { params }: { params: Promise<{ roomId: string }> }) {
  const { roomId } = await params;
  return guarded(request, () => giveHistory(request, roomId));
}
