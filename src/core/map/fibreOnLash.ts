import { contactLengthMm, liftAndReach } from "../curl";
import type { NaturalZone } from "../eye";
import { bondSurvival } from "../growth";
import { fibreMassMg, meanCount, type Fibre } from "../lash";
import type { Policy } from "../policy";
import { fibreCurl } from "./stock";
import type { Tray } from "./tray";

/** How one fibre sits on the usual lash of a zone. Lengths mm, mass mg. */
export type OnLash = {
  readonly liftMm: number;
  readonly reachMm: number;
  readonly contactMm: number;
  readonly massMg: number;
  /** How far the tip stands past the lash's own, the gap at the lid counted. */
  readonly overhangMm: number;
  /** Share of bonds that hold to day 14, 0..1. A model of this product. */
  readonly heldAtDay14: number;
};

/** Lift, reach, contact, mass and overhang of a fibre on the lashes of a zone. */
export function fibreOnLash(
  fibre: Fibre,
  natural: Pick<NaturalZone, "angleDeg" | "ownCurlDeg" | "meanMm">,
  policy: Pick<Policy, "curls" | "attachmentOffsetMm">,
  trays: readonly Tray[],
): OnLash {
  const curl = fibreCurl(fibre, trays, policy);
  const contactMm = contactLengthMm(curl, fibre.lengthMm, natural.ownCurlDeg, natural.meanMm);
  return {
    ...liftAndReach(curl, fibre.lengthMm, natural.angleDeg),
    contactMm,
    massMg: fibreMassMg({ ...fibre, count: meanCount(fibre) }),
    overhangMm: fibre.lengthMm + policy.attachmentOffsetMm - natural.meanMm,
    heldAtDay14: bondSurvival(14, contactMm),
  };
}
