import { z } from "zod";

/** Where a default comes from. */
export type Source = "common practice" | "from memory" | "a model of ours";

/** What is asked of a studio where practitioners disagree. The whole of a question stands in one record. */
export type Question = {
  readonly schema: z.ZodType;
  readonly default: unknown;
  readonly label: string;
  readonly unit?: string;
  readonly step?: number;
  /** Answers to choose from, each with its words. */
  readonly options?: Readonly<Record<string, string>>;
  /** Why the default is what it is. */
  readonly reason: string;
  readonly standing: Source;
  /** Which files of `src` follow the answer: a question that nothing reads is not asked. */
  readonly readBy: readonly string[];
};

/** A question answered by one of a few words. `oneOf({ match: "match the natural length", graded: "grade up like the rest" })` */
export const oneOf = <const Options extends Readonly<Record<string, string>>>(options: Options) => ({
  options,
  schema: z.enum(Object.keys(options) as [keyof Options & string, ...(keyof Options & string)[]]),
});

/** Questions that are asked together, under a heading; null where they have a form of their own. */
export const asked = <Group extends string | null, const Questions extends Readonly<Record<string, Question>>>(
  group: Group,
  questions: Questions & { readonly [Key in keyof Questions]: { readonly default: z.output<Questions[Key]["schema"]> } },
) =>
  Object.fromEntries(Object.entries(questions).map(([key, question]) => [key, { group, ...question }])) as {
    readonly [Key in keyof Questions]: Questions[Key] & { readonly group: Group };
  };
