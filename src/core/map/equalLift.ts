import { CURL_IDS, curlOf, lengthForLift, liftAndReach, type CurlId } from "../curl";
import type { Policy } from "../policy";

/** One curl at a wished lift; `lengthMm` null where no worn length reaches it. */
export type EqualLift = { readonly curl: CurlId; readonly lengthMm: number | null; readonly reachMm: number | null };

/** Every curl at the same lift on lashes of a growth angle: how long each must be, and how far it then reaches forward. */
export function curlsAtEqualLift(liftMm: number, angleDeg: number, policy: Pick<Policy, "curls">): EqualLift[] {
  return CURL_IDS.map((id) => {
    const curl = curlOf(id, policy.curls);
    const lengthMm = lengthForLift(curl, liftMm, angleDeg);
    return { curl: id, lengthMm, reachMm: lengthMm === null ? null : liftAndReach(curl, lengthMm, angleDeg).reachMm };
  });
}
