import { listFile } from "@/features/clients/listFile";
import { guarded } from "@/server/respond";

export function GET(request: Request) {
  return guarded(request, () => listFile(request));
}
