import type { z } from "zod";

/**
 * A kind of document that is kept: its newest version, what it must hold, and how an older one becomes one of the newest.
 * What is on disk stays as it was written; it is brought up to date each time it is read.
 */
export type DocumentKind<T> = {
  readonly name: string;
  readonly version: number;
  readonly schema: z.ZodType<T>;
  /** An older document as one of the newest version. Wanted as soon as there is a second version. */
  readonly upgrade?: (older: unknown) => unknown;
  /** True where the schema itself knows nothing of versions: then the number is added where it is kept, and taken off where it is read. */
  readonly versionBeside?: boolean;
};

/** A kept document that cannot be read. Its words name the kind and the places, never what stands there: it may be of a person. */
export class UnreadableDocument extends Error {
  override readonly name = "UnreadableDocument";
  constructor(
    kind: string,
    readonly why: "newer" | "broken",
    detail: string,
  ) {
    super(`A kept ${kind} cannot be read: ${detail}`);
  }
}

const isRecord = (value: unknown): value is Record<string, unknown> => typeof value === "object" && value !== null && !Array.isArray(value);

/** The version a document says it is of; what says nothing is of the first. */
const versionOf = (value: unknown): number => (isRecord(value) && typeof value["version"] === "number" ? value["version"] : 1);

/** A kept document, of whatever version, as one of the newest. Throws UnreadableDocument where it is none. */
export function readDocument<T>(kind: DocumentKind<T>, kept: unknown): T {
  const version = versionOf(kept);
  if (version > kind.version)
    throw new UnreadableDocument(kind.name, "newer", `it is of version ${version}, this copy of the app reads up to ${kind.version}.`);
  const newest = version < kind.version && kind.upgrade ? kind.upgrade(kept) : kept;
  const read = kind.schema.safeParse(kind.versionBeside && isRecord(newest) ? withoutVersion(newest) : newest);
  if (read.success) return read.data;
  const places = [...new Set(read.error.issues.map(({ path }) => path.join(".") || "all of it"))].slice(0, 6);
  throw new UnreadableDocument(kind.name, "broken", `see ${places.join(", ")}.`);
}

/** A document as it is kept, with its version. */
export const writeDocument = <T>(kind: DocumentKind<T>, value: T): unknown =>
  kind.versionBeside ? { version: kind.version, ...value } : value;

const withoutVersion = ({ version: _, ...rest }: Record<string, unknown>) => rest;
