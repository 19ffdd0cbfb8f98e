import { protocolFileJsonSchema } from "@/core/protocol";

/** The published JSON Schema of the protocol file. */
export function GET() {
  return Response.json(protocolFileJsonSchema());
}
export const dynamic = "force-static";
