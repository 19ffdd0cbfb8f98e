import { z } from "zod";
import { naturalLashAt, QUICK_SPREAD_MM, quickPositions, surveySchema, type Side, type Survey } from "@/core/eye";
import { LANDMARKS, placeForm, type EyeForm, type SurveyForm } from "./surveyForm";
import { readNumber } from "@/ui/readNumber";

// Fetched by the page when something is first touched: the schema is a third of all its script.

const share = (text: string) => (text.trim() === "" ? 0 : (readNumber(text) ?? NaN) / 100);

/** The colours that were noted; none at all where none was. */
const noted = (colours: SurveyForm["colours"]) => {
  const given = Object.entries(colours).filter(([, colour]) => colour !== "");
  return given.length ? { colours: Object.fromEntries(given) } : {};
};

export type ReadForm = { readonly survey: Survey } | { readonly fields: Record<string, string> };

/** Reads the form: the survey, or complaints keyed as `right.lashLine`, `left.landmarks.pupil`, `right.places.1.length`. */
export function readForm(form: SurveyForm): ReadForm {
  const eye = (side: Side) => {
    const typed = form.eyes[side];
    const lashLineMm = readNumber(typed.lashLine);
    const places = form.mode === "quick" ? typed.places.slice(0, 3) : typed.places;
    return {
      lashLineMm,
      shape: typed.shape,
      landmarks: Object.fromEntries(
        LANDMARKS.map(({ key }) => {
          const mm = readNumber(typed.landmarks[key]);
          return [key, mm === undefined || !lashLineMm ? undefined : mm / lashLineMm];
        }),
      ),
      points: places.map(({ at, length, spread, baby, gaps, rows, splay, ...classes }, i) => {
        const mm = readNumber(at);
        return {
          at: form.mode === "quick" ? quickPositions[i] : mm === undefined || !lashLineMm ? undefined : mm / lashLineMm,
          lengthMm: readNumber(length),
          spreadMm: form.mode === "quick" && spread.trim() === "" ? QUICK_SPREAD_MM : readNumber(spread),
          babyShare: share(baby),
          gapShare: share(gaps),
          rows: readNumber(rows),
          ...(splay.trim() === "" ? {} : { splayDeg: readNumber(splay) }),
          ...classes,
        };
      }),
    };
  };
  const parsed = surveySchema.safeParse({
    version: 3,
    spacing: form.spacing,
    oilyLids: form.oilyLids,
    serum: form.serum,
    sleepsOn: form.sleepsOn,
    washesPerWeek: form.washes.trim() === "" ? null : readNumber(form.washes),
    ...noted(form.colours),
    ...(form.measured ? { measured: true } : {}),
    ...(form.mannequin ? { mannequin: true } : {}),
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
  splayDeg: { field: "splay" },
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

const typed = z.string();
const point = surveySchema.shape.eyes.shape.right.shape.points.element.shape;
const eyeFormSchema = z.object({
  lashLine: typed,
  shape: surveySchema.shape.eyes.shape.right.shape.shape,
  landmarks: z.object({ irisInner: typed, pupil: typed, irisOuter: typed, browPeak: typed }),
  places: z.array(
    z.object({
      at: typed,
      length: typed,
      spread: typed,
      baby: typed,
      gaps: typed,
      rows: typed,
      diameter: point.diameter,
      density: point.density,
      direction: point.direction,
      ownCurl: point.ownCurl,
      twist: point.twist,
      // Forms kept by an older page did not ask.
      splay: typed.default(""),
    }),
  ),
});
const formSchema: z.ZodType<SurveyForm, unknown> = z.object({
  mode: z.enum(["quick", "full"]),
  spacing: surveySchema.shape.spacing,
  oilyLids: z.boolean(),
  serum: z.boolean(),
  sleepsOn: surveySchema.shape.sleepsOn,
  washes: typed,
  colours: z.object({ iris: typed, hair: typed, skin: typed }).default({ iris: "", hair: "", skin: "" }),
  measured: z.boolean().default(false),
  mannequin: z.boolean().default(false),
  seed: surveySchema.shape.seed,
  eyes: z.object({ right: eyeFormSchema, left: eyeFormSchema }),
});

/** A form as it was kept on the tablet; null where an older page kept it otherwise. */
export const readKeptForm = (document: unknown): SurveyForm | null => formSchema.safeParse(document).data ?? null;
