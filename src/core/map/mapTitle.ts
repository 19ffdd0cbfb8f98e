import { countLabel, mostCount } from "../lash";
import { LOOKS } from "./looks";
import type { LashMap } from "./schema";
import { kindLabel } from "./stock";

/** What a map is called until someone gives it a name of their own. `"wispy cat, 4D M 0.07"` */
export function mapTitle({ look, fibre, accents, hybrid }: Pick<LashMap, "look" | "fibre" | "accents" | "hybrid">): string {
  const wet = fibre.opening === "closed" && mostCount(fibre) > 1;
  const texture = wet ? "wet " : accents ? "wispy " : "";
  const placed = mostCount(fibre) === 1 ? "" : `${countLabel(fibre)} `;
  return `${texture}${LOOKS[look].label}, ${placed}${kindLabel(fibre)}${hybrid ? ", hybrid" : ""}`;
}
