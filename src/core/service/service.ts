import type { HairPart } from "../eye/areas";
import type { PatchFamily } from "../mixing/productKinds";
import type { AftercareId } from "./aftercareLines";

/** What a service does to the hair, as far as the next one minds. A lamination is a lift of brows. */
export type Treatment = "extensions" | "removal" | "lift" | "tint" | "lightening";

/** A treatment of one part of the hair. */
export type Treated = { readonly treatment: Treatment; readonly part: HairPart };

/** A service of the studio: everything that is asked of it anywhere stands in its entry. */
export type Service = {
  /** As it is called on every screen, in the middle of a sentence. */
  readonly label: string;
  readonly workedBy: "map" | "protocol";
  /** False for work on a mannequin head: nothing of care stands against that. */
  readonly onClient: boolean;
  readonly parts: readonly HairPart[];
  /** Product families that touch the client, each with its own patch test. */
  readonly families: readonly PatchFamily[];
  /** What it counts as for spacing. */
  readonly counts: readonly Treated[];
  /** Which least age holds; null where none does. */
  readonly leastAge: "colour" | "extensions" | null;
  /** Services of one kind share a full consultation; a new kind asks it whole again. */
  readonly consultation: Treatment | null;
  /** Whether a consent is signed for it. */
  readonly consent: boolean;
  /** Which lines go home after it; null where none do. Named and not held: their words are wanted on one card only. */
  readonly aftercare: AftercareId | null;
  /** Minutes it takes where nothing is known of client or hand. Common practice. */
  readonly usualMinutes: number;
};
