import type { Side, Survey } from "../eye";
import type { Policy } from "../policy";
import { zoneIndexAt } from "./layers";
import { planLayer, type PlanZone } from "./planLayer";
import type { LineLimits } from "./planLine";
import { planZones } from "./planZones";
import type { AccentWish, FibreKind, Layer, LashMap, UnderWish } from "./schema";
import { equalEdges } from "./schools/equal";
import { stockedLengths } from "./stock";
import type { Tray } from "./tray";

type Bases = Readonly<Record<Side, Layer>>;
type Wish = Pick<LashMap, "coupling">;

/** Mean length of a layer over a stretch, bare zones left out, mm; null where all of it is bare. */
function meanLength(layer: Layer, from: number, to: number): number | null {
  const samples = 24;
  const zones = Array.from({ length: samples }, (_, i) => layer.zones[zoneIndexAt(layer, from + ((i + 0.5) / samples) * (to - from))]);
  const worn = zones.filter((zone) => zone != null);
  return worn.length ? worn.reduce((sum, zone) => sum + zone.lengthMm, 0) / worn.length : null;
}

/** Plans a layer that follows the base at a distance: above it for accents, below it for the under layer. */
function follow(
  survey: Survey,
  bases: Bases,
  wish: Wish,
  policy: Policy,
  trays: readonly Tray[],
  layer: {
    readonly role: "accent" | "under";
    readonly sections: number;
    readonly kind: FibreKind;
    readonly offsetMm: number;
    readonly placing?: Layer["placing"];
    readonly bareBelowRows?: number;
  },
): Record<Side, Layer> {
  const edges = equalEdges(layer.sections);
  const stocked = stockedLengths(trays, layer.kind);
  const target = (side: Side) =>
    edges.slice(1).map((to, i) => {
      const mean = meanLength(bases[side], edges[i]!, to);
      return mean === null ? null : mean + layer.offsetMm;
    });
  const targets = { right: target("right"), left: target("left") };
  const zonesOf = (side: Side): PlanZone[] =>
    planZones(survey.eyes[side], edges, layer.kind, stocked, policy, { placing: layer.placing, bareBelowRows: layer.bareBelowRows }).map(
      (zone, i) => {
        // Over a bare base there is nothing to follow. Where step and drop cannot hold they give way, never length or load.
        const allowed = targets[side][i] === null ? [] : zone.allowed;
        return { ...zone, allowed, broken: allowed.map((lengthMm) => ({ lengthMm, by: 0 })) };
      },
    );
  const zones = { right: zonesOf("right"), left: zonesOf("left") };
  const limits: LineLimits = { stepMm: policy.stepMm, outerDropMm: policy.outerDropMm };
  const off = (side: Side, i: number, mm: number) => mm - targets[side][i]!;
  const coupling = wish.coupling === "mirrored" ? "mirrored" : "each";
  const plan = planLayer(zones, off, coupling, limits) ?? planLayer(zones, off, coupling, { ...limits, soft: true })!;
  const made = (side: Side): Layer => ({
    role: layer.role,
    boundaries: edges,
    zones: plan.lengthsMm[side].map((lengthMm) => (lengthMm === null ? null : { ...layer.kind, lengthMm })),
    ...(layer.placing ? { placing: layer.placing } : {}),
  });
  return { right: made("right"), left: made("left") };
}

/** Accents over a base: their own sections, longer by the offset where the lashes they are set on allow it. */
export function planAccents(survey: Survey, bases: Bases, accents: AccentWish, wish: Wish, policy: Policy, trays: readonly Tray[]) {
  const { offsetMm, sections, placing, fibre } = accents;
  return follow(survey, bases, wish, policy, trays, { role: "accent", sections, kind: fibre, offsetMm, placing });
}

/** Short lashes beneath, on the lower row; bare where there is a single row. */
export function planUnder(survey: Survey, bases: Bases, under: UnderWish, wish: Wish, policy: Policy, trays: readonly Tray[]) {
  const { belowMm, sections, fibre } = under;
  return follow(survey, bases, wish, policy, trays, { role: "under", sections, kind: fibre, offsetMm: -belowMm, bareBelowRows: 1.5 });
}
