import type { Fibre } from "../lash";
import type { ZoneFibre } from "./schema";

/** What part of a zone is meant: its own fibre, that of a class of shorter lashes, the short ones spread through, or what is mixed in. */
export type PieceRef = "main" | "hybrid" | "support" | number;

/** One fibre of a zone with the natural lashes that wear it: those past `fromMm` up to `toMm`. */
export type Piece = { readonly ref: PieceRef; readonly fibre: Fibre; readonly fromMm: number; readonly toMm: number };

/** Everything a zone wears, its own fibre first. A plain zone is one piece on all its lashes; a class left bare is none. */
export function zonePieces(zone: ZoneFibre): Piece[] {
  const { classes = [], hybrid, support, ...fibre } = zone;
  const last = classes.at(-1)?.upToMm ?? 0;
  return [
    { ref: "main", fibre, fromMm: last, toMm: Infinity },
    ...classes.flatMap(({ upToMm, lengthMm }, i): Piece[] =>
      lengthMm === null ? [] : [{ ref: i, fibre: { ...fibre, lengthMm }, fromMm: classes[i - 1]?.upToMm ?? 0, toMm: upToMm }],
    ),
    ...(support
      ? [{ ref: "support" as const, fibre: { ...fibre, lengthMm: support.lengthMm }, fromMm: classes[0]?.upToMm ?? 0, toMm: Infinity }]
      : []),
    ...(hybrid ? [{ ref: "hybrid" as const, fibre: hybrid.fibre, fromMm: 0, toMm: Infinity }] : []),
  ];
}

/** Does a piece wear its zone's own kind of fibre, so that only its length can be its own? */
export const followsZone = (ref: PieceRef): boolean => typeof ref === "number" || ref === "support";

/** The zone with one of its pieces changed. */
export function changePiece(zone: ZoneFibre, ref: PieceRef, change: Partial<Fibre>): ZoneFibre {
  if (ref === "main") return { ...zone, ...change };
  if (ref === "hybrid") return zone.hybrid ? { ...zone, hybrid: { ...zone.hybrid, fibre: { ...zone.hybrid.fibre, ...change } } } : zone;
  const { lengthMm, ...kind } = change;
  if (lengthMm === undefined) return { ...zone, ...kind };
  if (ref === "support") return { ...zone, ...kind, ...(zone.support ? { support: { ...zone.support, lengthMm } } : {}) };
  const classes = zone.classes?.map((c, i) => (i === ref ? { ...c, lengthMm } : c));
  return { ...zone, ...kind, ...(classes ? { classes } : {}) };
}
