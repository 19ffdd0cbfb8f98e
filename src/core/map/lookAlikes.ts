import type { NaturalZone } from "../eye";
import { mostCount, type Fibre } from "../lash";
import type { Policy } from "../policy";
import { fibreOnLash, type OnLash } from "./fibreOnLash";
import { stockedKinds, stockedLengths } from "./stock";
import type { Tray } from "./tray";
import { judgeLoad, type ZoneLimit } from "./zoneLimit";

export type LookAlike = { readonly fibre: Fibre; readonly on: OnLash; readonly loadResting: number; readonly offLiftMm: number };

/** A lift this much short of the wished one still reads the same, mm. A model of this product. */
export const SAME_LIFT_MM = 0.4;

/**
 * "The look of 14 with 11": stocked fibres that lift at least as far as wished without standing further past the lash
 * than allowed, inside the zone's limits, the lightest first. At most one length of each kind: its shortest that does.
 */
export function lookAlikes(
  wish: { readonly liftMm: number; readonly overhangMm: number; readonly like: Fibre },
  limit: ZoneLimit,
  policy: Policy,
  trays: readonly Tray[],
): LookAlike[] {
  return stockedKinds(trays)
    .flatMap((kind): LookAlike[] => {
      for (const lengthMm of stockedLengths(trays, kind)) {
        const fibre: Fibre = { ...wish.like, ...kind, lengthMm };
        const on = fibreOnLash(fibre, limit.natural, policy, trays);
        const offLiftMm = on.liftMm - wish.liftMm;
        if (offLiftMm < -SAME_LIFT_MM || on.overhangMm > wish.overhangMm + 1e-9 || lengthMm > limit.limitMm + 1e-9) continue;
        const load = limit.loadOf(fibre);
        if (judgeLoad(load, mostCount(fibre), policy) === "stop") continue;
        return [{ fibre, on, loadResting: load.resting, offLiftMm }];
      }
      return [];
    })
    .sort((a, b) => a.on.massMg - b.on.massMg || Math.abs(a.offLiftMm) - Math.abs(b.offLiftMm));
}

/** What a fibre looks like on the lashes of a zone: the wish that another is to match. */
export function wishLike(fibre: Fibre, natural: NaturalZone, policy: Policy, trays: readonly Tray[]) {
  const { liftMm, overhangMm } = fibreOnLash(fibre, natural, policy, trays);
  return { liftMm, overhangMm, like: fibre };
}
