import { blendShades, depthOf, onHair } from "./blend";
import { hairColour } from "./depth";
import { takenAfter, type ProcessPrior } from "./processing";

export type ShadeParts = { readonly productId: string; readonly parts: number };
/** Shades of one family that can be mixed today, by product id; colours as #rrggbb. */
export type ShadeShelf = ReadonlyMap<string, string>;

export type ShadeProposal = {
  readonly colours: readonly ShadeParts[];
  /** None: no shade of the shelf brings it nearer. */
  readonly reason: "same" | "darker" | "lighter" | "none";
  /** The one shade whose parts are changed; from 0 where it is new, to 0 where it is left out. */
  readonly change: { readonly productId: string; readonly from: number; readonly to: number } | null;
  /** How far the blend is moved on this hair by the model of pigments, steps of depth; darker is negative. */
  readonly movedBy: number;
};

/** Off the wish by this many steps of depth, a shade is changed. A model of this product. */
const OFF_STEPS = 1;
/** A change has to bring it nearer by this much, steps. A model of this product. */
const WORTH_STEPS = 0.25;
/** What a part more or less, and a shade not used before, weigh against coming nearer, steps: little is best changed. */
const PART_COSTS = 0.05;
const NEW_COSTS = 0.3;
const MOST_PARTS = 20;
const MOST_SHADES = 4;
const CHANGES = [-3, -2, -1, 1, 2, 3, 4, 5];

/**
 * By how many steps the same shades would come out lighter than wished, lying as long as planned now: what they did last
 * time, stretched by how much more such a product takes. Time is changed before shades are. Minutes; depths 1..10.
 */
export function stillOff(
  last: { readonly from: number; readonly came: number; readonly minutes: number },
  now: { readonly from: number; readonly wished: number; readonly minutes: number },
  prior: ProcessPrior,
): number {
  const stretch = last.minutes > 0 ? takenAfter(now.minutes, prior) / takenAfter(last.minutes, prior) : 1;
  return now.from + (last.came - last.from) * stretch - now.wished;
}

/**
 * Shades for the next time: last time's, with one of them, or one more from the shelf, given more or fewer parts so that the
 * blend on this hair moves by what they would miss the wish by. Differences between blends are trusted, not their depths:
 * how this hair takes colour stands in what came out. `off` is by how many steps they would come out lighter than wished, `fromDepth` the hair's own depth, `taken` how far the stain goes (0..1).
 */
export function proposeShade(
  last: readonly ShadeParts[],
  shelf: ShadeShelf,
  { off, fromDepth, taken }: { off: number; fromDepth: number; taken: number },
): ShadeProposal {
  const as = (reason: "same" | "none"): ShadeProposal => ({ colours: last, reason, change: null, movedBy: 0 });
  if (Math.abs(off) < OFF_STEPS) return as("same");
  const hair = hairColour(fromDepth);
  const depth = (colours: readonly ShadeParts[]) =>
    depthOf(onHair(blendShades(colours.map(({ productId, parts }) => ({ colour: shelf.get(productId)!, parts }))), hair, taken));
  const before = depth(last);
  let best: { proposal: ShadeProposal; cost: number } | null = null;
  for (const productId of shelf.keys()) {
    const from = last.find((one) => one.productId === productId)?.parts ?? 0;
    for (const by of CHANGES) {
      const to = Math.max(0, Math.min(MOST_PARTS, from + by));
      const others = last.filter((one) => one.productId !== productId);
      const colours =
        from > 0 && to > 0
          ? last.map((one) => (one.productId === productId ? { productId, parts: to } : one))
          : to > 0
            ? [...others, { productId, parts: to }]
            : others;
      if (to === from || colours.length === 0 || colours.length > MOST_SHADES) continue;
      const movedBy = depth(colours) - before;
      const missed = Math.abs(off + movedBy);
      if (missed > Math.abs(off) - WORTH_STEPS) continue;
      const cost = missed + Math.abs(to - from) * PART_COSTS + (from === 0 ? NEW_COSTS : 0);
      if (best && cost >= best.cost) continue;
      best = { cost, proposal: { colours, reason: off > 0 ? "darker" : "lighter", change: { productId, from, to }, movedBy } };
    }
  }
  return best?.proposal ?? as("none");
}
