import { runResultSchema, type RunResult } from "@/core/processing";

// Fetched by a page that finds a draft: no page carries the schema for it.

/** What was judged on this tablet before it was finished: some of it, or all. */
export const readJudged = (document: unknown): Partial<RunResult> | null => runResultSchema.partial().safeParse(document).data ?? null;
