import { SIDES, type Side } from "../eye";
import { LOOKS, LOOK_IDS, type LookId } from "./looks";
import { dropCurve } from "./looks/dropCurve";
import { chosenLengths } from "./lashClasses";
import { meanLength } from "./layers";
import { landmarksOf } from "./landmarksOf";
import { meanOver } from "./meanOver";
import { LEAST_ACCENT_MM } from "./planLayers";
import type { Zones } from "./planLayer";
import { TEXTURE_MM } from "./line";
import type { Ground } from "./planGround";
import type { Layer } from "./schema";
import { markOf } from "./schools";
import type { Stretch } from "./stretchWords";

/** A wish the limits cut: what was wished, where, and what there is instead. */
export type Cut =
  | { readonly wish: "longest"; readonly wishedMm: number; readonly givenMm: number; readonly where: readonly Stretch[] }
  | {
      readonly wish: "accents";
      readonly wishedMm: number;
      /** Stretches of accents with how far they stand over the base there, mm. */
      readonly given: readonly { readonly overMm: number; readonly where: readonly Stretch[] }[];
      /** Nowhere outside the corners do they stand far enough over the base to be seen. */
      readonly unseen: boolean;
    }
  | { readonly wish: "texture"; readonly where: readonly Stretch[] }
  /** The longest lies outside the look's peak; `instead` is the look that peaks where it lies, null where none does. */
  | { readonly wish: "look"; readonly look: LookId; readonly instead: LookId | null; readonly where: readonly Stretch[] };

type Planned = Ground & {
  readonly zones: Zones;
  readonly layers: Readonly<Record<Side, readonly Layer[]>>;
  readonly peak: Readonly<Record<Side, readonly boolean[]>>;
};

/** Every wish that was cut, each once for both eyes. */
export function planCuts(planned: Planned): Cut[] {
  return [longestCut(planned), lookCut(planned), textureCut(planned), accentCut(planned)].filter((cut): cut is Cut => cut !== null);
}

const lengthsOf = (layer: Layer) => layer.zones.map((zone) => zone?.lengthMm ?? null);
const stretches = (of: (side: Side) => readonly number[]): Stretch[] =>
  SIDES.flatMap((side) => (of(side).length ? [{ side, zones: of(side) }] : []));

function longestCut({ wish, layers, peak }: Planned): Cut | null {
  const wishedMm = wish.longestMm ?? chosenLengths(wish)?.at(-1) ?? null;
  if (wishedMm === null) return null;
  const longest = (side: Side) => Math.max(0, ...lengthsOf(layers[side][0]!).map((mm) => mm ?? 0));
  const short = SIDES.filter((side) => longest(side) < wishedMm - 1e-9);
  if (short.length === 0) return null;
  const where = short.map((side) => ({ side, zones: peak[side].flatMap((is, i) => (is ? [i] : [])) }));
  return { wish: "longest", wishedMm, givenMm: Math.min(...short.map(longest)), where };
}

/** As long as its longest where the look asked for so much less: the look is not to be seen, mm. A model of this product. */
const UNSEEN_MM = 1.5;

/** One of the longest lies so near to the look's peak, mm below it. A model of this product. */
const NEAR_PEAK_MM = 1;

