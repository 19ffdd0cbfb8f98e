import { SIDES, type Side, type Survey } from "../eye";
import type { Policy } from "../policy";
import { baseIndex } from "./layers";
import { mapPolicy } from "./mapPolicy";
import { zonePieces, type Piece } from "./pieces";
import { pickedFor } from "./planLayers";
import { traysFor } from "./practice";
import type { Layer, LashMap, ZoneFibre } from "./schema";
import { stockedLengths } from "./stock";
import type { Tray } from "./tray";
import { zoneLimit, type Load, type ZoneLimit } from "./zoneLimit";

/** Everything a rule may look at. */
export type MapContext = { readonly survey: Survey; readonly policy: Policy; readonly trays: readonly Tray[] };

/** One fibre of a zone with the limits of the very lashes that wear it. */
export type PieceFacts = Piece & {
  readonly shorterMm: number;
  readonly usualMm: number;
  readonly overLengthLimitMm: number;
  readonly limitMm: number;
  /** Share of the zone's lashes that are long enough and short enough for it, 0..1. */
  readonly share: number;
  readonly load: Load;
  /** Lengths in stock for it, mm ascending. */
  readonly stockedMm: readonly number[];
};

/** One zone of a layer with what is known of it. */
export type ZoneFacts = {
  readonly side: Side;
  /** Which of the eye's layers. */
  readonly layer: number;
  readonly role: Layer["role"];
  readonly index: number;
  readonly from: number;
  readonly to: number;
  readonly fibre: ZoneFibre | null;
  readonly limit: ZoneLimit;
  readonly pieces: readonly PieceFacts[];
  /** Lengths in stock for its fibre (for the map's fibre where it is bare), mm ascending. */
  readonly stockedMm: readonly number[];
};

export type MapFacts = MapContext & {
  readonly map: LashMap;
  /** Every layer's zones, inner corner first, in the order of the map's layers. */
  readonly layers: Readonly<Record<Side, readonly (readonly ZoneFacts[])[]>>;
  /** Those of the base layer. */
  readonly zones: Readonly<Record<Side, readonly ZoneFacts[]>>;
};

/** Every zone of a map with its limits: reckoned once, read by every rule and view. The policy is the map's own. */
export function mapFacts(map: LashMap, context: MapContext): MapFacts {
  const policy = mapPolicy(context.policy, map);
  const ownContext = { ...context, policy, trays: traysFor(context.trays, context.survey) };
  const layersOf = (side: Side) => map.eyes[side].layers.map((layer, index) => layerFacts(map, side, index, layer, ownContext));
  const layers = { right: layersOf("right"), left: layersOf("left") };
  const [right, left] = SIDES.map((side) => layers[side][baseIndex(map, side)]!);
  return { ...ownContext, map, layers, zones: { right: right!, left: left! } };
}

function layerFacts(map: LashMap, side: Side, index: number, layer: Layer, context: MapContext): readonly ZoneFacts[] {
  const kept = known.get(layer);
  const eye = context.survey.eyes[side];
  if (
    kept &&
    kept.side === side &&
    kept.index === index &&
    kept.eye === eye &&
    kept.policy === context.policy &&
    kept.trays === context.trays
  )
    return kept.facts;
  const kind = layer.role === "accent" ? map.accents?.fibre : layer.role === "under" ? map.under?.fibre : undefined;
  const last = layer.zones.length - 1;
  const picked = pickedFor(context.survey, side, layer);
  const facts = layer.zones.map((fibre, i): ZoneFacts => {
    const edges = { from: layer.boundaries[i]!, to: layer.boundaries[i + 1]!, first: i === 0, last: i === last };
    const limit = zoneLimit(eye, edges, context.policy, picked);
    const before = fibre ? zoneFacts.get(fibre) : undefined;
    // A limit stands for its eye, edges, policy and placing: the same limit under the same fibre is the same zone.
    if (before?.limit === limit && before.side === side && before.layer === index && before.index === i && before.trays === context.trays)
      return before.facts;
    const pieces = fibre ? zonePieces(fibre).map((piece) => pieceFacts(piece, limit, context.trays)) : [];
    const made: ZoneFacts = {
      side,
      layer: index,
      role: layer.role,
      index: i,
      from: edges.from,
      to: edges.to,
      fibre,
      limit,
      pieces,
      stockedMm: pieces[0]?.stockedMm ?? stockedLengths(context.trays, kind ?? map.fibre),
    };
    if (fibre) zoneFacts.set(fibre, { limit, side, layer: index, index: i, trays: context.trays, facts: made });
    return made;
  });
  known.set(layer, { side, index, eye, policy: context.policy, trays: context.trays, facts });
  return facts;
}

const pieceFacts = (piece: Piece, limit: ZoneLimit, trays: readonly Tray[]): PieceFacts => ({
  ...piece,
  ...limit.among(piece.fromMm, piece.toMm),
  load: limit.loadOf(piece.fibre),
  stockedMm: stockedLengths(trays, piece.fibre),
});

/** A zone that was not touched keeps its facts, and with them what the rules found of it. */
const zoneFacts = new WeakMap<
  ZoneFibre,
  { limit: ZoneLimit; side: Side; layer: number; index: number; trays: readonly Tray[]; facts: ZoneFacts }
>();

/** A layer that was not touched keeps its facts, so that a drag reckons one layer and not six. */
const known = new WeakMap<
  Layer,
  { side: Side; index: number; eye: unknown; policy: Policy; trays: readonly Tray[]; facts: readonly ZoneFacts[] }
>();
