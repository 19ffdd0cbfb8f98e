import { serviceOf, type ServiceId } from "../service";
import { addMonths } from "./patchTest";

/** A consent as it was signed: for one service, in one wording. */
export type Consent = {
  readonly service: ServiceId;
  readonly words: string;
  readonly signedAtMs: number;
  readonly signedBy: "client" | "guardian";
};

/** The text a client signs, until the studio writes its own. Plain words; it defers to leaflet, code and doctor. */
export function consentText(service: ServiceId): string {
  return [
    `I agree to a ${serviceOf(service).label} today.`,
    "I was told what is used and what it is for, and that it can irritate eyes and skin or cause an allergy, even after a clear patch test.",
    "I have named my allergies, eye and skin conditions, medicines and earlier treatments truthfully.",
    "I keep my eyes shut until I am told to open them, and say at once if anything stings.",
    "I know that the result differs from person to person, and how to care for it at home.",
  ].join("\n");
}

/** Where the newest consent to a service stands: it is asked again after some months, and when the wording has changed. */
export function consentStanding(
  consents: readonly Consent[],
  service: ServiceId,
  atMs: number,
  validMonths: number,
): { readonly state: "missing" | "expired" | "wording" | "valid"; readonly consent: Consent | null } {
  const signed = consents.filter((one) => one.service === service && one.signedAtMs <= atMs).sort((a, b) => b.signedAtMs - a.signedAtMs);
  const newest = signed[0];
  if (!newest) return { state: "missing", consent: null };
  if (newest.words !== consentText(service)) return { state: "wording", consent: newest };
  return { state: addMonths(newest.signedAtMs, validMonths) < atMs ? "expired" : "valid", consent: newest };
}
