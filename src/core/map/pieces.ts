import type { Fibre } from "../lash";
import type { ZoneFibre } from "./schema";

/** What part of a zone is meant: its own fibre, that of a class of shorter lashes, or what is mixed in. */
export type PieceRef = "main" | "hybrid" | number;

/** One fibre of a zone with the natural lashes that wear it: those past `fromMm` up to `toMm`. */
export type Piece = { readonly ref: PieceRef; readonly fibre: Fibre; readonly fromMm: number; readonly toMm: number };

/** Everything a zone wears, its own fibre first. A plain zone is one piece on all its lashes. */
export function zonePieces(zone: ZoneFibre): Piece[] {
  const { classes = [], hybrid, ...fibre } = zone;
  const last = classes.at(-1)?.upToMm ?? 0;
  return [
    { ref: "main", fibre, fromMm: last, toMm: Infinity },
    ...classes.map(({ upToMm, lengthMm }, i): Piece => ({
      ref: i,
      fibre: { ...fibre, lengthMm },
      fromMm: classes[i - 1]?.upToMm ?? 0,
      toMm: upToMm,
    })),
    ...(hybrid ? [{ ref: "hybrid" as const, fibre: hybrid.fibre, fromMm: 0, toMm: Infinity }] : []),
  ];
}

/** The zone with one of its pieces changed. */
export function changePiece(zone: ZoneFibre, ref: PieceRef, change: Partial<Fibre>): ZoneFibre {
  if (ref === "main") return { ...zone, ...change };
  if (ref === "hybrid") return zone.hybrid ? { ...zone, hybrid: { ...zone.hybrid, fibre: { ...zone.hybrid.fibre, ...change } } } : zone;
  // A class wears the zone's own fibre; only its length is its own.
  const { lengthMm, ...kind } = change;
  const classes = zone.classes?.map((c, i) => (i === ref && lengthMm !== undefined ? { ...c, lengthMm } : c));
  return { ...zone, ...kind, ...(classes ? { classes } : {}) };
}
