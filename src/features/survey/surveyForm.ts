import { MOST_PLACES, quickPositions, type EyeSurvey, type Side, type Survey } from "@/core/eye";
import { readNumber } from "@/ui/readNumber";

export const PLACES = ["inner", "middle", "outer"] as const;
export const LANDMARKS = [
  { key: "irisInner", label: "Iris, inner edge" },
  { key: "pupil", label: "Pupil" },
  { key: "irisOuter", label: "Iris, outer edge" },
  { key: "browPeak", label: "Brow peak" },
] as const;
/** What of a client's colours may be noted. */
export type ColourKey = keyof NonNullable<Survey["colours"]>;
type LandmarkKey = (typeof LANDMARKS)[number]["key"];
type Point = EyeSurvey["points"][number];

/** One place as typed. Lengths in mm, shares in per cent, all text until it is read. */
export type PlaceForm = {
  /** Millimetres from the inner corner; the quick form has places of its own. */
  readonly at: string;
  readonly length: string;
  readonly spread: string;
  readonly baby: string;
  readonly gaps: string;
  readonly rows: string;
  readonly diameter: Point["diameter"];
  readonly density: Point["density"];
  readonly direction: Point["direction"];
  readonly ownCurl: Point["ownCurl"];
  readonly twist: Point["twist"];
  /** Degrees off straight ahead as text, empty where nobody looked. */
  readonly splay: string;
};

/** The form as typed: numbers are text until they are read, so that nothing typed is lost. Lengths in mm. */
export type EyeForm = {
  readonly lashLine: string;
  readonly shape: EyeSurvey["shape"];
  readonly landmarks: Readonly<Record<LandmarkKey, string>>;
  readonly places: readonly PlaceForm[];
};
export type SurveyForm = {
  /** Three places, or as many as are looked at. */
  readonly mode: "quick" | "full";
  readonly spacing: Survey["spacing"];
  readonly oilyLids: boolean;
  readonly serum: boolean;
  readonly sleepsOn: Survey["sleepsOn"];
  readonly washes: string;
  /** Colours of iris, hair and skin, empty where not noted. */
  readonly colours: Readonly<Record<ColourKey, string>>;
  /** Whoever takes it says the lashes are as they stand. */
  readonly measured: boolean;
  /** Of a mannequin head. */
  readonly mannequin: boolean;
  /** Of the lashes as they are drawn; carried on from the last survey. */
  readonly seed: number;
  readonly eyes: Readonly<Record<Side, EyeForm>>;
};

const show = (value: number) => String(Math.round(value * 10) / 10);
const isQuick = (eye: EyeSurvey) =>
  eye.points.length === quickPositions.length && eye.points.every((point, i) => Math.abs(point.at - quickPositions[i]!) < 1e-6);

export const placeForm = (point: Point, lashLineMm: number): PlaceForm => ({
  at: show(point.at * lashLineMm),
  length: show(point.lengthMm),
  spread: show(point.spreadMm),
  baby: String(Math.round(point.babyShare * 100)),
  gaps: String(Math.round(point.gapShare * 100)),
  rows: String(point.rows),
  diameter: point.diameter,
  density: point.density,
  direction: point.direction,
  ownCurl: point.ownCurl,
  twist: point.twist,
  splay: point.splayDeg === undefined ? "" : String(point.splayDeg),
});

/** The form of a survey: the quick one where it has just its three places, the full one for any other. */
export function formOf(survey: Survey): SurveyForm {
  const eyeForm = (eye: EyeSurvey): EyeForm => ({
    lashLine: show(eye.lashLineMm),
    shape: eye.shape,
    landmarks: Object.fromEntries(LANDMARKS.map(({ key }) => [key, show(eye.landmarks[key] * eye.lashLineMm)])) as EyeForm["landmarks"],
    places: eye.points.map((point) => placeForm(point, eye.lashLineMm)),
  });
  return {
    mode: isQuick(survey.eyes.right) && isQuick(survey.eyes.left) ? "quick" : "full",
    spacing: survey.spacing,
    oilyLids: survey.oilyLids,
    serum: survey.serum,
    sleepsOn: survey.sleepsOn,
    colours: { iris: survey.colours?.iris ?? "", hair: survey.colours?.hair ?? "", skin: survey.colours?.skin ?? "" },
    washes: survey.washesPerWeek === null ? "" : String(survey.washesPerWeek),
    measured: survey.measured ?? false,
    mannequin: survey.mannequin ?? false,
    seed: survey.seed,
    eyes: { right: eyeForm(survey.eyes.right), left: eyeForm(survey.eyes.left) },
  };
}

/** A new place half way between two others of the full form, or past the last one. */
export function addPlace(eye: EyeForm): EyeForm {
  if (eye.places.length >= MOST_PLACES) return eye;
  const at = (i: number) => readNumber(eye.places[i]?.at ?? "") ?? 0;
  const line = readNumber(eye.lashLine) ?? 28;
  // The widest gap is where a place tells most.
  const edges = [0, ...eye.places.map((_, i) => at(i)), line];
  let widest = 0;
  for (let i = 1; i < edges.length - 1; i++) if (edges[i + 1]! - edges[i]! > edges[widest + 1]! - edges[widest]!) widest = i;
  const near = eye.places[Math.min(eye.places.length - 1, Math.max(0, widest - 1))]!;
  const made = { ...near, at: show((edges[widest]! + edges[widest + 1]!) / 2) };
  return { ...eye, places: [...eye.places.slice(0, widest), made, ...eye.places.slice(widest)] };
}
