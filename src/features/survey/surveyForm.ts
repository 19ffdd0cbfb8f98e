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

/** The form as typed: numbers are text until they are read, so that nothing typed is lost. Lengths in mm. */
export type EyeForm = {
  readonly lashLine: string;
  readonly shape: EyeSurvey["shape"];
  readonly landmarks: Readonly<Record<LandmarkKey, string>>;
  readonly places: readonly {
    readonly length: string;
    readonly diameter: Point["diameter"];
    readonly density: Point["density"];
    readonly direction: Point["direction"];
    readonly ownCurl: Point["ownCurl"];
  }[];
};
export type SurveyForm = {
  readonly spacing: Survey["spacing"];
  readonly oilyLids: boolean;
  readonly eyes: Readonly<Record<Side, EyeForm>>;
};

const show = (value: number) => String(Math.round(value * 10) / 10);

/** The quick three-part form of a survey; a fuller survey is read at its three places. */
export function formOf(survey: Survey): SurveyForm {
  const eyeForm = (eye: EyeSurvey): EyeForm => {
    const at = naturalLashAt(eye);
    return {
      lashLine: show(eye.lashLineMm),
      shape: eye.shape,
      landmarks: Object.fromEntries(LANDMARKS.map(({ key }) => [key, show(eye.landmarks[key] * eye.lashLineMm)])) as EyeForm["landmarks"],
      places: quickPositions.map((position) => {
        const near = eye.points.reduce((a, b) => (Math.abs(b.at - position) < Math.abs(a.at - position) ? b : a));
        return {
          length: show(at(position).lengthMm),
          diameter: near.diameter,
          density: near.density,
          direction: near.direction,
          ownCurl: near.ownCurl,
        };
      }),
    };
  };
  return {
    spacing: survey.spacing,
    oilyLids: survey.oilyLids,
    eyes: { right: eyeForm(survey.eyes.right), left: eyeForm(survey.eyes.left) },
  };
}

const number = (text: string) => (/^\s*-?\d+([.,]\d+)?\s*$/.test(text) ? Number(text.trim().replace(",", ".")) : undefined);

/** Reads the form: the survey, or complaints keyed as `right.lashLine`, `left.landmarks.pupil`, `right.places.1.length`. */
export function readForm(form: SurveyForm, spreadMm: number): { survey: Survey } | { fields: Record<string, string> } {
  const eye = (side: Side) => {
    const typed = form.eyes[side];
    const lashLineMm = number(typed.lashLine);
    return {
      lashLineMm,
      shape: typed.shape,
      landmarks: Object.fromEntries(
        LANDMARKS.map(({ key }) => {
          const mm = number(typed.landmarks[key]);
          return [key, mm === undefined || !lashLineMm ? undefined : mm / lashLineMm];
        }),
      ),
      points: typed.places.map(({ length, ...classes }, i) => ({ at: quickPositions[i], lengthMm: number(length), spreadMm, ...classes })),
    };
  };
  const parsed = surveySchema.safeParse({
    version: 1,
    spacing: form.spacing,
    oilyLids: form.oilyLids,
    eyes: { right: eye("right"), left: eye("left") },
  });
  if (parsed.success) return { survey: parsed.data };
  const fields: Record<string, string> = {};
  for (const issue of parsed.error.issues) {
    const [, side, part, ...rest] = issue.path.map(String);
    const key =
      part === "lashLineMm"
        ? `${side}.lashLine`
        : part === "points"
          ? `${side}.places.${rest[0]}.length`
          : part === "landmarks"
            ? `${side}.landmarks.${rest[0] ?? "pupil"}`
            : issue.path.join(".");
    fields[key] ??=
      part === "landmarks" && issue.code !== "custom" ? "Millimetres from the inner corner, inside the lash line." : issue.message;
  }
  return { fields };
}
