import { takeReadings } from "@/features/air/intake";
import { guarded } from "@/server/respond";

export function POST(request: Request) {
  return guarded(request, () => takeReadings(request));
}
