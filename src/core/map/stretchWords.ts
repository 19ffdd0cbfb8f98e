import { otherSide, SIDES, type Side } from "../eye";

/** Zones of one layer of one eye, counted from 0 at the inner corner. */
export type Stretch = { readonly side: Side; readonly zones: readonly number[] };

/** Zones as they are counted: "zone 3", "zones 3 to 5", "zones 1, 3 and 5 to 7". `word` is what one is called. */
export function zonesWords(zones: readonly number[], word = "zone"): string {
  const sorted = [...new Set(zones)].sort((a, b) => a - b);
  const runs: [number, number][] = [];
  for (const zone of sorted) {
    const run = runs.at(-1);
    if (run && zone === run[1] + 1) run[1] = zone;
    else runs.push([zone, zone]);
  }
  const words = runs.flatMap(([from, to]) =>
    from === to ? [`${from + 1}`] : to === from + 1 ? [`${from + 1}`, `${to + 1}`] : [`${from + 1} to ${to + 1}`],
  );
  const many = sorted.length > 1 && word !== "under layer";
  return `${word}${many ? "s" : ""} ${listed(words)}`;
}

/** "a", "a and b", "a, b and c" */
export const listed = (words: readonly string[]): string =>
  words.length < 2 ? words.join("") : `${words.slice(0, -1).join(", ")} and ${words.at(-1)}`;

/** Stretches of both eyes in words, those that are alike told once: "both eyes, zones 3 to 5"; "client's right, zone 2; client's left, zone 3". */
export function stretchWords(where: readonly Stretch[], word = "zone"): string {
  const zonesOf = (side: Side) => where.filter((stretch) => stretch.side === side).flatMap(({ zones }) => zones);
  const same = (a: readonly number[], b: readonly number[]) => [...a].sort().join() === [...b].sort().join();
  const worn = SIDES.filter((side) => where.some((stretch) => stretch.side === side));
  const [first] = worn;
  if (!first) return "";
  if (worn.length === 2 && same(zonesOf(first), zonesOf(otherSide(first))))
    return zonesOf(first).length ? `both eyes, ${zonesWords(zonesOf(first), word)}` : "both eyes";
  return worn.map((side) => [`client's ${side}`, ...(zonesOf(side).length ? [zonesWords(zonesOf(side), word)] : [])].join(", ")).join("; ");
}
