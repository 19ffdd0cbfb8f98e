import { mulberry32, standardNormal } from "../units";
import { azimuthAt } from "./azimuth";
import { naturalLashAt } from "./naturalLash";
import type { Side } from "./sides";
import type { EyeSurvey, Survey } from "./survey";

/** One natural lash of an eye, as the survey makes it likely: drawn from a seed, the same every time. */
export type FieldLash = {
  readonly index: number;
  /** Place on the lash line, 0 inner .. 1 outer. */
  readonly at: number;
  /** Row it grows in, 0 the topmost. */
  readonly row: number;
  readonly rows: number;
  readonly lengthMm: number;
  readonly diameterMm: number;
  /** Growth angle above level, degrees. */
  readonly angleDeg: number;
  readonly ownCurlDeg: number;
  /** The way it leaves the lid by, degrees off straight ahead, outwards above 0: the splay there and its own lean. */
  readonly azimuthDeg: number;
  readonly baby: boolean;
  /** One more draw for whoever needs it, −0.5..0.5. */
  readonly chance: number;
};

/** A baby lash as a share of the usual length there. A drawing convention of this product. */
const BABY_LENGTH = 0.55;
const BABY_DIAMETER_MM = 0.05;
/** How far lashes that stand side by side differ in growth angle and azimuth, degrees from end to end. Models of this product. */
const TILT_DEG = 5;
const LEAN_DEG = 9;
const STEPS = 256;

/** The two eyes are never lash for lash alike: this far apart lie their seeds. */
const LEFT_SEED = 12;

/** Every natural lash of an eye of a survey, from the survey's own seed. */
export function fieldOf(survey: Survey, side: Side): readonly FieldLash[] {
  return lashField(survey.eyes[side], side === "right" ? survey.seed : survey.seed + LEFT_SEED);
}

/**
 * Every natural lash of an eye from the inner corner outwards: as many as the survey says, closer where it is dense and
 * none where it has gaps. Lengths follow the surveyed spread. What maps are drawn on and counted by.
 */
export function lashField(eye: EyeSurvey, seed: number): readonly FieldLash[] {
  const known = fields.get(eye);
  if (known?.seed === seed) return known.lashes;
  const lashes = grow(eye, seed);
  fields.set(eye, { seed, lashes });
  return lashes;
}

/** Each eye's field is asked for with every repaint; it grows once. */
const fields = new WeakMap<EyeSurvey, { seed: number; lashes: readonly FieldLash[] }>();

function grow(eye: EyeSurvey, seed: number): FieldLash[] {
  const lashAt = naturalLashAt(eye);
  const splayAt = azimuthAt(eye);
  const random = mulberry32(seed);
  // Lashes stand where the summed density passes each half number.
  const summed = [0];
  for (let i = 0; i < STEPS; i++) summed.push(summed[i]! + (lashAt((i + 0.5) / STEPS).lashesPerMm * eye.lashLineMm) / STEPS);
  const count = Math.round(summed[STEPS]!);
  const scale = summed[STEPS]! / Math.max(1, count);
  const lashes: FieldLash[] = [];
  let babies = 0.5;
  let step = 0;
  for (let index = 0; index < count; index++) {
    const wanted = (index + 0.5) * scale;
    while (step < STEPS - 1 && summed[step + 1]! < wanted) step += 1;
    const within = (wanted - summed[step]!) / (summed[step + 1]! - summed[step]!);
    const jitter = (random() - 0.5) * 0.3;
    const at = Math.min(0.992, Math.max(0.008, (step + within) / STEPS + jitter / Math.max(1, count)));
    const natural = lashAt(at);
    const [tilt, lean, chance] = [random() - 0.5, random() - 0.5, random() - 0.5];
    const normal = standardNormal(random);
    // Baby lashes come as evenly as their share says rather than in clumps.
    babies += natural.babyShare;
    const baby = babies >= 1;
    if (baby) babies -= 1;
    const usual = natural.lengthMm + Math.max(-2, Math.min(2, normal)) * natural.spreadMm;
    lashes.push({
      index,
      at,
      row: index % natural.rows,
      rows: natural.rows,
      lengthMm: Math.max(1.5, baby ? natural.lengthMm * BABY_LENGTH : usual),
      diameterMm: baby ? Math.min(BABY_DIAMETER_MM, natural.diameterMm) : natural.diameterMm,
      angleDeg: natural.angleDeg + tilt * TILT_DEG,
      ownCurlDeg: natural.ownCurlDeg,
      azimuthDeg: splayAt(at) + lean * LEAN_DEG,
      baby,
      chance,
    });
  }
  return lashes;
}
