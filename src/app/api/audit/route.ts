import { auditFile } from "@/features/audit/auditFile";
import { guarded } from "@/server/respond";

export function GET(request: Request) {
  return guarded(request, () => auditFile(request));
}
