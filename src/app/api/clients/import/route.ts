import { takeClients } from "@/features/clients/import/clientIntake";
import { guarded } from "@/server/respond";

export function POST(request: Request) {
  return guarded(request, () => takeClients(request));
}
