import type { Fibre } from "../lash";
import type { Policy } from "../policy";
import type { LashMap, ZoneFibre } from "./schema";
import { lengthOver, loadOver } from "./planZones";
import type { ZoneLimit } from "./zoneLimit";

type ClassWish = Pick<LashMap, "lashClasses" | "classLengthsMm">;

/** Natural length that the longest of so many classes of a zone's lashes begin at, mm. */
export function wornPast(limit: ZoneLimit, classes: 2 | 4): number {
  return limit.natural.quantileMm((classes - 1) / classes);
}

/** Lengths chosen by hand for so many classes, the shortest first; null where they are left to the limits. */
export const chosenLengths = ({ lashClasses, classLengthsMm }: ClassWish): readonly number[] | null =>
  lashClasses !== undefined && classLengthsMm?.length === lashClasses ? classLengthsMm : null;

/**
 * The length of one class chosen (mm, 0 the shortest class), or all left to the limits again (null). The others stay as
 * they are chosen or worn, except that no class wears more than the next.
 */
export function withClassLength(
  map: Pick<LashMap, "lashClasses" | "classLengthsMm" | "eyes">,
  index: number,
  lengthMm: number | null,
): Pick<LashMap, "classLengthsMm"> {
  if (lengthMm === null || !map.lashClasses) return { classLengthsMm: undefined };
  const now = chosenLengths(map) ?? wornByClass(map, map.lashClasses, lengthMm);
  return { classLengthsMm: now.map((old, i) => (i === index ? lengthMm : i < index ? Math.min(old, lengthMm) : Math.max(old, lengthMm))) };
}

/** What each class wears where the line is widest; where classes fell together or wear nothing the next longer, or `otherwise`. */
function wornByClass({ eyes }: Pick<LashMap, "eyes">, classes: number, otherwise: number): number[] {
  const { zones, boundaries } = eyes.right.layers[0]!;
  const width = (i: number) => boundaries[i + 1]! - boundaries[i]!;
  const widest = zones.reduce((best, _, i) => (width(i) > width(best) ? i : best), 0);
  const zone = zones[widest];
  const worn = zone ? [...(zone.classes ?? []).flatMap((c) => c.lengthMm ?? []), zone.lengthMm] : [otherwise];
  return Array.from({ length: classes }, (_, i) => worn[Math.max(0, worn.length - classes + i)]!);
}

/** Where four classes are told apart, the shortest also holds up the longer ones, on one lash of so many. A choice of this product. */
const SUPPORT_EVERY = 5;

/**
 * The shorter lashes of a zone told apart by their own length, each class with the longest stocked fibre it may wear, or
 * the one chosen for it where that may be worn, each no longer than the next. Where nothing may be worn they stay bare.
 * Common practice: two lengths, long on long lashes and short on those between; or four, the shortest spread through as
 * support.
 */
export function lashClasses(
  limit: ZoneLimit,
  fibre: Fibre,
  wish: ClassWish,
  stockedMm: readonly number[],
  policy: Policy,
): Pick<ZoneFibre, "classes" | "support"> {
  const { lashClasses: classes } = wish;
  if (!classes) return {};
  const lengths = chosenLengths(wish);
  const ascending: NonNullable<ZoneFibre["classes"]>[number][] = [];
  let below = fibre.lengthMm;
  for (let i = classes - 1; i >= 1; i--) {
    const [from, upTo] = [i === 1 ? 0 : limit.natural.quantileMm((i - 1) / classes), limit.natural.quantileMm(i / classes)];
    const among = limit.among(from, upTo);
    const chosen = lengths?.[i - 1] ?? Infinity;
    const fits = (mm: number) => {
      const { overLength, corner } = lengthOver(among, mm);
      return mm <= Math.min(below, chosen) && overLength === 0 && corner === 0 && loadOver(limit, { ...fibre, lengthMm: mm }, policy) === 0;
    };
    const lengthMm = stockedMm.filter(fits).at(-1) ?? null;
    // A class that wears what the next does is no class of its own.
    if (lengthMm !== below) ascending.unshift({ upToMm: Math.round(upTo * 10) / 10, lengthMm });
    below = lengthMm ?? below;
  }
  // Rounding may bring two classes together.
  const classesApart = ascending.filter((c, i) => i === 0 || c.upToMm > ascending[i - 1]!.upToMm);
  if (classesApart.length === 0) return {};
  const shortest = classesApart[0]!.lengthMm;
  return {
    classes: classesApart,
    ...(classes === 4 && shortest !== null ? { support: { lengthMm: shortest, every: SUPPORT_EVERY } } : {}),
  };
}
