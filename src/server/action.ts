import "server-only";
import { randomUUID } from "node:crypto";
import { z } from "zod";
import type { Role } from "@/db/schema";
import { isStorable } from "@/core/units";
import { log } from "./log";
import { currentAccount, currentMember, mayActAs, type Member } from "./member";
import type { ActionResult } from "./actionResult";
import { withoutWords } from "./withoutWords";

/** What a user's own doing can bring about: said to them in these words. */
export class Refusal extends Error {
  constructor(
    message: string,
    readonly fields: Readonly<Record<string, string>> = {},
  ) {
    super(message);
  }
}

/** What was sent, parsed, and worked with; what is refused comes back in words, anything else as an apology with a number that finds it in the log. */
async function parseAndWork<S extends z.ZodType, T>(
  schema: S,
  input: unknown,
  work: (input: z.output<S>) => Promise<T>,
): Promise<ActionResult<T>> {
  try {
    if (!isStorable(input)) return { ok: false, message: "There are characters in this that cannot be kept. Type it anew.", fields: {} };
    const parsed = schema.safeParse(input);
    if (!parsed.success) return { ok: false, message: "Something here is not right yet.", fields: fieldsOf(parsed.error) };
    return { ok: true, data: await work(parsed.data) };
  } catch (error) {
    return refusalOf(error);
  }
}

function refusalOf(error: unknown): ActionResult<never> {
  if (error instanceof Refusal) return { ok: false, message: error.message, fields: error.fields };
  const id = randomUUID().slice(0, 8);
  log.error({ id, err: withoutWords(error) }, "action failed");
  return { ok: false, message: `That did not go through. Nothing was changed; try again. (${id})`, fields: {} };
}

/** A server action: parse, authorise, work. Never throws to the client. */
export function action<S extends z.ZodType, T>(
  options: {
    input: S;
    least?: Role;
    /** In whose name it is done; whoever is signed in, unless it says otherwise. */
    who?: () => Promise<Member | null>;
  },
  work: (member: Member, input: z.output<S>) => Promise<T>,
): (input: unknown) => Promise<ActionResult<T>> {
  return async (input) => {
    let member: Member | null;
    try {
      member = await (options.who ?? currentMember)();
      if (!member && (await currentAccount())?.lacksSecondFactor)
        return { ok: false, message: "This studio asks a second factor of everybody. Set yours up first.", fields: {} };
    } catch (error) {
      return refusalOf(error);
    }
    if (!member)
      return { ok: false, message: "You are signed out. Sign in again; what you typed is still here.", fields: {}, signedOut: true };
    if (options.least && !mayActAs(member, options.least))
      return { ok: false, message: `This needs ${options.least === "owner" ? "the owner's" : "a technician's"} hand.`, fields: {} };
    const me = member;
    return parseAndWork(options.input, input, (parsed) => work(me, parsed));
  };
}

/** A server action of nobody: before anybody is signed in. It asks for itself whether there is not too much of it. */
export function openAction<S extends z.ZodType, T>(
  schema: S,
  work: (input: z.output<S>) => Promise<T>,
): (input: unknown) => Promise<ActionResult<T>> {
  return (input) => parseAndWork(schema, input, work);
}

/** First complaint of each field, keyed by its path. */
function fieldsOf(error: z.ZodError): Record<string, string> {
  const fields: Record<string, string> = {};
  for (const issue of error.issues) fields[issue.path.join(".")] ??= issue.message;
  return fields;
}
