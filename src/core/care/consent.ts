import type { ServiceKind } from "../protocol/serviceKinds";
import { SERVICE_KINDS } from "../protocol/serviceKinds";

/** The text a client signs, until the studio writes its own. Plain words; it defers to leaflet, code and doctor. */
export function consentText(service: ServiceKind): string {
  const what = SERVICE_KINDS[service].label;
  return [
    `I agree to a ${what} today.`,
    "I was told what is used and what it is for, and that it can irritate eyes and skin or cause an allergy, even after a clear patch test.",
    "I have named my allergies, eye and skin conditions, medicines and earlier treatments truthfully.",
    "I keep my eyes shut until I am told to open them, and say at once if anything stings.",
    "I know that the result differs from person to person, and how to care for it at home.",
  ].join("\n");
}

/** Why there is no lash lightening here, wherever somebody looks for it. */
export const NO_LASH_LIGHTENING =
  "Lash lightening is not offered. Lightener and developer so near the eye would run into it with the first tear, and bleached lashes turn brittle and break. Brows only.";
