import fc from "fast-check";
import { quickPositions, usualSurvey, type EyeSurvey, type Survey } from "@/core/eye";
import type { Tray } from "@/core/map";

/** The usual survey with three natural lengths of one's own, both eyes. */
export function surveyOf(lengths: [number, number, number], change: Partial<EyeSurvey["points"][number]> = {}): Survey {
  const survey = usualSurvey();
  const eye = (e: EyeSurvey): EyeSurvey => ({
    ...e,
    points: e.points.map((p, i) => ({ ...p, ...change, at: quickPositions[i]!, lengthMm: lengths[i]! })),
  });
  return { ...survey, measured: true, eyes: { right: eye(survey.eyes.right), left: eye(survey.eyes.left) } };
}

export const lengthsFrom = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, i) => from + i);

export const trayOf = (lengthsMm: number[], change: Partial<Tray> = {}): Tray => ({
  curl: "C",
  diameterMm: 0.15,
  shape: "round",
  lengthsMm,
  ...change,
});

const eyeArbitrary: fc.Arbitrary<EyeSurvey> = fc
  .record({
    lashLineMm: fc.double({ min: 24, max: 33, noNaN: true }),
    lengths: fc.tuple(...[0, 1, 2].map(() => fc.double({ min: 4.5, max: 11.5, noNaN: true }))),
    spreadMm: fc.double({ min: 0.3, max: 1.4, noNaN: true }),
    diameter: fc.constantFrom("fine", "medium", "coarse"),
    density: fc.constantFrom("sparse", "usual", "dense"),
    direction: fc.constantFrom("down", "level", "up"),
    ownCurl: fc.constantFrom("straight", "slight", "curly"),
    twist: fc.constantFrom("none", "some"),
    rows: fc.constantFrom(1, 2, 3),
    babyShare: fc.double({ min: 0, max: 0.4, noNaN: true }),
    gapShare: fc.double({ min: 0, max: 0.5, noNaN: true }),
    pupil: fc.double({ min: 0.42, max: 0.54, noNaN: true }),
    browPeak: fc.double({ min: 0.6, max: 0.8, noNaN: true }),
  })
  .map(({ lashLineMm, lengths, spreadMm, pupil, browPeak, ...classes }) => ({
    lashLineMm,
    shape: "almond" as const,
    landmarks: { irisInner: pupil - 0.17, pupil, irisOuter: pupil + 0.17, browPeak },
    points: lengths.map((lengthMm, i) => ({ at: quickPositions[i]!, lengthMm, spreadMm, ...classes })),
  })) as fc.Arbitrary<EyeSurvey>;

export const surveyArbitrary: fc.Arbitrary<Survey> = fc.tuple(eyeArbitrary, eyeArbitrary, fc.boolean()).map(([right, other, alike]) => ({
  version: 3,
  spacing: "average",
  oilyLids: false,
  serum: false,
  sleepsOn: "unknown",
  washesPerWeek: null,
  seed: 11,
  eyes: { right, left: alike ? right : other },
}));

export const traysArbitrary: fc.Arbitrary<Tray[]> = fc
  .tuple(fc.subarray(lengthsFrom(5, 15), { minLength: 1 }), fc.subarray(lengthsFrom(5, 15)))
  .map(([thick, thin]) => [trayOf(thick), trayOf(thin, { diameterMm: 0.1 }), trayOf(thin, { curl: "D" })]);
