import type { Fibre } from "../lash";
import type { Policy } from "../policy";
import type { ZoneFibre } from "./schema";
import { lengthOver, loadOver } from "./planZones";
import type { ZoneLimit } from "./zoneLimit";

/** Natural length that the longest of so many classes of a zone's lashes begin at, mm. */
export function wornPast(limit: ZoneLimit, classes: 2 | 4): number {
  return limit.natural.quantileMm((classes - 1) / classes);
}

/**
 * The shorter lashes of a zone told apart by their own length, each class with the longest stocked fibre it may wear,
 * each shorter than the next. Common practice: two lengths, long on long lashes and short on those between; or four.
 */
export function lashClasses(
  limit: ZoneLimit,
  fibre: Fibre,
  classes: 2 | 4 | undefined,
  stockedMm: readonly number[],
  policy: Policy,
): Pick<ZoneFibre, "classes"> {
  if (!classes) return {};
  const ascending: { upToMm: number; lengthMm: number }[] = [];
  let below = fibre.lengthMm;
  for (let i = classes - 1; i >= 1; i--) {
    const [from, upTo] = [i === 1 ? 0 : limit.natural.quantileMm((i - 1) / classes), limit.natural.quantileMm(i / classes)];
    const among = limit.among(from, upTo);
    const fits = (mm: number) => {
      const { overLength, corner } = lengthOver(among, mm);
      return mm < below && overLength === 0 && corner === 0 && loadOver(limit, { ...fibre, lengthMm: mm }, policy) === 0;
    };
    // Where nothing shorter fits, these lashes wear what the shortest class wears: the least there is in stock.
    const lengthMm = stockedMm.filter(fits).at(-1) ?? stockedMm[0]!;
    if (lengthMm < below) ascending.unshift({ upToMm: Math.round(upTo * 10) / 10, lengthMm });
    below = Math.min(below, lengthMm);
  }
  // Rounding may bring two classes together.
  const classesApart = ascending.filter((c, i) => i === 0 || c.upToMm > ascending[i - 1]!.upToMm);
  return classesApart.length ? { classes: classesApart } : {};
}
