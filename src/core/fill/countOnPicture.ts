import type { FoundZone } from "./work";
import { curveThrough, fractionNearest, type PictureMarks } from "../measure";

/** What of one zone was marked on a picture. Twisted and outgrown are null where none of the picture was marked so: nobody looked. */
export type CountedOnPicture<Zone> = {
  readonly zone: Zone;
  readonly left: number;
  readonly twisted: number | null;
  readonly outgrown: number | null;
};

/**
 * What is left of the zones of one layer of an eye, from marks on a picture of it closed: each mark belongs to the zone whose
 * stretch of the marked lash line lies nearest. Null while the line has no two points.
 */
export function countOnPicture<Zone extends FoundZone & { readonly from: number; readonly to: number }>(
  { line, left }: Pick<PictureMarks, "line" | "left">,
  zones: readonly Zone[],
): CountedOnPicture<Zone>[] | null {
  if (line.length < 2) return null;
  const curve = curveThrough(line);
  const own = left.filter(({ layer }) => zones.some((zone) => zone.layer === layer));
  const marks = own.map(({ at, is }) => ({ is, along: fractionNearest(curve, at) }));
  const looked = (kind: "twisted" | "outgrown") => own.some(({ is }) => is === kind);
  return zones.map((zone) => {
    const here = marks.filter(({ along }) => nearestZone(zones, along) === zone);
    const marked = (kind: "twisted" | "outgrown") => (looked(kind) ? here.filter(({ is }) => is === kind).length : null);
    return { zone, left: here.length, twisted: marked("twisted"), outgrown: marked("outgrown") };
  });
}

/** The zone a place lies in, or lies nearest to: layers may leave stretches out. */
function nearestZone<Zone extends { readonly from: number; readonly to: number }>(zones: readonly Zone[], along: number): Zone | undefined {
  const off = ({ from, to }: Zone) => Math.max(0, from - along, along - to);
  return zones.reduce<Zone | undefined>((best, zone) => (best && off(best) <= off(zone) ? best : zone), undefined);
}
