import type { PatchFamily } from "../mixing/productKinds";

export const PATCH_RESULTS = ["clear", "reaction"] as const;
export type PatchResult = (typeof PATCH_RESULTS)[number];

/** A look at a test: never changed, only followed by another. */
export type PatchReading = {
  readonly id: string;
  readonly atMs: number;
  readonly result: PatchResult;
  /** Swelling, blisters or trouble breathing; null where nobody said. */
  readonly severe: boolean | null;
};

/** Product on skin, placed at a moment, with what was read of it since. */
export type PatchTest = {
  readonly id: string;
  readonly family: PatchFamily;
  /** The product that was placed; null where only its family is known. */
  readonly productId: string | null;
  readonly placedAtMs: number;
  /** Hours until it is read: 48, or 24 where the leaflet says so. */
  readonly readAfterHours: number;
  readonly readings: readonly PatchReading[];
};

/** The owner's lifting of one reaction for one named product, by a dermatologist's written finding. Shown ever after. */
export type ReactionLifting = {
  readonly readingId: string;
  readonly productId: string;
  readonly finding: string;
  readonly atMs: number;
};

export type PatchTestStanding =
  | { readonly state: "missing" }
  /** Placed, and not read; `readFromMs` is when it may be. */
  | { readonly state: "waiting"; readonly placedAtMs: number; readonly readFromMs: number }
  | { readonly state: "reaction"; readonly atMs: number; readonly readingId: string; readonly severe: boolean | null }
  | {
      readonly state: "valid" | "due" | "expired";
      readonly placedAtMs: number;
      readonly validUntilMs: number;
      /** Products the tests of this family were placed with. */
      readonly productIds: readonly string[];
    };

const HOUR_MS = 3_600_000;
/** From this many days before its end a test is called due. A model of this product. */
const DUE_MS = 21 * 24 * HOUR_MS;
/** No test is clear sooner, whatever a leaflet says. Common practice. */
export const NEVER_CLEAR_BEFORE_H = 24;
/** When a test is read where no leaflet says otherwise, h. Common practice: delayed allergy shows between 48 and 96 h. */
export const READ_AFTER_H = 48;

/** Why a reading is not taken down, or null where it is. A reaction is taken down at any hour. */
export function mayRead(test: Pick<PatchTest, "placedAtMs" | "readAfterHours">, result: PatchResult, atMs: number): string | null {
  if (atMs < test.placedAtMs) return "A test cannot be read before it is placed.";
  if (result === "reaction") return null;
  const hours = (atMs - test.placedAtMs) / HOUR_MS;
  const needed = Math.max(NEVER_CLEAR_BEFORE_H, test.readAfterHours);
  return hours < needed
    ? `It lies ${Math.floor(hours)} h; it is read at ${needed} h${needed > NEVER_CLEAR_BEFORE_H ? ", at 24 h only where the leaflet says so" : ""}. A reaction can be written down at any time.`
    : null;
}

/** Readings that count: what was called clear too soon says nothing. */
const counting = (test: PatchTest) => test.readings.filter(({ result, atMs }) => mayRead(test, result, atMs) === null);

/**
 * Where a client stands for one product family at a moment. A reaction stands for good: nothing after it hides it. Else the
 * newest test that was read clear counts, in calendar months from when it was placed.
 */
export function patchTestStanding(tests: readonly PatchTest[], atMs: number, validMonths: number): PatchTestStanding {
  const known = tests.filter(({ placedAtMs }) => placedAtMs <= atMs);
  const reactions = tests.flatMap((test) => test.readings.filter(({ result }) => result === "reaction"));
  const gravest = reactions.find(({ severe }) => severe !== false) ?? reactions[0];
  if (gravest) return { state: "reaction", atMs: gravest.atMs, readingId: gravest.id, severe: gravest.severe };
  const clear = known.filter((test) => counting(test).some((reading) => reading.atMs <= atMs)).sort((a, b) => b.placedAtMs - a.placedAtMs);
  const newest = clear[0];
  const standing = newest && {
    placedAtMs: newest.placedAtMs,
    validUntilMs: addMonths(newest.placedAtMs, validMonths),
    productIds: clear.flatMap(({ productId }) => productId ?? []),
  };
  if (standing && standing.validUntilMs >= atMs) return { ...standing, state: standing.validUntilMs - atMs <= DUE_MS ? "due" : "valid" };
  const waiting = known.filter((test) => !clear.includes(test)).sort((a, b) => b.placedAtMs - a.placedAtMs)[0];
  if (waiting && (!newest || waiting.placedAtMs > newest.placedAtMs))
    return {
      state: "waiting",
      placedAtMs: waiting.placedAtMs,
      readFromMs: waiting.placedAtMs + Math.max(NEVER_CLEAR_BEFORE_H, waiting.readAfterHours) * HOUR_MS,
    };
  return standing ? { ...standing, state: "expired" } : { state: "missing" };
}

/** Same day and hour of a later month, UTC, or that month's last day. `addMonths(31 August, 6)` → 28 February */
export function addMonths(fromMs: number, months: number): number {
  const from = new Date(fromMs);
  const lastDay = new Date(Date.UTC(from.getUTCFullYear(), from.getUTCMonth() + months + 1, 0)).getUTCDate();
  const day = Date.UTC(from.getUTCFullYear(), from.getUTCMonth() + months, Math.min(from.getUTCDate(), lastDay));
  return day + (fromMs - Date.UTC(from.getUTCFullYear(), from.getUTCMonth(), from.getUTCDate()));
}

/** Why a reaction cannot be lifted, or null where the owner may lift it for one product. */
export function mayLift(reading: Pick<PatchReading, "result" | "severe">): string | null {
  if (reading.result !== "reaction") return "Only a reaction is lifted.";
  if (reading.severe) return "After swelling, blisters or trouble breathing a reaction is never lifted.";
  if (reading.severe === null) return "Nobody wrote down how grave it was, so it counts as grave and is not lifted.";
  return null;
}
