import "server-only";

/** What the database refuses by its own rules, by PostgreSQL's codes (appendix A of its manual). */
const CODES = { unique: "23505", exclusion: "23P01" } as const;

/** Whether an error, or what caused it, is the database's refusal by such a rule. */
export function isRefusedAs(rule: keyof typeof CODES, error: unknown): boolean {
  for (let one: unknown = error; one instanceof Error; one = one.cause) if ((one as { code?: unknown }).code === CODES[rule]) return true;
  return false;
}
