"use server";
import type { ActionResult } from "@/server/actionResult";
import { log } from "@/server/log";
import { withoutWords } from "@/server/withoutWords";
import { createFirstStudio } from "./data";
import { firstStudioSchema } from "./schema";

/** The first run: one studio, one owner. Nobody is signed in yet, so this stands outside `action`. */
export async function setUpStudio(input: unknown): Promise<ActionResult<null>> {
  const parsed = firstStudioSchema.safeParse(input);
  if (!parsed.success) {
    const fields: Record<string, string> = {};
    for (const issue of parsed.error.issues) fields[issue.path.join(".")] ??= issue.message;
    return { ok: false, message: "Something here is not right yet.", fields };
  }
  try {
    if (await createFirstStudio(parsed.data)) return { ok: true, data: null };
    return { ok: false, message: "There is a studio here already. Sign in, or ask its owner to add you.", fields: {} };
  } catch (error) {
    log.error({ err: withoutWords(error) }, "set-up failed");
    return { ok: false, message: "The database did not answer. Nothing was created; try again.", fields: {} };
  }
}
