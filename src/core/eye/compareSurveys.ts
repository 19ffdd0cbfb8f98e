import { azimuthAt } from "./azimuth";
import { naturalLashAt } from "./naturalLash";
import { naturalZone } from "./naturalZone";
import { SIDES, sideLabel, type Side } from "./sides";
import type { EyeSurvey, Survey } from "./survey";

/** One thing that changed between two surveys, or differs between two eyes, in words. */
export type SurveyDifference = { readonly what: string; readonly before: string; readonly after: string };

const THIRDS = [
  { name: "inner", from: 0, to: 1 / 3 },
  { name: "middle", from: 1 / 3, to: 2 / 3 },
  { name: "outer", from: 2 / 3, to: 1 },
] as const;
/** Less than this is the ruler, not the lash. A model of this product. */
const TELLS_MM = 0.3;
const TELLS_LINE_MM = 0.5;
const TELLS_SHARE = 0.08;

const mm = (value: number) => `${value.toFixed(1)} mm`;
/** "12° out", off straight ahead. */
const degreesOff = (deg: number) => `${Math.abs(Math.round(deg))}° ${deg < 0 ? "in" : "out"}`;
const percent = (share: number) => `${Math.round(share * 100)} %`;

function between(name: string, before: EyeSurvey, after: EyeSurvey): SurveyDifference[] {
  const differences: SurveyDifference[] = [];
  if (Math.abs(before.lashLineMm - after.lashLineMm) >= TELLS_LINE_MM)
    differences.push({ what: `${name}, lash line`, before: mm(before.lashLineMm), after: mm(after.lashLineMm) });
  for (const { name: third, from, to } of THIRDS) {
    const [a, b] = [naturalZone(before, from, to), naturalZone(after, from, to)];
    if (Math.abs(a.meanMm - b.meanMm) >= TELLS_MM)
      differences.push({ what: `${name}, ${third}, length`, before: mm(a.meanMm), after: mm(b.meanMm) });
    if (Math.abs(a.babyShare - b.babyShare) >= TELLS_SHARE)
      differences.push({ what: `${name}, ${third}, baby lashes`, before: percent(a.babyShare), after: percent(b.babyShare) });
    const [usual, now] = [a.allLashes, b.allLashes];
    if (Math.abs(usual - now) / Math.max(1, usual) >= TELLS_SHARE && Math.abs(usual - now) >= 3)
      differences.push({ what: `${name}, ${third}, lashes`, before: String(usual), after: String(now) });
    const angle = (eye: EyeSurvey) => naturalLashAt(eye)((from + to) / 2).angleDeg;
    if (Math.abs(angle(before) - angle(after)) >= 10)
      differences.push({
        what: `${name}, ${third}, growth angle`,
        before: `${Math.round(angle(before))}°`,
        after: `${Math.round(angle(after))}°`,
      });
    const splay = (eye: EyeSurvey) => azimuthAt(eye)((from + to) / 2);
    if (Math.abs(splay(before) - splay(after)) >= 10)
      differences.push({ what: `${name}, ${third}, splay`, before: degreesOff(splay(before)), after: degreesOff(splay(after)) });
  }
  return differences;
}

/** What is other than at the last survey, past what a ruler may be off by; empty where nothing is. */
export function compareSurveys(before: Survey, after: Survey): SurveyDifference[] {
  return SIDES.flatMap((side) => between(sideLabel(side), before.eyes[side], after.eyes[side]));
}

/** In what the two eyes of one survey differ: `before` is the right, `after` the left. */
export function eyesApart({ eyes }: Survey): SurveyDifference[] {
  return between("eyes", eyes.right, eyes.left).map((difference) => ({ ...difference, what: difference.what.replace("eyes, ", "") }));
}

/** The eye of the two whose lashes are shorter overall, or null where none is. */
export function shorterEye({ eyes }: Survey): Side | null {
  const mean = (side: Side) => naturalZone(eyes[side], 0, 1).meanMm;
  const apart = mean("right") - mean("left");
  return Math.abs(apart) < TELLS_MM ? null : apart > 0 ? "left" : "right";
}
