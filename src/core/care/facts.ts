import type { Service, ServiceId, Treatment } from "../service";
import type { Allergy } from "./allergies";
import type { Consent } from "./consent";
import type { Consultation } from "./consultation";
import type { PastService } from "./pastService";
import type { SpacingChanges } from "./spacing";
import type { PatchTest, ReactionLifting } from "./patchTest";
import type { UsedProduct } from "./productLife";

/** What is known of a client, of a service that is to be given them, and of when. One read gives all of it. */
export type CareFacts = {
  readonly nowMs: number;
  /** When the service begins: now, or when it is booked for. */
  readonly atMs: number;
  /** That day in the studio's zone: its ISO date and its first moment. */
  readonly today: string;
  readonly dayStartMs: number;
  /** A mannequin head and no client: nothing of care is asked of it, and only practice is done on it. */
  readonly mannequin: boolean;
  /** ISO date; null where nobody asked. */
  readonly bornOn: string | null;
  readonly tests: readonly PatchTest[];
  readonly liftings: readonly ReactionLifting[];
  /** Every allergy ever named: one that is left out later still stands. */
  readonly allergies: readonly Allergy[];
  /** The newest answers; when they were last given whole, for which kinds of service, and when confirmed. */
  readonly consultation: {
    readonly document: Consultation;
    readonly wholeAtMs: number;
    readonly confirmedAtMs: number;
    readonly kinds: readonly Treatment[];
  } | null;
  /** When somebody last looked whether extensions are on, and what was seen; null where nobody did. */
  readonly extensionsSeen: { readonly on: boolean; readonly atMs: number } | null;
  readonly consents: readonly Consent[];
  /** What was done before, here and elsewhere, and what is agreed, before this and after it. */
  readonly past: readonly PastService[];
  /** What is about to be used, as far as it is chosen. */
  readonly products: readonly UsedProduct[];
};

/** What of the studio's policy has a say in care; the policy's questions of these names answer it. */
export type CareRules = {
  readonly patchTestMonths: number;
  readonly colourAge: number;
  readonly extensionsAge: number;
  readonly operationMonths: number;
  readonly consultationMonths: number;
  readonly consentMonths: number;
  readonly lashTintLawful: "notConfirmed" | "confirmed";
  readonly spacing: SpacingChanges;
};

export type CareFinding = {
  readonly rule: string;
  /** What exactly was found: a reason given for it is offered again while this is unchanged. */
  readonly key: string;
  /** Stop: nothing passes it at the chair. Ask: passed with a written reason. Note: said, no more. */
  readonly weight: "stop" | "ask" | "note";
  readonly words: string;
};

/** One thing that may stand against a service. */
export type CareRule = (service: Service & { readonly id: ServiceId }, facts: CareFacts, rules: CareRules) => readonly CareFinding[];

export const finding = (rule: string, weight: CareFinding["weight"], words: string, about = ""): CareFinding => ({
  rule,
  weight,
  words,
  key: about ? `${rule} ${about}` : rule,
});

/** The service is for a later day: what can be asked or mended until then does not stand against it yet. */
export const isAhead = ({ nowMs, dayStartMs }: Pick<CareFacts, "nowMs" | "dayStartMs">): boolean => dayStartMs > nowMs;

const ORDER = { stop: 0, ask: 1, note: 2 } as const;
/** The gravest first, else in the order they were found. */
export const gravestFirst = (findings: readonly CareFinding[]): CareFinding[] =>
  [...findings].sort((a, b) => ORDER[a.weight] - ORDER[b.weight]);
