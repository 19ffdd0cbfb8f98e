import { mapFileJsonSchema } from "@/core/formats";

/** The published JSON Schema of the map file. */
export function GET() {
  return Response.json(mapFileJsonSchema());
}
export const dynamic = "force-static";
