import { SIDES, WIDEST_CORNER, type FieldLash, type Side, type Survey } from "../eye";
import type { Policy } from "../policy";
import { accentLashes } from "./accentLashes";
import { MOST_ZONES } from "./layerBounds";
import { meanLength } from "./layers";
import { longestReached, planLayer, togetherOf, type Zones } from "./planLayer";
import type { LineLimits } from "./line";
import { planZones } from "./planZones";
import type { AccentWish, FibreKind, Layer, LashMap, UnderWish } from "./schema";
import { equalEdges } from "./schools/equal";
import { stockedLengths } from "./stock";
import type { Tray } from "./tray";

type Bases = Readonly<Record<Side, Layer>>;
type Edges = Readonly<Record<Side, readonly number[]>>;
type Wish = Pick<LashMap, "coupling">;

/** Accents stand at least so far over the base, or nobody sees them, mm. Common practice. */
export const LEAST_ACCENT_MM = 2;

/** Where the last zone is as long as LONG_END_MM it drops by this, mm. Common practice. */
const LONG_END_DROP_MM = 2;

/** What a studio asks of a line. */
export const lineLimits = (policy: Policy): LineLimits => ({
  stepMm: policy.stepMm,
  outerDropMm: policy.outerDropMm,
  longEndDropMm: Math.max(LONG_END_DROP_MM, policy.outerDropMm),
});

/** What an accent layer may wear, before its base is known. */
export type AccentGround = {
  readonly edges: Edges;
  readonly zones: Zones;
  readonly limits: LineLimits;
  readonly wish: AccentWish;
};

/** Accents over a base, its own corners at the ends: what each section of them may wear. */
export function accentGround(survey: Survey, baseZones: Zones, wish: AccentWish, policy: Policy, trays: readonly Tray[]): AccentGround {
  const stocked = stockedLengths(trays, wish.fibre);
  const edgesOf = (side: Side) => accentEdges(baseZones[side], wish.sections);
  const edges = { right: edgesOf("right"), left: edgesOf("left") };
  const zonesOf = (side: Side) =>
    planZones(survey.eyes[side], edges[side], wish.fibre, stocked, policy, { picked: accentLashes(survey, side, wish.placing) });
  return { edges, zones: { right: zonesOf("right"), left: zonesOf("left") }, limits: lineLimits(policy), wish };
}

/** The base's own zones, wide ones cut; or so many sections of one width between the base's corners. */
function accentEdges(base: Zones["right"], sections: number | undefined): number[] {
  if (sections === undefined) {
    const cut = base.flatMap(({ from, to }) => {
      const parts = Math.ceil((to - from) / WIDEST_CORNER - 1e-9);
      return Array.from({ length: parts }, (_, i) => (i === parts - 1 ? to : from + ((to - from) * (i + 1)) / parts));
    });
    // A layer holds so many zones and no more.
    return [0, ...(cut.length <= MOST_ZONES ? cut : base.map(({ to }) => to))];
  }
  const inner = base[0]?.corner ? base[0].to : 0;
  const outer = base.at(-1)?.corner ? base.at(-1)!.from : 1;
  const ends = (inner > 0 ? 1 : 0) + (outer < 1 ? 1 : 0);
  if (sections <= ends) return equalEdges(sections);
  const between = equalEdges(sections - ends).map((at) => inner + at * (outer - inner));
  return [...(inner > 0 ? [0] : []), ...between, ...(outer < 1 ? [1] : [])];
}

/** The longest each accent section reaches, mm; null where nothing may be worn. */
export const accentsReach = ({ zones, limits }: AccentGround, coupling: LashMap["coupling"]) =>
  longestReached(zones, togetherOf(coupling), limits);

/**
 * Accents by a look: `targetMm` for each section. Everywhere at least LEAST_ACCENT_MM over the shortest base there can be,
 * where that can be. Over a base that stays bare there are none.
 */
