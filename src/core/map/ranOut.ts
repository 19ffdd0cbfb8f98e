import { SIDES, type Side } from "../eye";
import { mostCount, type Fibre } from "../lash";
import type { Policy } from "../policy";
import { setZone } from "./edit";
import type { MapFacts, PieceFacts, ZoneFacts } from "./facts";
import { fibreOnLash } from "./fibreOnLash";
import { changePiece, followsZone } from "./pieces";
import type { LashMap } from "./schema";
import { kindLabel, sameKind, stockedKinds, stockedLengths, type TrayKind } from "./stock";
import type { Tray } from "./tray";
import { judgeLoad } from "./zoneLimit";

/** What is empty: one length of a kind, or the whole tray (`lengthMm` null). */
export type Empty = { readonly kind: TrayKind; readonly lengthMm: number | null };

/** One zone's swap and what it costs at day 14; `to` null where nothing in stock may stand in and the zone goes bare. */
export type Swap = {
  readonly side: Side;
  readonly layer: number;
  readonly index: number;
  readonly from: Fibre;
  readonly to: Fibre | null;
  readonly liftMm: number;
  readonly massMg: number;
  readonly loadDay14: number;
  /** Change in the share of bonds held at day 14, −1..1. A model of this product. */
  readonly held: number;
};
export type RanOut = { readonly map: LashMap; readonly swaps: readonly Swap[]; readonly trays: readonly Tray[] };

/** The shelf once something has run out. */
export function withoutEmpty(trays: readonly Tray[], { kind, lengthMm }: Empty): Tray[] {
  return trays.map((tray) =>
    sameKind(tray, kind) ? { ...tray, lengthsMm: lengthMm === null ? [] : tray.lengthsMm.filter((mm) => mm !== lengthMm) } : tray,
  );
}

/** How much a millimetre of lift, a doubling of mass and a millimetre of contact count. A model of this product. */
const WEIGHTS = { liftMm: 1, massDoubled: 2, contactMm: 0.5 } as const;

/**
 * "I ran out": every zone of a map that wears what is empty takes the stocked fibre nearest to it by lift, mass and contact
 * that may be worn there, and step and outer drop are left to the findings. Says what each swap costs at day 14.
 */
export function ranOut(facts: MapFacts, empty: Empty): RanOut {
  const trays = withoutEmpty(facts.trays, empty);
  const swaps: Swap[] = [];
  let { map } = facts;
  const isEmpty = (fibre: Fibre) => sameKind(fibre, empty.kind) && (empty.lengthMm === null || fibre.lengthMm === empty.lengthMm);
  for (const side of SIDES)
    for (const zones of facts.layers[side])
      for (const zone of zones) {
        // The main fibre goes first: a class wears its kind.
        for (const piece of zone.pieces.filter(({ fibre }) => isEmpty(fibre))) {
          const planned = map.eyes[side].layers[zone.layer]!.zones[zone.index];
          if (!planned) continue;
          const to = nearest(zone, piece, trays, facts.policy);
          swaps.push({ side, layer: zone.layer, index: zone.index, from: piece.fibre, to, ...costOf(zone, piece, to, facts) });
          const next =
            to === null
              ? null
              : changePiece(planned, piece.ref, {
                  curl: to.curl,
                  diameterMm: to.diameterMm,
                  shape: to.shape,
                  colour: to.colour,
                  lengthMm: to.lengthMm,
                });
          map = setZone(map, side, zone.index, next, zone.layer);
        }
      }
  return { map, swaps, trays };
}

function nearest(zone: ZoneFacts, piece: PieceFacts, trays: readonly Tray[], policy: Policy): Fibre | null {
  const { natural } = zone.limit;
  const was = fibreOnLash(piece.fibre, natural, policy, trays);
  // A class of shorter lashes can only change its length.
  const kinds = followsZone(piece.ref) ? [piece.fibre] : stockedKinds(trays);
  const candidates = kinds.flatMap((kind) =>
    stockedLengths(trays, kind).map((lengthMm): Fibre => ({
      ...piece.fibre,
      curl: kind.curl,
      diameterMm: kind.diameterMm,
      shape: kind.shape,
      colour: kind.colour,
      lengthMm,
    })),
  );
  const scored = candidates
    .filter((fibre) => fibre.lengthMm <= Math.max(piece.limitMm, 0) + 1e-9)
    .filter((fibre) => judgeLoad(zone.limit.loadOf(fibre), mostCount(fibre), policy) !== "stop")
    .map((fibre) => {
      const on = fibreOnLash(fibre, natural, policy, trays);
      const off =
        (WEIGHTS.liftMm * (on.liftMm - was.liftMm)) ** 2 +
        (WEIGHTS.massDoubled * Math.log2(on.massMg / was.massMg)) ** 2 +
        (WEIGHTS.contactMm * (on.contactMm - was.contactMm)) ** 2;
      return { fibre, off };
    })
    .sort((a, b) => a.off - b.off || a.fibre.lengthMm - b.fibre.lengthMm || kindLabel(a.fibre).localeCompare(kindLabel(b.fibre)));
  return scored[0]?.fibre ?? null;
}

function costOf(zone: ZoneFacts, piece: PieceFacts, to: Fibre | null, { policy, trays }: MapFacts) {
  const was = fibreOnLash(piece.fibre, zone.limit.natural, policy, trays);
  if (!to) return { liftMm: -was.liftMm, massMg: -was.massMg, loadDay14: -piece.load.day14, held: 0 };
  const on = fibreOnLash(to, zone.limit.natural, policy, trays);
  return {
    liftMm: on.liftMm - was.liftMm,
    massMg: on.massMg - was.massMg,
    loadDay14: zone.limit.loadOf(to).day14 - piece.load.day14,
    held: on.heldAtDay14 - was.heldAtDay14,
  };
}
