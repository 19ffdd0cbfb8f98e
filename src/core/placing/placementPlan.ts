import { SIDES, WIDEST_CORNER, type Side, type Survey } from "../eye";
import { mostCount, type Fibre } from "../lash";
import { placements, zonePieces, type LashMap, type Layer } from "../map";
import { spotKey, type Spot, type Targets } from "./work";

/** One fibre of one zone with the natural lashes it is planned on. */
export type PlannedSpot = Spot & {
  readonly role: Layer["role"];
  readonly fibre: Fibre;
  readonly isFan: boolean;
  readonly planned: number;
  /** Places of its lashes in the eye's line of worn lashes, in the order they are taken: every other one, then the gaps. */
  readonly slots: readonly number[];
  /** The zone on the lash line, 0 inner .. 1 outer. */
  readonly from: number;
  readonly to: number;
  /** Lies wholly in the inner or the outer corner. */
  readonly isCorner: boolean;
};

/** Must its direction hold while it sets? So it is with a single, and with a closed fan, a spike. Common practice. */
export const isDirected = ({ isFan, fibre }: Pick<PlannedSpot, "isFan" | "fibre">): boolean => !isFan || fibre.opening === "closed";

/** Everything a set puts on: spots in the order of eye, layer and zone. */
export type PlacementPlan = {
  readonly spots: readonly PlannedSpot[];
  /** Worn lashes an eye has, in line. */
  readonly worn: Readonly<Record<Side, number>>;
};

/** A spot's lashes are found by this, and by no object of its own. */
const keyOf = (layer: number, zone: number, piece: number) => (layer * 64 + zone) * 16 + piece;

/** What a map puts on the lashes of a survey, counted by eye, layer, zone and fibre, the same lashes that are drawn. */
export function placementPlan(map: LashMap, survey: Survey): PlacementPlan {
  const worn = { right: 0, left: 0 };
  const spots = SIDES.flatMap((side) => {
    const { layers } = map.eyes[side];
    const found = new Map<number, { layer: number; zone: number; piece: number; fibre: Fibre; line: number[] }>();
    for (const { worn: wears } of placements(map, survey, side)) {
      if (!wears) continue;
      const place = worn[side]++;
      const piece = pieceOf(layers[wears.layer]!, wears.zone, wears.fibre);
      const key = keyOf(wears.layer, wears.zone, piece);
      const known = found.get(key);
      if (known) known.line.push(place);
      else found.set(key, { layer: wears.layer, zone: wears.zone, piece, fibre: wears.fibre, line: [place] });
    }
    return [...found.values()]
      .sort((a, b) => a.layer - b.layer || a.zone - b.zone || a.piece - b.piece)
      .map((one): PlannedSpot => {
        const { role, boundaries } = layers[one.layer]!;
        const [from, to] = [boundaries[one.zone]!, boundaries[one.zone + 1]!];
        return {
          side,
          layer: one.layer,
          zone: one.zone + 1,
          piece: one.piece,
          role,
          fibre: one.fibre,
          isFan: mostCount(one.fibre) > 1,
          planned: one.line.length,
          slots: everyOther(one.line),
          from,
          to,
          isCorner: to <= WIDEST_CORNER || from >= 1 - WIDEST_CORNER,
        };
      });
  });
  return { spots, worn };
}

/** The plan with what its spots are to end with instead, never less than nothing and never more than there are lashes. */
export function withTargets(plan: PlacementPlan, targets: Targets | null): PlacementPlan {
  if (!targets) return plan;
  const wanted = new Map(targets.spots.map((spot) => [spotKey(spot), spot.planned]));
  return {
    ...plan,
    spots: plan.spots.map((spot) => ({ ...spot, planned: Math.min(spot.planned, wanted.get(spotKey(spot)) ?? spot.planned) })),
  };
}

/** Which of a zone's fibres one is: 0 its own, then as `zonePieces` counts them. */
function pieceOf({ zones }: Layer, zone: number, fibre: Fibre): number {
  const pieces = zonePieces(zones[zone]!);
  const is = (one: Fibre) =>
    one.lengthMm === fibre.lengthMm &&
    one.diameterMm === fibre.diameterMm &&
    mostCount(one) === mostCount(fibre) &&
    one.curl === fibre.curl;
  return Math.max(
    0,
    pieces.findIndex((piece) => is(piece.fibre)),
  );
}

/** Places of a line so that neighbours come as late as can be: each that has none taken beside it, then those between. */
export function everyOther(line: readonly number[]): number[] {
  const first: number[] = [];
  const then: number[] = [];
  for (const place of line) (first.length > 0 && place - first.at(-1)! < 2 ? then : first).push(place);
  return [...first, ...then];
}