export function planAccents(
  ground: AccentGround,
  baseZones: Zones,
  coupling: LashMap["coupling"],
  targetMm: (side: Side, from: number, to: number) => number,
): Record<Side, Layer> {
  const { edges, zones, limits, wish } = ground;
  const least = (side: Side) =>
    zones[side].map(({ from, to }) => {
      const beneath = overlapping(baseZones[side], from, to).filter(({ choices }) => choices.length > 0);
      return beneath.length ? Math.max(...beneath.map(({ choices }) => choices[0]!.lengthMm)) : null;
    });
  const leasts = { right: least("right"), left: least("left") };
  // What is no longer than its base is no accent.
  const longer = (side: Side) =>
    zones[side].map((zone, i) => ({ ...zone, choices: zone.choices.filter(({ lengthMm }) => lengthMm > (leasts[side][i] ?? Infinity)) }));
  const plan = planLayer({ right: longer("right"), left: longer("left") }, togetherOf(coupling), limits, {
    offTarget: (side, i, mm) => mm - targetMm(side, zones[side][i]!.from, zones[side][i]!.to),
    shortMm: (side, i, mm) => Math.max(0, leasts[side][i]! + LEAST_ACCENT_MM - mm),
  });
  return layersOf("accent", edges, wish.fibre, plan.lengthsMm, wish.placing);
}

/** The zones that lie under a stretch by a good part of themselves or of it. */
function overlapping<Z extends { readonly from: number; readonly to: number }>(zones: readonly Z[], from: number, to: number): Z[] {
  return zones.filter((zone) => Math.min(zone.to, to) - Math.max(zone.from, from) >= 0.25 * Math.min(to - from, zone.to - zone.from));
}

/** The shortest accent over a zone of the base, corners' own left out, mm; null where there is none. */
export function accentOver(accents: Layer, ground: AccentGround, side: Side, from: number, to: number): number | null {
  const over = overlapping(
    ground.zones[side].map((zone, i) => ({ ...zone, mm: accents.zones[i]?.lengthMm ?? null })),
    from,
    to,
  );
  const lengths = over.flatMap(({ corner, mm }) => (corner || mm === null ? [] : [mm]));
  return lengths.length ? Math.min(...lengths) : null;
}

/** Accents without those that some of the base beneath came to be as long as: nobody sees them. */
export function longerAccents(base: Layer, accents: Layer): Layer {
  const worn = base.zones.map((zone, i) => ({ from: base.boundaries[i]!, to: base.boundaries[i + 1]!, mm: zone?.lengthMm ?? null }));
  const zones = accents.zones.map((zone, i) => {
    const beneath = overlapping(worn, accents.boundaries[i]!, accents.boundaries[i + 1]!).flatMap(({ mm }) => (mm === null ? [] : [mm]));
    return zone && beneath.length > 0 && beneath.every((mm) => zone.lengthMm > mm) ? zone : null;
  });
  return { ...accents, zones };
}

/** Short lashes beneath, on the lower row; bare where there is a single row. */
export function planUnder(survey: Survey, bases: Bases, wish: UnderWish, { coupling }: Wish, policy: Policy, trays: readonly Tray[]) {
  const even = equalEdges(wish.sections);
  const edges = { right: even, left: even };
  const stocked = stockedLengths(trays, wish.fibre);
  const zonesOf = (side: Side) => planZones(survey.eyes[side], even, wish.fibre, stocked, policy, { bareBelowRows: 1.5 });
  const over = (side: Side) => even.slice(1).map((to, i) => meanLength(bases[side], even[i]!, to));
  const means = { right: over("right"), left: over("left") };
  const zones = withoutBare({ right: zonesOf("right"), left: zonesOf("left") }, means);
  const plan = planLayer(zones, togetherOf(coupling), lineLimits(policy), {
    offTarget: (side, i, mm) => mm - (means[side][i]! - wish.belowMm),
  });
  return layersOf("under", edges, wish.fibre, plan.lengthsMm);
}

/** Over a bare base there is nothing to follow. */
function withoutBare(zones: Zones, base: Readonly<Record<Side, readonly unknown[]>>): Zones {
  const of = (side: Side) => zones[side].map((zone, i) => (base[side][i] === null ? { ...zone, choices: [] } : zone));
  return { right: of("right"), left: of("left") };
}

function layersOf(
  role: Layer["role"],
  edges: Edges,
  kind: FibreKind,
  lengthsMm: Readonly<Record<Side, readonly (number | null)[]>>,
  placing?: Layer["placing"],
): Record<Side, Layer> {
  const [right, left] = SIDES.map((side): Layer => ({
    role,
    boundaries: [...edges[side]],
    zones: lengthsMm[side].map((lengthMm) => (lengthMm === null ? null : { ...kind, lengthMm })),
    ...(placing ? { placing } : {}),
  }));
  return { right: right!, left: left! };
}

/** The lashes accents take on an eye, or none where a layer is worn by all. */
export const pickedFor = (survey: Survey, side: Side, { placing }: Pick<Layer, "placing">): readonly FieldLash[] | undefined =>
  placing ? accentLashes(survey, side, placing) : undefined;
