import type { EyeShape, Landmarks } from "../eye";
import { radToDeg } from "../units";
import { curveThrough, lengthOf, type Mm } from "./curveThrough";
import type { MarkedPlace, PictureMarks } from "./marks";
import { picturePlane } from "./picturePlane";

export type MeasuredOpen = {
  /** Upper lid from corner to corner as seen from the front, mm; the closed eye measures it better. */
  readonly lidMm: number;
  readonly landmarks: Landmarks;
  readonly openingMm: number | null;
  /** Outer corner above the inner, degrees. */
  readonly outerRiseDeg: number;
  /** What the outline suggests; lids and folds a person must judge. */
  readonly shape: Extract<EyeShape, "almond" | "round" | "downturned" | "upturned">;
};

const NEEDED: readonly MarkedPlace[] = ["innerCorner", "outerCorner", "irisInner", "pupil", "irisOuter", "browPeak"];
export const PLACE_WORDS: Readonly<Record<MarkedPlace, string>> = {
  innerCorner: "inner corner",
  outerCorner: "outer corner",
  irisInner: "inner iris edge",
  pupil: "pupil",
  irisOuter: "outer iris edge",
  browPeak: "brow peak",
  lowerLid: "lower lid",
};

/** Outlines past these read as a shape of their own. Models of this product. */
const ROUND_FROM = 0.4;
const UPTURNED_FROM_DEG = 7;
const DOWNTURNED_FROM_DEG = -2;

/**
 * Landmarks and outline from an open-eye picture taken from the front. Each landmark is carried straight up (square to the
 * line between the corners) onto the upper lid and given as a fraction of the lid's length. Words where marks are missing
 * or out of order.
 */
export function measureOpen(marks: PictureMarks): MeasuredOpen | { readonly problem: string } {
  if (!marks.scale) return { problem: "Mark the scale first: two taps on a length you know." };
  const plane = picturePlane(marks.scale, marks.across);
  if ("problem" in plane) return plane;
  const missing = NEEDED.filter((place) => !marks.places[place]);
  if (missing.length) return { problem: `Still to mark: ${missing.map((place) => PLACE_WORDS[place]).join(", ")}.` };
  const at = (place: MarkedPlace) => plane.toMm(marks.places[place]!);
  const [inner, outer] = [at("innerCorner"), at("outerCorner")];
  const widthMm = Math.hypot(outer[0] - inner[0], outer[1] - inner[1]);
  if (widthMm < 5) return { problem: "The two corners lie on each other." };
  const axis: Mm = [(outer[0] - inner[0]) / widthMm, (outer[1] - inner[1]) / widthMm];
  /** Along the line between the corners from the inner one, and off it, mm. */
  const inEyeFrame = ([x, y]: Mm): Mm => [
    (x - inner[0]) * axis[0] + (y - inner[1]) * axis[1],
    -(x - inner[0]) * axis[1] + (y - inner[1]) * axis[0],
  ];
  const lid = curveThrough([inner, ...marks.line.map(plane.toMm), outer]).map(inEyeFrame);
  const lidMm = lengthOf(lid);
  const fraction = (place: MarkedPlace) => {
    const [along] = inEyeFrame(at(place));
    let passed = 0;
    for (let i = 1; i < lid.length; i++) {
      const [[x1, y1], [x2, y2]] = [lid[i - 1]!, lid[i]!];
      if (x2 >= along) return (passed + Math.hypot(x2 - x1, y2 - y1) * Math.max(0, (along - x1) / (x2 - x1 || 1))) / lidMm;
      passed += Math.hypot(x2 - x1, y2 - y1);
    }
    return 1;
  };
  const landmarks = {
    irisInner: fraction("irisInner"),
    pupil: fraction("pupil"),
    irisOuter: fraction("irisOuter"),
    browPeak: fraction("browPeak"),
  };
  if (!(landmarks.irisInner < landmarks.pupil && landmarks.pupil < landmarks.irisOuter && landmarks.pupil < landmarks.browPeak))
    return {
      problem:
        "The marks cross: from the inner corner outwards come inner iris edge, pupil, outer iris edge, and the brow peak past the pupil.",
    };
  const lower = marks.places.lowerLid ? inEyeFrame(at("lowerLid"))[1] : null;
  const heights = lid.map(([, y]) => y);
  const upper = Math.abs(Math.min(...heights)) > Math.abs(Math.max(...heights)) ? Math.min(...heights) : Math.max(...heights);
  const openingMm = lower === null ? null : Math.abs(lower - upper);
  // The scale lies level with the face: how far the corners' line is turned against it is the rise of the outer corner.
  const rise = radToDeg(Math.atan2(inner[1] - outer[1], Math.abs(outer[0] - inner[0])));
  const shape =
    rise >= UPTURNED_FROM_DEG
      ? "upturned"
      : rise <= DOWNTURNED_FROM_DEG
        ? "downturned"
        : openingMm !== null && openingMm / widthMm >= ROUND_FROM
          ? "round"
          : "almond";
  return { lidMm, landmarks, openingMm, outerRiseDeg: rise, shape };
}
