import type { Policy } from "../policy";
import type { KeptWhole } from "./replan";

/**
 * What of the time left is not placed in: each new bead with its brush-through and look at the eyes, the last check for
 * stickies, and from the last lash until the eyes may open. `bead` is the one in use; null where none is.
 */
export function keptWhole(
  { stickyCheckMinutes, beadChangeSeconds }: Pick<Policy, "stickyCheckMinutes" | "beadChangeSeconds">,
  bead: { readonly lifeS: number; readonly leftS: number } | null,
  usualBeadLifeS: number,
  eyesS: number,
): KeptWhole {
  return {
    // Stickies are looked for while the glue cures: the longer of the two is what it takes.
    endS: Math.max(stickyCheckMinutes * 60, eyesS),
    changeS: beadChangeSeconds,
    beadLifeS: bead?.lifeS ?? usualBeadLifeS,
    beadLeftS: Math.max(0, bead?.leftS ?? 0),
  };
}
