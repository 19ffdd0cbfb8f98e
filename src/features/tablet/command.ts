/** What is asked of the server besides taps: to book, to plan, to save. Its input carries an id made here, so that asking again does nothing twice. */
export type Command = {
  readonly id: string;
  /** The name of the server action. */
  readonly kind: string;
  /** What it is about. Of two that still wait about the same, the newer counts. */
  readonly about: string;
  /** The draft that is done with once the server has it, if there is one. */
  readonly draft: string | null;
  /** What it is, for the person: "The booking of 28 November, 10:00". No names, as it stays on the tablet. */
  readonly words: string;
  /** The page it was asked on. */
  readonly path: string;
  readonly input: unknown;
  readonly askedAtMs: number;
};
/** One that the server would not have, and why. It stays until the person has seen it. */
export type RefusedCommand = Command & { readonly refused: string };
