import type { Treated } from "../service";

/** A service given before, or agreed: what it did to which hair, and when it ended, ms. */
export type PastService = {
  /** As it is called. */
  readonly label: string;
  readonly treated: readonly Treated[];
  readonly atMs: number;
  /** When it is to begin, ms; only of what is agreed. */
  readonly fromMs?: number;
  /** Why it was broken off, in words; null where it was not. */
  readonly stopped: string | null;
  /** Done elsewhere, by the client's word; or only agreed, and still to come. */
  readonly known: "here" | "elsewhere" | "agreed";
};
