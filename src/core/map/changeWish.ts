import type { Policy } from "../policy";
import type { MapWish } from "./planGround";
import { accentOffset } from "./texture";

/**
 * A wish with a change to it, and what follows from that: accents over a flat base stand no further over it than such a
 * curl wants, and go back to the studio's own with a round one; accents of the base's curl change with it.
 */
export function changeWish(wish: MapWish, change: Partial<MapWish>, policy: Policy): MapWish {
  const next = { ...wish, ...change };
  const { accents } = next;
  if (!accents || change.accents || !change.fibre || change.fibre.curl === wish.fibre.curl) return next;
  const wasUsual = accents.offsetMm === accentOffset(wish.fibre, policy);
  const offsetMm = wasUsual ? accentOffset(next.fibre, policy) : Math.min(accents.offsetMm, flatMost(next, policy, accents.offsetMm));
  const fibre = accents.fibre.curl === wish.fibre.curl ? { ...accents.fibre, curl: next.fibre.curl } : accents.fibre;
  return { ...next, accents: { ...accents, offsetMm, fibre } };
}

const flatMost = ({ fibre }: MapWish, policy: Policy, own: number) =>
  fibre.curl === "L" || fibre.curl === "M" ? accentOffset(fibre, policy) : own;
