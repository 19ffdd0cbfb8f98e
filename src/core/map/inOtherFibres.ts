import type { CurlId } from "../curl";
import { FIBRE_LENGTHS_MM } from "../lash/sizes";
import { mapTitle } from "./mapTitle";
import type { EyeMap, LashMap, ZoneFibre } from "./schema";

/** Another curl, another diameter, every length so much longer or shorter; what is null, or 0, stays as it is. */
export type OtherFibres = { readonly curl: CurlId | null; readonly diameterMm: number | null; readonly longerMm: number };

/**
 * The same map in another curl, diameter or length, every layer of it: what wears the curl, or the diameter, of the base takes
 * the other; all lengths change alike, as far as fibres for clients come.
 */
export function inOtherFibres(map: LashMap, { curl, diameterMm, longerMm }: OtherFibres): LashMap {
  const base = map.fibre;
  const kind = <T extends { readonly curl: CurlId; readonly diameterMm: number }>(worn: T): T => ({
    ...worn,
    ...(curl !== null && worn.curl === base.curl ? { curl } : {}),
    ...(diameterMm !== null && worn.diameterMm === base.diameterMm ? { diameterMm } : {}),
  });
  const length = (mm: number) =>
    // What is longer already is worn by a practice head, and grows no longer.
    longerMm === 0 ? mm : Math.min(Math.max(FIBRE_LENGTHS_MM.longestWorn, mm), Math.max(FIBRE_LENGTHS_MM.shortest, mm + longerMm));
  const longer = <T extends { readonly lengthMm: number }>(worn: T): T => ({ ...worn, lengthMm: length(worn.lengthMm) });
  const zone = (worn: ZoneFibre): ZoneFibre => ({
    ...longer(kind(worn)),
    ...(worn.classes
      ? { classes: worn.classes.map((one) => ({ ...one, lengthMm: one.lengthMm === null ? null : length(one.lengthMm) })) }
      : {}),
    ...(worn.support ? { support: longer(worn.support) } : {}),
    ...(worn.hybrid ? { hybrid: { ...worn.hybrid, fibre: longer(kind(worn.hybrid.fibre)) } } : {}),
  });
  const eye = ({ layers }: EyeMap): EyeMap => ({
    layers: layers.map((layer) => ({ ...layer, zones: layer.zones.map((worn) => worn && zone(worn)) })),
  });
  const next: LashMap = {
    ...map,
    fibre: kind(base),
    longestMm: map.longestMm === null ? null : length(map.longestMm),
    ...(map.classLengthsMm ? { classLengthsMm: map.classLengthsMm.map(length) } : {}),
    ...(map.accents ? { accents: { ...map.accents, fibre: kind(map.accents.fibre) } } : {}),
    ...(map.under ? { under: { ...map.under, fibre: kind(map.under.fibre) } } : {}),
    ...(map.hybrid ? { hybrid: { ...map.hybrid, fibre: kind(map.hybrid.fibre) } } : {}),
    eyes: { right: eye(map.eyes.right), left: eye(map.eyes.left) },
  };
  return map.title === mapTitle(map) ? { ...next, title: mapTitle(next) } : next;
}
