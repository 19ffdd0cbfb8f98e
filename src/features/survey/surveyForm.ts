import { naturalLashAt, quickPositions, surveySchema, type EyeSurvey, type Side, type Survey } from "@/core/eye";

export const PLACES = ["inner", "middle", "outer"] as const;
export const LANDMARKS = [
  { key: "irisInner", label: "Iris, inner edge" },
  { key: "pupil", label: "Pupil" },
  { key: "irisOuter", label: "Iris, outer edge" },
  { key: "browPeak", label: "Brow peak" },
] as const;
type LandmarkKey = (typeof LANDMARKS)[number]["key"];
type Point = EyeSurvey["points"][number];

/** Spread taken where only a quick look was had, mm. A model of this product. */
const QUICK_SPREAD_MM = 0.7;
/** As many as a survey holds. */
export const MOST_PLACES = 40;

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
  /** Of the lashes as they are drawn; carried on from the last survey. */
  readonly seed: number;
  readonly eyes: Readonly<Record<Side, EyeForm>>;
};

const show = (value: number) => String(Math.round(value * 10) / 10);
const isQuick = (eye: EyeSurvey) =>
  eye.points.length === quickPositions.length && eye.points.every((point, i) => Math.abs(point.at - quickPositions[i]!) < 1e-6);

const placeForm = (point: Point, lashLineMm: number): PlaceForm => ({
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
    washes: survey.washesPerWeek === null ? "" : String(survey.washesPerWeek),
    seed: survey.seed,
    eyes: { right: eyeForm(survey.eyes.right), left: eyeForm(survey.eyes.left) },
  };
}

/** The form with its other way of asking: a full one read at the quick one's three places, or the quick one's spelled out. */
export function inMode(form: SurveyForm, mode: SurveyForm["mode"]): SurveyForm {
  if (mode === form.mode) return form;
  const read = readForm(form);
  const eye = (side: Side): EyeForm => {
    const typed = form.eyes[side];
    if (mode === "full" || !("survey" in read)) return { ...typed, places: mode === "full" ? typed.places : typed.places.slice(0, 3) };
    const surveyed = read.survey.eyes[side];
    const at = naturalLashAt(surveyed);
    return {
      ...typed,
      places: quickPositions.map((position) => {
        const near = surveyed.points.reduce((a, b) => (Math.abs(b.at - position) < Math.abs(a.at - position) ? b : a));
        return { ...placeForm({ ...near, at: position, lengthMm: at(position).lengthMm }, surveyed.lashLineMm) };
      }),
    };
  };
  return { ...form, mode, eyes: { right: eye("right"), left: eye("left") } };
}

const number = (text: string) => (/^\s*-?\d+([.,]\d+)?\s*$/.test(text) ? Number(text.trim().replace(",", ".")) : undefined);
const share = (text: string) => (text.trim() === "" ? 0 : (number(text) ?? NaN) / 100);

/** Reads the form: the survey, or complaints keyed as `right.lashLine`, `left.landmarks.pupil`, `right.places.1.length`. */
export function readForm(form: SurveyForm): { survey: Survey } | { fields: Record<string, string> } {
  const eye = (side: Side) => {
    const typed = form.eyes[side];
    const lashLineMm = number(typed.lashLine);
    const places = form.mode === "quick" ? typed.places.slice(0, 3) : typed.places;
    return {
      lashLineMm,
      shape: typed.shape,
      landmarks: Object.fromEntries(
        LANDMARKS.map(({ key }) => {
          const mm = number(typed.landmarks[key]);
          return [key, mm === undefined || !lashLineMm ? undefined : mm / lashLineMm];
        }),
      ),
      points: places.map(({ at, length, spread, baby, gaps, rows, ...classes }, i) => {
        const mm = number(at);
        return {
          at: form.mode === "quick" ? quickPositions[i] : mm === undefined || !lashLineMm ? undefined : mm / lashLineMm,
          lengthMm: number(length),
          spreadMm: form.mode === "quick" && spread.trim() === "" ? QUICK_SPREAD_MM : number(spread),
          babyShare: share(baby),
          gapShare: share(gaps),
          rows: number(rows),
          ...classes,
        };
      }),
    };
  };
  const parsed = surveySchema.safeParse({
    version: 2,
    spacing: form.spacing,
    oilyLids: form.oilyLids,
    serum: form.serum,
    sleepsOn: form.sleepsOn,
    washesPerWeek: form.washes.trim() === "" ? null : number(form.washes),
    seed: form.seed,
    eyes: { right: eye("right"), left: eye("left") },
  });
  if (parsed.success) return { survey: parsed.data };
  const fields: Record<string, string> = {};
  for (const issue of parsed.error.issues) {
    const { key, words } = complaint(issue.path.map(String), issue.code, issue.message);
    fields[key] ??= words;
  }
  return { fields };
}

const PLACE_FIELDS: Readonly<Record<string, { readonly field: string; readonly words?: string }>> = {
  at: { field: "at", words: "Millimetres from the inner corner, inside the lash line." },
  lengthMm: { field: "length" },
  spreadMm: { field: "spread", words: "0.1 to 3 mm." },
  babyShare: { field: "baby", words: "0 to 90 %." },
  gapShare: { field: "gaps", words: "0 to 95 %." },
  rows: { field: "rows" },
};

function complaint(path: string[], code: string, message: string): { key: string; words: string } {
  if (path[0] === "washesPerWeek") return { key: "washes", words: "0 to 21 washes a week, or leave it empty." };
  const [, side, part, place, field] = path;
  if (part === "lashLineMm") return { key: `${side}.lashLine`, words: message };
  if (part === "landmarks")
    return {
      key: `${side}.landmarks.${place ?? "pupil"}`,
      words: code === "custom" ? message : "Millimetres from the inner corner, inside the lash line.",
    };
  if (part === "points") {
    if (place === undefined) return { key: `${side}.places`, words: message };
    const known = PLACE_FIELDS[field ?? "lengthMm"] ?? { field: field ?? "length" };
    return { key: `${side}.places.${place}.${known.field}`, words: known.words ?? message };
  }
  return { key: path.join("."), words: message };
}

/** A new place half way between two others of the full form, or past the last one. */
export function addPlace(eye: EyeForm): EyeForm {
  if (eye.places.length >= MOST_PLACES) return eye;
  const at = (i: number) => number(eye.places[i]?.at ?? "") ?? 0;
  const line = number(eye.lashLine) ?? 28;
  // The widest gap is where a place tells most.
  const edges = [0, ...eye.places.map((_, i) => at(i)), line];
  let widest = 0;
  for (let i = 1; i < edges.length - 1; i++) if (edges[i + 1]! - edges[i]! > edges[widest + 1]! - edges[widest]!) widest = i;
  const near = eye.places[Math.min(eye.places.length - 1, Math.max(0, widest - 1))]!;
  const made = { ...near, at: show((edges[widest]! + edges[widest + 1]!) / 2) };
  return { ...eye, places: [...eye.places.slice(0, widest), made, ...eye.places.slice(widest)] };
}
