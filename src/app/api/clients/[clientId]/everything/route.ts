import { everythingFile } from "@/features/clients/everything/everythingFile";
import { guarded } from "@/server/respond";

export async function GET(request: Request, { params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  return guarded(request, () => everythingFile(clientId));
}
