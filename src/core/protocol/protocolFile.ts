import { z } from "zod";
import { checkProtocol, type ProtocolProblem } from "./checkProtocol";
import { protocolSchema, type Protocol } from "./protocol";

export const PROTOCOL_FILE_FORMAT = "ivy-thread.protocol";

const protocolFileSchema = z.strictObject({ format: z.literal(PROTOCOL_FILE_FORMAT), protocol: protocolSchema });

/** A protocol as a file: indented JSON. */
export function writeProtocolFile(protocol: Protocol): string {
  return `${JSON.stringify({ format: PROTOCOL_FILE_FORMAT, protocol }, null, 2)}\n`;
}

export type ProtocolRead =
  { readonly ok: true; readonly protocol: Protocol } | { readonly ok: false; readonly problems: readonly ProtocolProblem[] };

/** Reads a protocol file: not JSON, not of the format, or impossible, each with the place and the reason. */
export function readProtocolFile(text: string): ProtocolRead {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return { ok: false, problems: [{ path: "", why: "This is not JSON, or it was cut off on the way." }] };
  }
  const parsed = protocolFileSchema.safeParse(json);
  if (!parsed.success)
    return {
      ok: false,
      problems: parsed.error.issues.map(({ path, message }) => ({ path: path.join(".").replace(/^protocol\./, ""), why: message })),
    };
  const problems = checkProtocol(parsed.data.protocol);
  return problems.length > 0 ? { ok: false, problems } : { ok: true, protocol: parsed.data.protocol };
}

/** The published JSON Schema of the file. */
export function protocolFileJsonSchema() {
  return z.toJSONSchema(protocolFileSchema, { target: "draft-2020-12", io: "input" });
}

/** A problem's place in words: which step, which field. `placeWords(protocol, "steps.2.mostS")` → "step 3, “tint”: longest" */
export function placeWords(protocol: Pick<Protocol, "steps"> | null, path: string): string {
  const [head, index, ...field] = path.split(".");
  if (head !== "steps" || index === undefined) return FIELD_WORDS[path] ?? (path || "the file");
  const name = protocol?.steps[Number(index)]?.name;
  const what = field.join(".").replace(/\.\d+$/, "");
  return [`step ${Number(index) + 1}${name ? `, “${name}”` : ""}`, FIELD_WORDS[what] ?? what].filter(Boolean).join(": ");
}

const FIELD_WORDS: Record<string, string> = {
  name: "name",
  service: "service",
  source: "source",
  steps: "steps",
  againAfterDays: "not again before",
  leastS: "shortest",
  mostS: "longest",
  defaultS: "usual time",
  product: "product",
  on: "on",
  where: "where",
  mix: "mix",
  "mix.pasteLifeS": "paste good for",
  lookEveryS: "look every",
  waitsFor: "waits for",
  offAfter: "off after",
  id: "place in the order",
};
