import "server-only";

/** What a log may hold of an error: its kind, the database's code, and where; never what it says, which may quote a person. */
export type ErrorFacts = {
  readonly name: string;
  readonly code?: string;
  readonly constraint?: string;
  readonly table?: string;
  readonly at: readonly string[];
};

/** Frames kept of a stack. */
const FRAMES = 8;

const text = (value: unknown): string | undefined => (typeof value === "string" && /^[\w.]{1,80}$/.test(value) ? value : undefined);

/** The facts of an error and of what caused it, without a word of its message, query or parameters. */
export function withoutWords(error: unknown): ErrorFacts {
  const chain: Record<string, unknown>[] = [];
  for (let one: unknown = error; one instanceof Error && chain.length < 4; one = one.cause)
    chain.push(one as unknown as Record<string, unknown>);
  const find = (key: string) => chain.map((one) => text(one[key])).find((value) => value !== undefined);
  const stack = error instanceof Error ? (error.stack ?? "") : "";
  const codes = { code: find("code"), constraint: find("constraint"), table: find("table") };
  return {
    name: error instanceof Error ? error.name : typeof error,
    ...Object.fromEntries(Object.entries(codes).filter(([, value]) => value !== undefined)),
    // A frame is told from a message's line by what stands in it.
    at: stack
      .split("\n")
      .filter((line) => /^\s+at .*(:\d+:\d+\)?|\(native\)|<anonymous>\)?)$/.test(line))
      .slice(0, FRAMES)
      .map((line) => line.trim()),
  };
}

/** A query that failed, told without its parameters: what the ORM throws carries names, numbers and notes. */
export class QueryFailed extends Error {
  readonly code: string | undefined;
  readonly constraint: string | undefined;
  readonly table: string | undefined;
  constructor(error: unknown) {
    const { name, code, constraint, table } = withoutWords(error);
    super(`A query failed (${[name, code, constraint, table].filter(Boolean).join(", ")}).`);
    this.name = "QueryFailed";
    this.code = code;
    this.constraint = constraint;
    this.table = table;
  }
}

/** Whether an error comes from the database or the ORM over it. */
export const isQueryError = (error: unknown): boolean =>
  error instanceof Error && (error.name === "DrizzleQueryError" || error.message.startsWith("Failed query") || "severity" in error);
