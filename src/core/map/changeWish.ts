import type { Policy } from "../policy";
import type { MapWish } from "./planGround";
import { accentOffset, isFlatBase } from "./texture";

/**
 * A wish with a change to it, and what follows from that: accents over a flat base stand no further over it than such a
 * curl wants, and go back to the studio's own with a round one; accents of the base's curl change with it.
 */
export function changeWish(wish: MapWish, change: Partial<MapWish>, policy: Policy): MapWish {
  const next = { ...wish, ...change };
  const { accents } = next;
  if (!accents || change.accents || !change.fibre || change.fibre.curl === wish.fibre.curl) return next;
  const [was, usual] = [accentOffset(wish.fibre, policy), accentOffset(next.fibre, policy)];
  const offsetMm = accents.offsetMm === was ? usual : isFlatBase(next.fibre) ? Math.min(accents.offsetMm, usual) : accents.offsetMm;
  const fibre = accents.fibre.curl === wish.fibre.curl ? { ...accents.fibre, curl: next.fibre.curl } : accents.fibre;
  return { ...next, accents: { ...accents, offsetMm, fibre } };
}
