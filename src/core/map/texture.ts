import { equalCount, mostCount } from "../lash";
import type { Policy } from "../policy";
import type { AccentWish, FibreKind, LashMap, UnderWish } from "./schema";
import type { Tray } from "./tray";

/** What a set reads as beside its look: one even line, spikes over it, or every fan left closed. */
export type Texture = "plain" | "wispy" | "wet";

/** Fans of spikes are made of fibres up to this thick, mm. Common practice. */
const SPIKE_UP_TO_MM = 0.07;
/** Singles that are mixed into fans, mm. Common practice. */
const HYBRID_SINGLE_MM = [0.1, 0.15] as const;
const HYBRID_FAN_COUNT = 7;
/** Accents of flat-base curls stand no more than this over the base: they lift from the root. Common practice. */
const FLAT_BASE_ACCENT_MM = 2;

/** What a closed fan of a wet look holds where singles are made into one. Common practice. */
const WET_COUNT = 3;
const CLASSIC = { diameterMm: 0.15, shape: "round" as const };

const isFan = (fibre: FibreKind) => mostCount(fibre) > 1;
const kindOf = ({ curl, diameterMm, shape }: FibreKind | Tray) => ({ curl, diameterMm, shape });

export const textureOf = ({ fibre, accents }: Pick<LashMap, "fibre" | "accents">): Texture =>
  isFan(fibre) && fibre.opening === "closed" ? "wet" : accents ? "wispy" : "plain";

/** A spike of a curl: a closed fan of a fine fibre, or a thin single where nothing fine is in stock. */
export function spike(fibre: FibreKind, trays: readonly Tray[]): FibreKind {
  const fine = trays.find(({ curl, diameterMm, shape }) => curl === fibre.curl && shape === "round" && diameterMm <= SPIKE_UP_TO_MM);
  return fine ? { ...kindOf(fine), count: 4, opening: "closed" } : { ...kindOf(fibre), count: 1 };
}

/** Curls whose base lies flat along the lash: they lift from the root. */
export const isFlatBase = ({ curl }: Pick<FibreKind, "curl">): boolean => curl === "L" || curl === "M";

/** How far accents are wished over a base of a fibre, mm. */
export const accentOffset = (fibre: Pick<FibreKind, "curl">, policy: Policy): number =>
  isFlatBase(fibre) ? Math.min(FLAT_BASE_ACCENT_MM, policy.accentOffsetMm) : policy.accentOffsetMm;

/** Accents as the studio places them, over a base of a fibre. */
export function usualAccents(fibre: FibreKind, policy: Policy, trays: readonly Tray[]): AccentWish {
  const inClusters = policy.accentPlacing === "clusters";
  return {
    offsetMm: accentOffset(fibre, policy),
    // A cluster of three leaves one lash between at the least.
    placing: { every: Math.max(policy.accentEvery, inClusters ? 4 : 2), cluster: inClusters ? 3 : 1, innerEvery: 2 },
    fibre: spike(fibre, trays),
  };
}

/** An under layer to begin from. */
export const usualUnder = (fibre: FibreKind): UnderWish => ({ belowMm: 2, sections: 4, fibre });

/** What a map of another texture wishes for: its fibre and its accents. */
export function textureWish(
  { fibre, accents }: Pick<LashMap, "fibre" | "accents">,
  texture: Texture,
  policy: Policy,
  trays: readonly Tray[],
): { readonly fibre: FibreKind; readonly accents: AccentWish | undefined } {
  const { opening: _, ...open } = fibre;
  if (texture !== "wet") return { fibre: open, accents: texture === "wispy" ? (accents ?? usualAccents(open, policy, trays)) : undefined };
  const base = isFan(fibre) ? fibre : spike(fibre, trays);
  // A wet look wants fans, and is not to be heavier for it: as many fibres as weigh no more than the single of 0.15, two at least.
  const most = Math.max(2, Math.floor(equalCount({ ...CLASSIC, count: 1 }, base) + 1e-9));
  const wet: FibreKind = {
    ...base,
    count: isFan(fibre) ? base.count : Math.min(isFan(base) ? base.count : WET_COUNT, most),
    opening: "closed",
  };
  const over = accents ?? usualAccents(wet, policy, trays);
  return { fibre: wet, accents: { ...over, fibre: isFan(over.fibre) ? { ...over.fibre, opening: "closed" } : over.fibre } };
}

/** Singles mixed into fans, or fans into singles, half and half to begin with; null where nothing in stock is fit for it. */
export function usualHybrid({ fibre }: Pick<LashMap, "fibre">, trays: readonly Tray[]): NonNullable<LashMap["hybrid"]> | null {
  const [least, most] = HYBRID_SINGLE_MM;
  const intoFans = isFan(fibre);
  const fits = intoFans
    ? ({ curl, diameterMm }: Tray) => curl === fibre.curl && diameterMm >= least && diameterMm <= most
    : ({ diameterMm }: Tray) => diameterMm <= SPIKE_UP_TO_MM;
  // Of the same curl and finest first: a fan of another letter shows among singles.
  const [best] = trays
    .filter(fits)
    .sort((a, b) => Number(b.curl === fibre.curl) - Number(a.curl === fibre.curl) || (intoFans ? 0 : a.diameterMm - b.diameterMm));
  return best ? { fibre: { ...kindOf(best), count: intoFans ? 1 : HYBRID_FAN_COUNT }, share: 0.5, pattern: "alternate" } : null;
}
