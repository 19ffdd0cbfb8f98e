/** What is said where the server, or the line to it, is silent; `still` says what was not lost by it. The one place of these words. */
export const noAnswer = (still = "Try again.") => `The server did not answer. ${still}`;

type Unanswered = {
  readonly ok: false;
  readonly message: string;
  readonly fields: Readonly<Record<string, string>>;
  readonly unanswered: true;
};

/**
 * What the server answers to an action, or words where it does not: a form needs to know one kind of refusal only.
 * `const result = await answered(addClient(form), "What you typed is still here.")`
 */
export async function answered<Result>(work: Promise<Result>, still?: string): Promise<Result | Unanswered> {
  try {
    return await work;
  } catch {
    return { ok: false, message: noAnswer(still), fields: {}, unanswered: true };
  }
}
