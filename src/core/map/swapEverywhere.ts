import type { Side } from "../eye";
import { mapTitle } from "./mapTitle";
import type { EyeMap, FibreKind, LashMap, ZoneFibre } from "./schema";
import { sameKind } from "./stock";

/** The same fibre placed the same way: kind, number and width of the fan. */
export function samePlaced(a: FibreKind, b: FibreKind): boolean {
  const most = ({ count, countTo }: FibreKind) => countTo ?? count;
  return sameKind(a, b) && a.count === b.count && most(a) === most(b) && (a.opening ?? "usual") === (b.opening ?? "usual");
}

/**
 * Every zone of every layer that wears one fibre wearing another in the same lengths, and the map planned in it from then
 * on. A zone that does not wear it stays the very same.
 */
export function swapEverywhere(map: LashMap, from: FibreKind, to: FibreKind): LashMap {
  const kind = <T extends FibreKind>(worn: T): T | FibreKind => (samePlaced(worn, from) ? to : worn);
  const zone = (worn: ZoneFibre): ZoneFibre => {
    const { lengthMm, classes, support, hybrid } = worn;
    const mixes = hybrid !== undefined && samePlaced(hybrid.fibre, from);
    if (!mixes && !samePlaced(worn, from)) return worn;
    // Classes wear the zone's own fibre and follow it.
    const main = samePlaced(worn, from)
      ? { ...to, lengthMm, ...(classes ? { classes } : {}), ...(support ? { support } : {}), ...(hybrid ? { hybrid } : {}) }
      : worn;
    return mixes ? { ...main, hybrid: { ...hybrid, fibre: { ...to, lengthMm: hybrid.fibre.lengthMm } } } : main;
  };
  const eye = (side: Side): EyeMap => ({
    layers: map.eyes[side].layers.map((layer) => ({ ...layer, zones: layer.zones.map((worn) => worn && zone(worn)) })),
  });
  const next: LashMap = {
    ...map,
    fibre: kind(map.fibre),
    ...(map.accents ? { accents: { ...map.accents, fibre: kind(map.accents.fibre) } } : {}),
    ...(map.under ? { under: { ...map.under, fibre: kind(map.under.fibre) } } : {}),
    ...(map.hybrid ? { hybrid: { ...map.hybrid, fibre: kind(map.hybrid.fibre) } } : {}),
    eyes: { right: eye("right"), left: eye("left") },
  };
  return map.title === mapTitle(map) ? { ...next, title: mapTitle(next) } : next;
}
