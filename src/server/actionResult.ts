/** What a server action answers: the work's result, or words for the user, by field where they have one. */
export type ActionResult<T> =
  | { readonly ok: true; readonly data: T }
  | { readonly ok: false; readonly message: string; readonly fields: Readonly<Record<string, string>>; readonly signedOut?: boolean };
