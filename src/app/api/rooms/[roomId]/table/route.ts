import { takeTable } from "@/features/air/table/tableIntake";
import { guarded } from "@/server/respond";

export async function POST(request: Request, { params }: { params: Promise<{ roomId: string }> }) {
  const { roomId } = await params;
  return guarded(request, () => takeTable(request, roomId));
}
