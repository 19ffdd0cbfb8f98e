import { giveRetention } from "@/features/lasting/answer";
import { guarded } from "@/server/respond";

export function GET(request: Request) {
  return guarded(request, giveRetention);
}