function lookCut(planned: Planned): Cut | null {
  const { wish, layers, survey } = planned;
  // A look that adds the same everywhere has no peak to miss, and a bent one is the technician's own.
  if (wish.bend || wish.school.id === "byClass" || LOOKS[wish.look].followsLashes) return null;
  // Accents carry the look where there are any.
  const worn = (side: Side) => layers[side].find(({ role }) => role === "accent") ?? layers[side][0]!;
  const missed = SIDES.filter((side) => {
    const all = inLookOf(worn(side), planned, side);
    const longest = Math.max(...all.map(({ mm }) => mm));
    const least = Math.min(...all.map(({ dropMm }) => dropMm));
    const longestOnes = all.filter(({ mm }) => mm === longest);
    return longestOnes.some(({ dropMm }) => dropMm > least + UNSEEN_MM) || longestOnes.every(({ dropMm }) => dropMm > least + NEAR_PEAK_MM);
  });
  const side = missed[0];
  if (!side) return null;
  const longestOf = (s: Side) => {
    const all = inLookOf(worn(s), planned, s);
    return all.filter(({ mm }) => mm === Math.max(...all.map((zone) => zone.mm)));
  };
  const off = (look: LookId) => {
    const drop = dropCurve(LOOKS[look], landmarksOf(wish, survey, side), survey.eyes[side]);
    const all = inLookOf(worn(side), planned, side);
    const least = Math.min(...all.map(({ from, to }) => meanOver(drop, from, to)));
    return Math.max(...longestOf(side).map(({ from, to }) => meanOver(drop, from, to) - least));
  };
  const others = LOOK_IDS.filter((id) => id !== wish.look && !LOOKS[id].rises);
  const [best] = others.sort((a, b) => off(a) - off(b));
  const instead = best && off(best) < off(wish.look) ? best : null;
  return { wish: "look", look: wish.look, instead, where: stretches((s) => (missed.includes(s) ? longestOf(s).map(({ i }) => i) : [])) };
}

/** The zones of a layer that the look decides: those worn, corners left out, each with how far the look lies below its longest there. */
function inLookOf(layer: Layer, { zones, dropOver }: Planned, side: Side) {
  const corners = zones[side].filter(({ corner }) => corner);
  return layer.zones.flatMap((zone, i) => {
    const [from, to] = [layer.boundaries[i]!, layer.boundaries[i + 1]!];
    const corner = corners.some((one) => from >= one.from - 1e-9 && to <= one.to + 1e-9);
    return zone && !corner ? [{ i, from, to, mm: zone.lengthMm, dropMm: dropOver(side, from, to) }] : [];
  });
}

function textureCut({ wish, layers, zones }: Planned): Cut | null {
  if (wish.accents) return null;
  const lost = (side: Side) => {
    const lengths = lengthsOf(layers[side][0]!);
    const pairs = lengths.slice(1).flatMap((mm, i): [number, number][] => {
      const before = lengths[i]!;
      const [a, b] = [markOf(wish.school, i), markOf(wish.school, i + 1)];
      if (!a || !b || mm === null || before === null || zones[side][i]!.corner || zones[side][i + 1]!.corner) return [];
      return (b === "on" ? mm - before : before - mm) < TEXTURE_MM ? [[i, i + 1]] : [];
    });
    return [...new Set(pairs.flat())].sort((x, y) => x - y);
  };
  const where = stretches(lost);
  return where.length ? { wish: "texture", where } : null;
}

function accentCut(planned: Planned): Cut | null {
  const { wish, layers } = planned;
  if (!wish.accents) return null;
  const { offsetMm } = wish.accents;
  const over = (side: Side) =>
    inLookOf(
      layers[side].find(({ role }) => role === "accent")!,
      planned,
      side,
    ).flatMap(({ i, from, to, mm }) => {
      const mean = meanLength(layers[side][0]!, from, to);
      return mean === null ? [] : [{ i, mm: Math.floor(mm - mean + 0.5) }];
    });
  const all = { right: over("right"), left: over("left") };
  const amounts = [...new Set(SIDES.flatMap((side) => all[side].map(({ mm }) => mm)))].sort((a, b) => b - a);
  const given = amounts
    .filter((mm) => mm < offsetMm)
    .map((overMm) => ({ overMm, where: stretches((side) => all[side].filter(({ mm }) => mm === overMm).map(({ i }) => i)) }));
  return given.length ? { wish: "accents", wishedMm: offsetMm, given, unseen: (amounts[0] ?? 0) < LEAST_ACCENT_MM } : null;
}
