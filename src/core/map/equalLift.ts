import { CURL_IDS, liftAndReach, type Curl, type CurlId } from "../curl";
import { lengthForLift } from "../lash";

/** One curl at a wished lift; `lengthMm` null where no worn length reaches it. */
export type EqualLift = { readonly curl: CurlId; readonly lengthMm: number | null; readonly reachMm: number | null };

/**
 * Every curl at the same lift on lashes of a growth angle: how long each must be, and how far it then reaches forward.
 * `curlOf` gives their geometry, as trays and studio have it.
 */
export function curlsAtEqualLift(liftMm: number, angleDeg: number, curlOf: (id: CurlId) => Curl): EqualLift[] {
  return CURL_IDS.map((id) => {
    const curl = curlOf(id);
    const lengthMm = lengthForLift(curl, liftMm, angleDeg);
    return { curl: id, lengthMm, reachMm: lengthMm === null ? null : liftAndReach(curl, lengthMm, angleDeg).reachMm };
  });
}
