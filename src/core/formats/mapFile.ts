import { z } from "zod";
import { surveySchema, upgradeSurvey, type Survey } from "../eye/survey";
import { lashMapSchema, upgradeLashMap, type LashMap } from "../map/schema";

export const MAP_FILE_FORMAT = "ivy-thread.lash-map";

/**
 * The open map file: a map, and the survey it was drawn for, without any word of the person. docs/formats.md describes
 * every field; the JSON Schema is made from this same schema.
 */
export const mapFileSchema = z.strictObject({
  format: z.literal(MAP_FILE_FORMAT, `This is not a lash map file: its "format" should be "${MAP_FILE_FORMAT}".`),
  version: z.literal(3, "This file is of a version that this Ivy Thread does not read; it reads versions 1 to 3."),
  map: lashMapSchema,
  survey: surveySchema.nullable(),
});
export type MapFile = z.infer<typeof mapFileSchema>;

/** The file's text, indented for reading. */
export function writeMapFile(map: LashMap, survey: Survey | null): string {
  return `${JSON.stringify({ format: MAP_FILE_FORMAT, version: 3, map, survey } satisfies MapFile, null, 2)}\n`;
}

/** What is wrong with a file, and where in it. */
export type ReadProblem = { readonly where: string; readonly what: string };

const MAX_CHARACTERS = 512 * 1024;

/** Reads a map file, checking every field; never throws. At most twelve problems are named. */
export function readMapFile(text: string): { ok: true; file: MapFile } | { ok: false; problems: ReadProblem[] } {
  if (text.length > MAX_CHARACTERS)
    return { ok: false, problems: [{ where: "file", what: "A map file is a few kilobytes; this one is over 512 kB." }] };
  let parsed: unknown;
  try {
    parsed = JSON.parse(text);
  } catch {
    return { ok: false, problems: [{ where: "file", what: "This is not JSON text, or it is cut off." }] };
  }
  const result = mapFileSchema.safeParse(upgradeFile(parsed));
  if (result.success) return { ok: true, file: result.data };
  return {
    ok: false,
    problems: result.error.issues.slice(0, 12).map((issue) => ({ where: issue.path.join(".") || "file", what: issue.message })),
  };
}

const OLDER: readonly unknown[] = [1, 2];

/** A file of an older version as one of the newest; anything else as it is, for the schema to judge. */
function upgradeFile(parsed: unknown): unknown {
  if (typeof parsed !== "object" || parsed === null || !OLDER.includes((parsed as { version?: unknown }).version)) return parsed;
  const file = parsed as { map?: unknown; survey?: unknown };
  return { ...file, version: 3, map: upgradeLashMap(file.map), survey: upgradeSurvey(file.survey) };
}
